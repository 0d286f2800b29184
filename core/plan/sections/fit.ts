import { METHOD_IDS, type MethodId, METHODS } from '#core/products/methods';
import type { LevelWindow } from '#core/time/clocks';
import { type CrewMode, maxSectionM2, type Pace } from './section';

/** Whose pace changes: who lays, who levels, or both alike. */
export type PaceChange = 'laying' | 'levelling' | 'both';

/** One change that would let a surface be done in one piece, with the number that goes with it. */
export type FitOption =
  | { readonly kind: 'second-person'; readonly maxM2: number | null }
  | { readonly kind: 'method'; readonly method: MethodId; readonly maxM2: number | null }
  | { readonly kind: 'pace'; readonly who: PaceChange; readonly factor: number; readonly pace: Pace }
  | { readonly kind: 'air'; readonly airC: number }
  | { readonly kind: 'longer-window'; readonly factor: number };

export interface FitQuestion {
  readonly areaM2: number;
  /** Guarded window now. */
  readonly window: LevelWindow;
  /** Pace with the method now in hand. */
  readonly pace: Pace;
  readonly mode: CrewMode;
  readonly method: MethodId;
  readonly allowedMethods?: readonly MethodId[];
  /** Air now, and the guarded window at another air temperature (the humidity and the method kept). */
  readonly airC: number;
  readonly windowAt: (airC: number) => LevelWindow;
  /** The temperatures the sheet allows. */
  readonly airLimitsC: readonly [number, number];
}

const MOST_PACE_FACTOR = 3;
const MOST_WINDOW_FACTOR = 20;
const BISECTIONS = 40;

/**
 * What would make a one-piece surface fit, each answer on its own: a second person, another method, a
 * slower or faster pace, another air temperature, a product with a longer window. Empty when nothing alone does.
 */
export function whatWouldFit(question: FitQuestion): FitOption[] {
  const { areaM2, window, pace, mode, method } = question;
  const fits = (w: LevelWindow, p: Pace, m: CrewMode) => {
    const max = maxSectionM2(w, p, m);
    return max === null || max >= areaM2;
  };
  if (fits(window, pace, mode)) return [];
  const options: FitOption[] = [];
  if (mode === 'solo' && fits(window, pace, 'pair')) {
    options.push({ kind: 'second-person', maxM2: maxSectionM2(window, pace, 'pair') });
  }
  for (const other of question.allowedMethods ?? METHOD_IDS) {
    const otherPace = { ...pace, layM2PerMin: (pace.layM2PerMin * METHODS[other].pace) / METHODS[method].pace };
    if (other !== method && fits(window, otherPace, mode)) {
      options.push({ kind: 'method', method: other, maxM2: maxSectionM2(window, otherPace, mode) });
    }
  }
  for (const who of ['laying', 'levelling', 'both'] as const) {
    const at = (factor: number): Pace => ({
      layM2PerMin: pace.layM2PerMin * (who === 'levelling' ? 1 : factor),
      levelM2PerMin: pace.levelM2PerMin * (who === 'laying' ? 1 : factor),
    });
    const factor =
      smallestThatFits(1, MOST_PACE_FACTOR, (f) => fits(window, at(f), mode)) ??
      smallestThatFits(1, 1 / MOST_PACE_FACTOR, (f) => fits(window, at(f), mode));
    if (factor !== null) options.push({ kind: 'pace', who, factor, pace: at(factor) });
  }
  const fitsAt = (airC: number) => fits(question.windowAt(airC), pace, mode);
  for (const limitC of question.airLimitsC) {
    const airC = smallestThatFits(question.airC, limitC, fitsAt);
    if (airC !== null) options.push({ kind: 'air', airC });
  }
  const longer = (factor: number): LevelWindow => ({
    fromMin: window.fromMin * factor,
    byMin: window.byMin === null ? null : window.byMin * factor,
  });
  const factor = smallestThatFits(1, MOST_WINDOW_FACTOR, (f) => fits(longer(f), pace, mode));
  if (factor !== null) options.push({ kind: 'longer-window', factor });
  return options;
}

/** First value met on the way from `from` to `to` that fits, looked for in steps and then halved in; null if none does. */
function smallestThatFits(from: number, to: number, fits: (value: number) => boolean): number | null {
  const steps = 24;
  let before = from;
  for (let step = 1; step <= steps; step++) {
    const at = from + ((to - from) * step) / steps;
    if (fits(at)) return narrow(before, at, fits);
    before = at;
  }
  return null;
}

function narrow(misses: number, meets: number, fits: (value: number) => boolean): number {
  let [bad, good] = [misses, meets];
  for (let step = 0; step < BISECTIONS; step++) {
    const middle = (bad + good) / 2;
    if (fits(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
