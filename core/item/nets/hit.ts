import { boundingBox, type Polygon } from '#core/item/geometry';
import type { Make } from '#core/item/make';
import { lowHalf } from './low-half';
import type { Zone } from './net';

interface Lying extends Pick<Make, 'piece'> {
  readonly id: string;
  readonly zone?: Zone | undefined;
  readonly outlineMm: Polygon;
}

/** Tops of the item that lie within this share of its length behind the nose meet what flies: bonnets, noses, leading edges. */
const FOREMOST = 0.3;

/** Panels stones hit or hands touch: the front, the foremost of the tops, the lower half, mirrors and handle recesses. */
export function hitHarder(panels: readonly Lying[]): ReadonlySet<string> {
  const boxes = panels.map(({ outlineMm }) => boundingBox(outlineMm));
  const from = Math.min(...boxes.map(({ minX }) => minX));
  const to = Math.max(...boxes.map(({ maxX }) => maxX));
  const low = lowHalf(panels);
  return new Set(
    panels.flatMap(({ id, zone, piece }, at) => {
      const { minX, maxX } = boxes[at]!;
      const foremost = zone === 'top' && (minX + maxX) / 2 < from + FOREMOST * (to - from);
      const touched = piece === 'mirror' || piece === 'handle-recess';
      return zone === 'front' || foremost || touched || low.has(id) ? [id] : [];
    }),
  );
}
