import { useSyncExternalStore } from 'react';
import { type Measure, MEASURES } from '#core/measures';
import { fixed } from './numbers';

/** In which measures this device shows what it shows. Files and the server are metric always. */
export const SYSTEMS = { metric: 'Metric', imperial: 'Imperial', both: 'Metric, with imperial' } as const;
export type System = keyof typeof SYSTEMS;

const KEY = 'glaphyra.measures';
const listeners = new Set<() => void>();

function stored(): System {
  const said = globalThis.localStorage?.getItem(KEY);
  return said && said in SYSTEMS ? (said as System) : 'metric';
}

export function useMeasures(): readonly [System, (system: System) => void] {
  const system = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, stored);
  const choose = (next: System) => {
    localStorage.setItem(KEY, next);
    listeners.forEach((listener) => listener());
  };
  return [system, choose];
}

export type MeasureId = keyof typeof MEASURES;

/** Imperial units are told as finely as the metric ones: a mil is 25 µm, an inch 25 mm. */
const FINER: Readonly<Partial<Record<MeasureId, number>>> = {
  thickness: 1,
  length: 1,
  volume: 2,
  mass: 2,
  temperature: 0,
};

/** A metric figure as this device shows it, with its unit. */
export function measured(id: MeasureId, value: number, digits: number): string {
  const { metric, imperial, toImperial }: Measure = MEASURES[id];
  const system = stored();
  const own = `${fixed(value, digits)} ${metric}`;
  if (system === 'metric') return own;
  const other = `${fixed(toImperial(value), Math.max(0, digits + (FINER[id] ?? 0)))} ${imperial}`;
  return system === 'imperial' ? other : `${own} (${other})`;
}

export const um = (value: number, digits = 0): string => measured('thickness', value, digits);
export const mm = (value: number): string => measured('length', value, 0);
export const celsius = (value: number, digits = 1): string => measured('temperature', value, digits);
export const millilitresSaid = (value: number, digits = 1): string => measured('volume', value, digits);
export const m2 = (value: number): string => measured('area', value, value < 10 ? 2 : 1);

/** The measure a field's unit belongs to. */
const OF_UNIT = new Map<string, MeasureId>(
  (Object.entries(MEASURES) as [MeasureId, Measure][]).map(([id, { metric }]) => [metric, id]),
);
export const measureOf = (unit: string | undefined): MeasureId | undefined =>
  unit === undefined ? undefined : OF_UNIT.get(unit);

/** In which of the two a field shows its number. */
export const fieldSystem = (): 'metric' | 'imperial' => (stored() === 'imperial' ? 'imperial' : 'metric');

/** How units are typed behind a number. */
const SPELT: Readonly<Record<string, readonly string[]>> = {
  in: ['in', 'inch', 'inches', '"', '″'],
  ft: ['ft', 'foot', 'feet', "'", '′'],
  'sq ft': ['sqft', 'sq ft', 'ft2', 'ft²'],
  'cu ft': ['cuft', 'cu ft', 'ft3', 'ft³'],
  'fl oz': ['floz', 'fl oz'],
  '°F': ['f', '°f'],
  '°C': ['c', '°c'],
  'm²': ['m2', 'm²', 'sqm'],
  'm³': ['m3', 'm³'],
  µm: ['µm', 'um', 'micron', 'microns'],
};
const isSpelt = (unit: string, typed: string) => typed === unit.toLowerCase() || (SPELT[unit] ?? []).includes(typed);

/**
 * Text with an optional unit, parted; the unit may be either system's. Undefined for a unit that is not of the measure.
 * @example unitTyped('68 °F', 'temperature') // { number: '68', system: 'imperial' }
 */
export function unitTyped(
  text: string,
  id: MeasureId,
): { readonly number: string; readonly system: 'metric' | 'imperial' | undefined } | undefined {
  const [, number = '', typed = ''] = /^([-+−\d\s.,\u202f]*)(.*)$/.exec(text.trim()) ?? [];
  const unit = typed.trim().toLowerCase();
  const { metric, imperial }: Measure = MEASURES[id];
  if (unit === '') return { number, system: undefined };
  if (isSpelt(metric, unit)) return { number, system: 'metric' };
  return isSpelt(imperial, unit) ? { number, system: 'imperial' } : undefined;
}
