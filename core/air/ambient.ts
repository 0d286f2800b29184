import type { Air } from './moist-air';

/** One step of an ambient series: from `atMin` on, the air is this. Minutes count from a zero of the caller's choice. */
export interface AmbientStep extends Air {
  readonly atMin: number;
}

/** Piecewise-constant air, steps rising in time; the first holds before it, the last after it. Never empty. */
export type AmbientSeries = readonly [AmbientStep, ...AmbientStep[]];

/** The air at one moment. */
export function airAt(series: AmbientSeries, tMin: number): AmbientStep {
  let current = series[0];
  for (const step of series) {
    if (step.atMin > tMin) break;
    current = step;
  }
  return current;
}

/** The same series counted from another zero: what was at `byMin` is then at 0. */
export function shiftAmbient(series: AmbientSeries, byMin: number): AmbientSeries {
  const [first, ...rest] = series.map((step) => ({ ...step, atMin: step.atMin - byMin }));
  return [first!, ...rest];
}

/**
 * A forecast corrected by what was measured: a reading holds from its moment until the forecast's next step,
 * so that a bay expected to cool after closing still cools.
 */
export function withReadings(series: AmbientSeries, readings: readonly AmbientStep[]): AmbientSeries {
  if (readings.length === 0) return series;
  const byTime = new Map<number, AmbientStep>();
  for (const step of [...series, ...readings]) byTime.set(step.atMin, step);
  const [first, ...rest] = [...byTime.values()].sort((a, b) => a.atMin - b.atMin);
  return [first!, ...rest];
}
