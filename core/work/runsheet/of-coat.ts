import type { SurfaceCoat } from './coats';
import type { CopyCoat, Dispatched, RefusedCopy } from './dispatch';

/** What became of one coat of a surface, all its copies. */
export interface OfCoat {
  readonly laid: readonly CopyCoat[];
  readonly refused: readonly RefusedCopy[];
  /** When its sections are begun, as they come. */
  readonly startsMin: readonly number[];
  /** Somebody's hours left no room for some of it. */
  readonly unlaid: boolean;
}

/** A sheet coat by coat. */
export function byCoat(
  coats: readonly (readonly SurfaceCoat[])[],
  { laid, begunOnly, refused, unlaid, actions }: Dispatched,
): ReadonlyMap<SurfaceCoat, OfCoat> {
  const each = new Map(
    coats
      .flat()
      .map((coat) => [
        coat,
        { laid: [] as CopyCoat[], refused: [] as RefusedCopy[], startsMin: [] as number[], unlaid: false },
      ]),
  );
  for (const copy of [...laid, ...begunOnly]) each.get(copy.coat)!.laid.push(copy);
  for (const copy of refused) each.get(copy.coat)!.refused.push(copy);
  for (const { coat } of unlaid) each.get(coat)!.unlaid = true;
  for (const { coat, does, startMin } of actions) if (does === 'lay') each.get(coat)!.startsMin.push(startMin);
  return each;
}
