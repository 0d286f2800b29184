import { boundingBox, type Polygon } from '#core/item/geometry';
import type { Zone } from './net';

interface Lying {
  readonly id: string;
  readonly zone?: Zone | undefined;
  /** As it lies on the sheet, mm. */
  readonly outlineMm: Polygon;
}

/** How far down an outline reaches on the sheet, by its zone: sides unfold outwards, ends forwards and backwards. */
const DOWN: Readonly<Partial<Record<Zone, (outline: Polygon) => number>>> = {
  left: (outline) => middle(outline)[1],
  right: (outline) => -middle(outline)[1],
  front: (outline) => -middle(outline)[0],
  rear: (outline) => middle(outline)[0],
};

function middle(outline: Polygon): readonly [x: number, y: number] {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  return [(minX + maxX) / 2, (minY + maxY) / 2];
}

/** Panels in the lower half of their side of an item, where road film sits; what is underneath is low, a top never. */
export function lowHalf(panels: readonly Lying[]): ReadonlySet<string> {
  const low = new Set(panels.filter(({ zone }) => zone === 'under').map(({ id }) => id));
  for (const [zone, down] of Object.entries(DOWN)) {
    const own = panels.filter((panel) => panel.zone === zone).map(({ id, outlineMm }) => ({ id, at: down(outlineMm) }));
    const places = own.map(({ at }) => at);
    const half = (Math.min(...places) + Math.max(...places)) / 2;
    for (const { id, at } of own) if (own.length > 1 && at > half) low.add(id);
  }
  return low;
}
