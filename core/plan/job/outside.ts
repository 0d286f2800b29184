import { mayDo, type Person } from '#core/plan/crew';
import type { SurfaceCoat } from './surface-coat';
import type { LevelWindow } from '#core/time/clocks';

/** Minutes outside its window at the worse end of a section's path, laid and levelled as well as that can be; 0: inside. */
function leastOutside({ fromMin, byMin }: LevelWindow, layMin: number, levelMin: number, sameHands: boolean): number {
  const by = byMin ?? Infinity;
  const apart = Math.abs(levelMin - layMin);
  // The ages of both ends differ by this much; shared out over both sides, unless the near side is at its start already.
  const half = Math.max(0, (apart - (by - fromMin)) / 2);
  const spread = half <= fromMin ? half : apart - by;
  return sameHands ? Math.max(spread, Math.max(layMin, levelMin) - by, 0) : Math.max(spread, 0);
}

/**
 * How far a one-piece coat has to lie outside its window with these people, minutes: nothing where somebody alone, or
 * somebody following somebody else, can keep inside it.
 * @param alone nobody follows anybody: they are never there together
 */
export function mustLieOutside(
  { oneM2, layFactor, levelFactor }: Pick<SurfaceCoat, 'oneM2' | 'layFactor' | 'levelFactor'>,
  window: LevelWindow,
  people: readonly Person[],
  alone: boolean,
): number {
  let least = Infinity;
  for (const layer of people) {
    if (!mayDo(layer, 'lay')) continue;
    for (const leveller of people) {
      if (!mayDo(leveller, 'level') || (alone && leveller !== layer)) continue;
      const layMin = oneM2 / (layer.layM2PerMin * layFactor);
      const levelMin = oneM2 / (leveller.levelM2PerMin * levelFactor);
      least = Math.min(least, leastOutside(window, layMin, levelMin, leveller === layer));
    }
  }
  return least;
}
