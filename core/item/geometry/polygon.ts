/** A point on a flat drawing, millimetres. */
export type Point = readonly [xMm: number, yMm: number];
/** A closed outline, first point not repeated, at least three points, either direction. */
export type Polygon = readonly Point[];

export interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

const MM2_PER_M2 = 1e6;

/**
 * Twice-signed area in mm² by the shoelace formula: positive when counter-clockwise with y up.
 * @example signedAreaMm2([[0, 0], [10, 0], [10, 5], [0, 5]]) // 50: counter-clockwise with y up
 */
export function signedAreaMm2(polygon: Polygon): number {
  let doubled = 0;
  for (const [index, [x, y]] of polygon.entries()) {
    const [nextX, nextY] = polygon[(index + 1) % polygon.length]!;
    doubled += x * nextY - nextX * y;
  }
  return doubled / 2;
}

/**
 * Area in m².
 * @example polygonAreaM2([[0, 0], [1000, 0], [1000, 500], [0, 500]]) // 0.5
 */
export function polygonAreaM2(polygon: Polygon): number {
  return Math.abs(signedAreaMm2(polygon)) / MM2_PER_M2;
}

/** Length of the whole edge, mm. */
export function perimeterMm(polygon: Polygon): number {
  return polygon.reduce((sum, [x, y], index) => {
    const [nextX, nextY] = polygon[(index + 1) % polygon.length]!;
    return sum + Math.hypot(nextX - x, nextY - y);
  }, 0);
}

/** Axis-aligned box around points. @throws RangeError for none. */
export function boundingBox(points: readonly Point[]): Box {
  if (points.length === 0) throw new RangeError('no points, no box');
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) };
}

/** Distance from a point to the nearest edge of an outline, mm. */
export function distanceToEdgeMm(outline: Polygon, point: Point): number {
  return Math.min(
    ...outline.map((from, index) => {
      const [x, y] = nearestOnSegment(from, outline[(index + 1) % outline.length]!, point);
      return Math.hypot(point[0] - x, point[1] - y);
    }),
  );
}

/** The point of a segment nearest to another point. */
export function nearestOnSegment([x1, y1]: Point, [x2, y2]: Point, [x, y]: Point): Point {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const squared = dx * dx + dy * dy;
  const share = squared === 0 ? 0 : Math.min(1, Math.max(0, ((x - x1) * dx + (y - y1) * dy) / squared));
  return [x1 + share * dx, y1 + share * dy];
}

/** Whether a point lies inside an outline (even-odd rule). */
export function containsPoint(outline: Polygon, [x, y]: Point): boolean {
  return outline.reduce((within, [x1, y1], index) => {
    const [x2, y2] = outline[(index + 1) % outline.length]!;
    return y1 > y !== y2 > y && x < x1 + ((y - y1) * (x2 - x1)) / (y2 - y1) ? !within : within;
  }, false);
}

/** Part of an outline on one side of a line across the given axis; empty when nothing is there. */
function keepSide(polygon: Polygon, axis: 0 | 1, limit: number, keep: 'below' | 'above'): Polygon {
  const inside = (point: Point) => (keep === 'below' ? point[axis] <= limit : point[axis] >= limit);
  const kept: Point[] = [];
  for (const [index, point] of polygon.entries()) {
    const next = polygon[(index + 1) % polygon.length]!;
    if (inside(point)) kept.push(point);
    if (inside(point) !== inside(next)) {
      const share = (limit - point[axis]) / (next[axis] - point[axis]);
      const crossing: Point = [point[0] + share * (next[0] - point[0]), point[1] + share * (next[1] - point[1])];
      kept.push(crossing);
    }
  }
  return kept;
}

/** Which way an outline is longer: 0 along x, 1 along y. */
export function longAxis(polygon: Polygon): 0 | 1 {
  const { minX, maxX, minY, maxY } = boundingBox(polygon);
  return maxX - minX >= maxY - minY ? 0 : 1;
}

/** Places along an axis at which lines across it part an outline into shares of its area that add up so far. */
export function cutsAt(polygon: Polygon, axis: 0 | 1, shares: readonly number[]): number[] {
  const { minX, maxX, minY, maxY } = boundingBox(polygon);
  const [low, high] = axis === 0 ? [minX, maxX] : [minY, maxY];
  const whole = Math.abs(signedAreaMm2(polygon));
  return shares.map((share) => cutAt(polygon, axis, low, high, whole * share));
}

/** The strips between lines across an axis, in order. They add up to the outline. @param places ascending */
export function stripsBetween(polygon: Polygon, axis: 0 | 1, places: readonly number[]): Polygon[] {
  let rest = polygon;
  const strips = places.map((place) => {
    const strip = keepSide(rest, axis, place, 'below');
    rest = keepSide(rest, axis, place, 'above');
    return strip;
  });
  return [...strips, rest];
}

/** Where a line across the axis leaves `areaMm2` below it, by bisection (the area grows with the line). */
function cutAt(polygon: Polygon, axis: 0 | 1, low: number, high: number, areaMm2: number): number {
  let [below, above] = [low, high];
  for (let step = 0; step < 50; step++) {
    const middle = (below + above) / 2;
    const area = Math.abs(signedAreaMm2(keepSide(polygon, axis, middle, 'below')));
    if (area < areaMm2) below = middle;
    else above = middle;
  }
  return (below + above) / 2;
}
