/**
 * Imperial measures beside metric ones. The core computes in metric only; these turn what is shown and what is typed.
 * All factors are exact by definition (international yard and pound, US fluid ounce).
 */
export interface Measure {
  readonly metric: string;
  readonly imperial: string;
  /** @example MEASURES.volume.toImperial(29.5735295625) // 1 fl oz */
  toImperial(metric: number): number;
  /** @example MEASURES.temperature.toMetric(68) // 20 °C */
  toMetric(imperial: number): number;
}

const MM_PER_INCH = 25.4;
const UM_PER_MIL = 25.4;
const M2_PER_SQUARE_FOOT = 0.09290304;
const ML_PER_FLUID_OUNCE = 29.5735295625;
const G_PER_OUNCE = 28.349523125;
const M3_PER_CUBIC_FOOT = 0.028316846592;
const M_PER_FOOT = 0.3048;

const scaled = (metric: string, imperial: string, factor: number): Measure => ({
  metric,
  imperial,
  toImperial: (value) => value / factor,
  toMetric: (value) => value * factor,
});

export const MEASURES = {
  length: scaled('mm', 'in', MM_PER_INCH),
  reach: scaled('m', 'ft', M_PER_FOOT),
  area: scaled('m²', 'sq ft', M2_PER_SQUARE_FOOT),
  volume: scaled('ml', 'fl oz', ML_PER_FLUID_OUNCE),
  mass: scaled('g', 'oz', G_PER_OUNCE),
  room: scaled('m³', 'cu ft', M3_PER_CUBIC_FOOT),
  speed: scaled('m/s', 'ft/s', M_PER_FOOT),
  pace: scaled('m²/min', 'sq ft/min', M2_PER_SQUARE_FOOT),
  thickness: scaled('µm', 'mil', UM_PER_MIL),
  temperature: {
    metric: '°C',
    imperial: '°F',
    toImperial: (celsius) => celsius * 1.8 + 32,
    toMetric: (fahrenheit) => (fahrenheit - 32) / 1.8,
  },
} as const satisfies Readonly<Record<string, Measure>>;
