/** When a patch may be levelled, minutes after laying. `byMin` null: no limit. */
export interface LevelWindow {
  readonly fromMin: number;
  readonly byMin: number | null;
}

/** The guard never eats more than this share of the window from either side. */
export const LARGEST_GUARD_SHARE = 0.4;
/** A central window below these is a finding, or no window at all, minutes. */
export const NARROW_WINDOW_MIN = 1;
export const CLOSED_WINDOW_MIN = 0.25;

/**
 * The part of the window one can trust: both edges moved inward by `guardSigmas` of the log-normal spread
 * `sigma`, but never by more than 40 % of the window, so that a narrow window stays a window.
 * @example guardedWindow({ fromMin: 2, byMin: 5 }, 0.2, TENTH_SIGMAS) // about 2.58 to 3.87: moved inwards
 */
export function guardedWindow(central: LevelWindow, sigma: number, guardSigmas: number): LevelWindow {
  const { fromMin, byMin } = central;
  const spread = Math.exp(guardSigmas * sigma);
  if (byMin === null) return { fromMin: fromMin * spread, byMin: null };
  const room = LARGEST_GUARD_SHARE * Math.max(0, byMin - fromMin);
  return { fromMin: Math.min(fromMin * spread, fromMin + room), byMin: Math.max(byMin / spread, byMin - room) };
}

export type WindowVerdict = 'open' | 'narrow' | 'closed';

/** Judges the central window; a `levelFrom` that is never reached (null) leaves it closed. */
export function windowVerdict(fromMin: number | null, byMin: number | null): WindowVerdict {
  if (fromMin === null) return 'closed';
  if (byMin === null) return 'open';
  const width = byMin - fromMin;
  return width < CLOSED_WINDOW_MIN ? 'closed' : width < NARROW_WINDOW_MIN ? 'narrow' : 'open';
}
