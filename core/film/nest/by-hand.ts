import { Bench, TOUCHING_MM } from './layout';
import type { NestCase } from './nest';
import type { Placement } from './pieces';

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
  const right = (job.rollLengthMm ?? Infinity) - maxX;
  const isFree = (x: number, y: number) =>
    x >= left - TOUCHING_MM &&
    x <= right + TOUCHING_MM &&
    y >= low - TOUCHING_MM &&
    y <= high + TOUCHING_MM &&
    bench.inFlaws(variant, x, y) <= TOUCHING_MM;
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
