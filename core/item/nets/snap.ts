import { nearestOnSegment, type Point, type Polygon } from '#core/item/geometry';

/** What a point being drawn was drawn to. */
export type SnappedTo = 'corner' | 'edge' | 'level' | 'upright';

export interface Snapped {
  readonly point: Point;
  readonly to?: SnappedTo;
}

const far = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(ax - bx, ay - by);

/**
 * Draws a point to what lies near: first a corner, then an edge, then level with or upright over the point
 * before it.
 * @param reachMm how near is near
 */
export function snap(
  point: Point,
  { outlines, from, reachMm }: { outlines: readonly Polygon[]; from?: Point | undefined; reachMm: number },
): Snapped {
  const corner = nearest(point, outlines, reachMm, (start) => start);
  if (corner) return { point: corner, to: 'corner' };
  const edge = nearest(point, outlines, 0.6 * reachMm, (start, end) => nearestOnSegment(start, end, point));
  if (edge) return { point: edge, to: 'edge' };
  if (from) {
    const [x, y] = point;
    if (Math.abs(y - from[1]) < 0.6 * reachMm) return { point: [x, from[1]], to: 'level' };
    if (Math.abs(x - from[0]) < 0.6 * reachMm) return { point: [from[0], y], to: 'upright' };
  }
  return { point };
}

/** The nearest of what each side of the outlines offers; sides out of reach are not asked. */
function nearest(
  point: Point,
  outlines: readonly Polygon[],
  reachMm: number,
  offer: (start: Point, end: Point) => Point,
): Point | undefined {
  const [x, y] = point;
  let found: Point | undefined;
  let best = reachMm;
  for (const outline of outlines) {
    for (let index = 0; index < outline.length; index++) {
      const start = outline[index]!;
      const end = outline[(index + 1) % outline.length]!;
      if (Math.min(start[0], end[0]) - reachMm > x || Math.max(start[0], end[0]) + reachMm < x) continue;
      if (Math.min(start[1], end[1]) - reachMm > y || Math.max(start[1], end[1]) + reachMm < y) continue;
      const candidate = offer(start, end);
      const distance = far(point, candidate);
      if (distance < best) [found, best] = [candidate, distance];
    }
  }
  return found;
}
