import { useMemo } from 'react';
import { MS_PER_MIN } from '#core/measures';
import type { CoatWindow } from '#core/plan/job';
import { windowMoments } from '#core/lay/run';
import { useLastPassed } from '../../ui/useLastPassed';

/** A patch that lies, or may lie from then on, and its window. */
interface Aged {
  /** Minutes after the job's start. */
  readonly startMin: number;
  readonly window: CoatWindow;
}

/**
 * Now, minutes after a job's start, renewed as one of these patches begins or its window becomes another, and not in
 * between: what counts by the second counts for itself.
 */
export function useNowAmong(startAt: string, patches: readonly Aged[]): number {
  const startMs = Date.parse(startAt);
  const moments = useMemo(
    () => [
      startMs,
      ...patches.flatMap(({ startMin, window }) =>
        [0, ...windowMoments(window)].map((min) => startMs + (startMin + min) * MS_PER_MIN),
      ),
    ],
    [patches, startMs],
  );
  return (useLastPassed(moments) - startMs) / MS_PER_MIN;
}

/** The age of one patch, minutes, renewed the same way; negative before it begins. */
export function useAge(startAt: string, startMin: number, window: CoatWindow): number {
  const patches = useMemo(() => [{ startMin, window }], [startMin, window]);
  return useNowAmong(startAt, patches) - startMin;
}

/** The age of a patch at this very moment, for what a tap decides, minutes. */
export const ageAtTap = (startAt: string, startMin: number): number =>
  (Date.now() - Date.parse(startAt)) / MS_PER_MIN - startMin;
