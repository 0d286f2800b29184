import type { CoatWindow } from '#core/work/plan';

/** How the age of a laid patch stands to its window. */
export type WindowState = 'before' | 'opening' | 'open' | 'closing' | 'closed' | 'none';

/** Share of the trusted window after which it counts as closing. */
const CLOSING_SHARE = 0.75;

/** @param ageMin minutes since its laying began */
export function windowState(window: CoatWindow, ageMin: number): WindowState {
  const { guarded, levelFromMin, levelByMin } = window;
  if (!guarded || levelFromMin === null) return 'none';
  if (levelByMin !== null && ageMin > levelByMin) return 'closed';
  if (ageMin < levelFromMin) return 'before';
  if (ageMin < guarded.fromMin) return 'opening';
  const closingFrom =
    guarded.byMin === null ? Infinity : guarded.fromMin + CLOSING_SHARE * (guarded.byMin - guarded.fromMin);
  return ageMin < closingFrom ? 'open' : 'closing';
}
