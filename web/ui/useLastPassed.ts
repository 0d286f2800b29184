import { useCallback, useSyncExternalStore } from 'react';

/** On the very millisecond a moment is neither over nor begun. */
const JUST_MS = 1;
/** No timer counts further, ms. */
const FURTHEST_MS = 2 ** 31 - 1;

/** Just after the last of these moments that has passed; just before the first where none has. */
function lastPassed(momentsMs: readonly number[], nowMs: number): number {
  const passed = momentsMs.filter((ms) => ms + JUST_MS <= nowMs);
  return passed.length > 0 ? Math.max(...passed) + JUST_MS : Math.min(...momentsMs) - JUST_MS;
}

/**
 * The time, for what is one thing until a moment and another after it: just after the last of these moments that has
 * passed, just before the first where none has. Renewed as one passes and not in between; right after sleep.
 * @param momentsMs instants, ms since the epoch, in any order, at least one; the same list until they are others
 */
export function useLastPassed(momentsMs: readonly number[]): number {
  const subscribe = useCallback(
    (renew: () => void) => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      const look = () => {
        clearTimeout(timer);
        renew();
        const now = Date.now();
        const next = Math.min(...momentsMs.filter((ms) => ms + JUST_MS > now)) + JUST_MS;
        if (next !== Infinity) timer = setTimeout(look, Math.min(next - now, FURTHEST_MS));
      };
      look();
      document.addEventListener('visibilitychange', look);
      return () => {
        clearTimeout(timer);
        document.removeEventListener('visibilitychange', look);
      };
    },
    [momentsMs],
  );
  return useSyncExternalStore(subscribe, () => lastPassed(momentsMs, Date.now()));
}
