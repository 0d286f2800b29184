import { nearestOnSegment, type Point, type Polygon } from '../geometry';

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
  const corner = nearest(point, outlines.flat(), reachMm);
  if (corner) return { point: corner, to: 'corner' };
  const onEdges = outlines.flatMap((outline) =>
    outline.map((start, index) => nearestOnSegment(start, outline[(index + 1) % outline.length]!, point)),
  );
  const edge = nearest(point, onEdges, 0.6 * reachMm);
  if (edge) return { point: edge, to: 'edge' };
  if (from) {
    const [x, y] = point;
    if (Math.abs(y - from[1]) < 0.6 * reachMm) return { point: [x, from[1]], to: 'level' };
    if (Math.abs(x - from[0]) < 0.6 * reachMm) return { point: [from[0], y], to: 'upright' };
  }
  return { point };
}

function nearest(point: Point, candidates: readonly Point[], reachMm: number): Point | undefined {
  let found: Point | undefined;
  let best = reachMm;
  for (const candidate of candidates) {
    const distance = far(point, candidate);
    if (distance < best) [found, best] = [candidate, distance];
  }
  return found;
}
