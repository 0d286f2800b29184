import { MINUTES_PER_DAY } from '#core/measures';
import type { AmbientSeries } from '#core/time/air';
import { type Clock, clockRate } from './mechanisms';

export const MILESTONES = [
  'cue',
  'levelFrom',
  'levelBy',
  'rewetBy',
  'recoatFrom',
  'recoatBy',
  'waterSafe',
  'handover',
  'washOk',
  'fullCure',
] as const;
export type MilestoneName = (typeof MILESTONES)[number];

export const CLOCK_NAMES = ['flash', 'set'] as const;
export type ClockName = (typeof CLOCK_NAMES)[number];

/** A moment in a layer's life: `min` minutes of one of its clocks, at the sheet's reference conditions. */
export interface Milestone {
  readonly name: MilestoneName;
  readonly clock: ClockName;
  readonly min: number;
}

/** Milestones a substrate's own factors stretch: what is watched while laying and levelling. */
export const LEVELLING_MILESTONES: readonly MilestoneName[] = ['cue', 'levelFrom', 'levelBy'];

/**
 * What must happen before something counts from the oldest patch, the start of laying; what must wait, from
 * the youngest, the end of levelling.
 */
export function countsFrom(name: MilestoneName): 'oldest' | 'youngest' {
  const beforeSomething: readonly MilestoneName[] = [...LEVELLING_MILESTONES, 'rewetBy', 'recoatBy'];
  return beforeSomething.includes(name) ? 'oldest' : 'youngest';
}

/** A wait longer than this, minutes (a century), is never. */
const NEVER_MIN = 100 * 365 * MINUTES_PER_DAY;

type StepRates = readonly number[];
const KNOWN_RATES = new WeakMap<AmbientSeries, WeakMap<Clock, Map<number | undefined, StepRates>>>();

/**
 * Rate of a clock in each step of a series. A plan asks for the same clocks in the same air some thousand
 * times, and moist air is costly to work out; series and clocks never change, so they are the key.
 */
function stepRates(clock: Clock, series: AmbientSeries, surfaceC: number | undefined): StepRates {
  let byClock = KNOWN_RATES.get(series);
  if (!byClock) KNOWN_RATES.set(series, (byClock = new WeakMap()));
  let bySurface = byClock.get(clock);
  if (!bySurface) byClock.set(clock, (bySurface = new Map()));
  let rates = bySurface.get(surfaceC);
  if (!rates) bySurface.set(surfaceC, (rates = series.map((step) => clockRate(clock, step, surfaceC ?? step.airC))));
  return rates;
}

/** Index of the step a moment falls in; the first holds before the series. */
export function stepAt(series: AmbientSeries, tMin: number): number {
  let [low, high] = [0, series.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (series[middle]!.atMin <= tMin) low = middle;
    else high = middle - 1;
  }
  return low;
}

/**
 * When a clock that starts at `fromMin` has run `referenceMin` minutes of reference time, in minutes on the
 * series' own scale; null if it never does ("does not cure at 3 °C" is an answer, not an error).
 * The series is piecewise constant, so the integral is exact.
 * @param surfaceC holds throughout where given; else the surface follows the air
 */
export function reachedAtMin(
  clock: Clock,
  referenceMin: number,
  series: AmbientSeries,
  fromMin: number,
  surfaceC?: number,
): number | null {
  if (referenceMin <= 0) return fromMin;
  const rates = stepRates(clock, series, surfaceC);
  let remaining = referenceMin;
  let from = fromMin;
  for (let index = stepAt(series, fromMin); index < series.length; index++) {
    const until = series[index + 1]?.atMin ?? Infinity;
    const rate = rates[index]!;
    if (rate > 0) {
      const reached = from + remaining / rate;
      if (reached <= until) return reached - fromMin < NEVER_MIN ? reached : null;
      remaining -= rate * (until - from);
    }
    from = until;
  }
  return null;
}

/** Reference minutes a clock has run between two moments: how old a patch is, in the product's own time. */
export function clockRunMin(
  clock: Clock,
  series: AmbientSeries,
  fromMin: number,
  toMin: number,
  surfaceC?: number,
): number {
  const rates = stepRates(clock, series, surfaceC);
  let run = 0;
  for (const [index, step] of series.entries()) {
    const start = Math.max(fromMin, index === 0 ? -Infinity : step.atMin);
    const end = Math.min(toMin, series[index + 1]?.atMin ?? Infinity);
    if (end > start) run += rates[index]! * (end - start);
  }
  return run;
}
