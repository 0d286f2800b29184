import { type Make, PIECES } from '#core/item/make';
import { DEFAULT_PACE } from './section';

/** Minutes one square metre takes to lay and to level at the usual pace with a small block. */
const USUAL_MIN_PER_M2 = 1 / DEFAULT_PACE.layM2PerMin + 1 / DEFAULT_PACE.levelM2PerMin;

/**
 * How many times as long a part takes as a flat of its size: small shaped things go by the piece, and awkward ones by
 * their handling; never less than once.
 * @param areaM2 of one of it
 */
export function slowness({ piece, handling = 1 }: Make, areaM2: number): number {
  const byPiece = piece && areaM2 > 0 ? PIECES[piece].min / (areaM2 * USUAL_MIN_PER_M2) : 1;
  return Math.max(1, handling, byPiece);
}
