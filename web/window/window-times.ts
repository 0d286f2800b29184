import type { CoatWindow } from '#core/plan/job';
import type { WindowTimes } from './WindowDrawing';

/** A coat's window as the gate draws it; undefined where it never opens. */
export function windowTimes(window: CoatWindow): WindowTimes | undefined {
  const { levelFromMin, levelByMin, guarded, cueMin } = window;
  if (levelFromMin === null || !guarded) return undefined;
  return {
    fromMin: levelFromMin,
    byMin: levelByMin,
    guardedFromMin: guarded.fromMin,
    guardedByMin: guarded.byMin,
    cueMin: cueMin ?? undefined,
  };
}
