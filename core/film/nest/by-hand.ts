import { Bench, TOUCHING_MM } from './layout';
import type { NestCase } from './nest';
import { pieceKey, type Placement } from './pieces';

/** Put down no farther than this from a free place, mm, a piece snaps to it. */
const REACH_MM = 220;

/**
 * Where a piece moved by hand comes to lie: where it was put if that is free, else at the nearest place beside what lies
 * there or the edge of the roll; undefined where nothing near is free. All others stay.
 */
export function putDown(job: NestCase, placements: readonly Placement[], moved: Placement): Placement | undefined {
  const others = placements.filter(({ id, copy }) => id !== moved.id || copy !== moved.copy);
  const bench = new Bench({ ...job, pinned: others });
  const item = bench.items.find(({ id, copy }) => id === moved.id && copy === moved.copy);
  const variant = item?.variants.find(({ turn }) => turn === moved.turn);
  if (!variant) return undefined;
  const { minX, maxX, minY, maxY } = variant.bounds;
  const [left, low, high] = [-minX, -minY, bench.widthMm - maxY];
  const rollLengthMm = job.rollLengthMm ?? Infinity;
  const right = rollLengthMm - maxX;
  const isFree = (x: number, y: number) =>
    bench.isOnRoll(variant, x, y, rollLengthMm) && bench.inFlaws(variant, x, y) <= TOUCHING_MM;
  const { xMm, yMm } = moved;
  const kept = [Math.max(left, Math.min(right, xMm)), Math.max(low, Math.min(high, yMm))] as const;
  const places: (readonly [number, number])[] = [[xMm, yMm], kept];
  for (const [x, y] of bench.flawCorners(variant)) places.push([x, y], [x, kept[1]], [kept[0], y]);
  const far = ([x, y]: readonly [number, number]) => Math.hypot(x - xMm, y - yMm);
  const nearest = places
    .filter((place) => far(place) <= REACH_MM)
    .sort((a, b) => far(a) - far(b))
    .find(([x, y]) => isFree(x, y));
  return nearest && { ...moved, xMm: nearest[0], yMm: nearest[1] };
}

/**
 * What of a layout does not lie clear any more: in a flaw, off the roll, or in another piece, of which the later is named.
 * A blank that has grown, a flaw found since, a roll that has become shorter make it so.
 */
export function notClear(job: NestCase, placements: readonly Placement[]): Placement[] {
  // Only the turns they lie in: nothing is nested here.
  const pieces = job.pieces.map((piece) => ({
    ...piece,
    turns: [...new Set(placements.filter(({ id }) => id === piece.id).map(({ turn }) => turn))],
  }));
  const bench = new Bench({ ...job, pieces, pinned: [] });
  const laid = bench.laidBefore(placements, job.rollLengthMm ?? Infinity);
  const clear = new Set(bench.items.flatMap((item, index) => (laid[index] ? [pieceKey(item)] : [])));
  return placements.filter((placement) => !clear.has(pieceKey(placement)));
}
