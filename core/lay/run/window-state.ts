import type { CoatWindow } from '#core/plan/job';

/** How the age of a laid patch stands to its window. */
export type WindowState = 'before' | 'opening' | 'open' | 'closing' | 'closed' | 'none';

/** When a window opens and closes, and what of it is trusted. */
type Opening = Pick<CoatWindow, 'guarded' | 'levelFromMin' | 'levelByMin'>;

/** Share of the trusted window after which it counts as closing. */
const CLOSING_SHARE = 0.75;

/** The moment its trusted part counts as closing; undefined where it never closes, or never opens. */
function closingFrom({ guarded }: Opening): number | undefined {
  if (!guarded || guarded.byMin === null) return undefined;
  return guarded.fromMin + CLOSING_SHARE * (guarded.byMin - guarded.fromMin);
}

/** The ages at which a window becomes something else, or passes what is trusted of it, minutes after laying began; ascending. */
export function windowMoments(window: Opening): number[] {
  const { guarded, levelFromMin, levelByMin } = window;
  return [levelFromMin, guarded?.fromMin, closingFrom(window), guarded?.byMin, levelByMin]
    .filter((min) => min !== null && min !== undefined)
    .sort((a, b) => a - b);
}

/** @param ageMin minutes since its laying began */
export function windowState(window: Opening, ageMin: number): WindowState {
  const { guarded, levelFromMin, levelByMin } = window;
  if (!guarded || levelFromMin === null) return 'none';
  if (levelByMin !== null && ageMin > levelByMin) return 'closed';
  if (ageMin < levelFromMin) return 'before';
  if (ageMin < guarded.fromMin) return 'opening';
  return ageMin < (closingFrom(window) ?? Infinity) ? 'open' : 'closing';
}
