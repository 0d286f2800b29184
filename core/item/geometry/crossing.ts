import { boundingBox, type Point, type Polygon } from './polygon';

/**
 * First place where an outline crosses or touches itself, as the indices of the two edges (edge i runs from
 * point i to the next); null for a simple outline. Adjacent edges may share their common point. Edges are looked for
 * in a grid of as many squares as there are edges, so that only near ones are compared.
 */
export function firstSelfCrossing(polygon: Polygon): readonly [number, number] | null {
  const count = polygon.length;
  if (count < 4) return null;
  const squaresOn = gridOver(polygon);
  const squaresOf = polygon.map((_, index) => squaresOn(edge(polygon, index)));
  const inSquare = new Map<number, number[]>();
  for (const [index, own] of squaresOf.entries()) {
    for (const square of own) {
      const there = inSquare.get(square);
      if (there) there.push(index);
      else inSquare.set(square, [index]);
    }
  }
  for (let first = 0; first < count; first++) {
    let met = Infinity;
    for (const square of squaresOf[first]!) {
      for (const second of inSquare.get(square)!) {
        if (second < first + 2 || second >= met || (first === 0 && second === count - 1)) continue;
        if (segmentsMeet(edge(polygon, first), edge(polygon, second))) met = second;
      }
    }
    if (met < Infinity) return [first, met];
  }
  return null;
}

/** A share of a square by which a segment is taken to be wider than it is, against rounding at its border. */
const HAIR = 1e-6;

/** A grid over an outline: which of its squares a segment runs through. */
function gridOver(polygon: Polygon): (segment: Segment) => number[] {
  const { minX, minY, maxX, maxY } = boundingBox(polygon);
  const across = Math.ceil(Math.sqrt(polygon.length));
  const [wide, high] = [(maxX - minX) / across || 1, (maxY - minY) / across || 1];
  const nth = (share: number) => Math.min(across - 1, Math.max(0, Math.floor(share)));
  return ([[x1, y1], [x2, y2]]) => {
    const own: number[] = [];
    const [left, right] = [Math.min(x1, x2), Math.max(x1, x2)];
    const rowsBetween = (from: number, to: number) => {
      const steep = x1 === x2 ? 0 : (y2 - y1) / (x2 - x1);
      const ys = x1 === x2 ? [y1, y2] : [y1 + (from - x1) * steep, y1 + (to - x1) * steep];
      return [nth((Math.min(...ys) - minY) / high - HAIR), nth((Math.max(...ys) - minY) / high + HAIR)] as const;
    };
    for (let column = nth((left - minX) / wide - HAIR); column <= nth((right - minX) / wide + HAIR); column++) {
      const within = (x: number) => Math.min(right, Math.max(left, x));
      const [low, top] = rowsBetween(within(minX + column * wide), within(minX + (column + 1) * wide));
      for (let row = low; row <= top; row++) own.push(column * across + row);
    }
    return own;
  };
}

type Segment = readonly [Point, Point];

function edge(polygon: Polygon, index: number): Segment {
  return [polygon[index]!, polygon[(index + 1) % polygon.length]!];
}

/** Whether two segments are too far apart to meet, told without rounding: collinear ones, as along a cut, would fool the signs below. */
function areApart([a, b]: Segment, [c, d]: Segment): boolean {
  return ([0, 1] as const).some(
    (axis) =>
      Math.max(a[axis], b[axis]) < Math.min(c[axis], d[axis]) ||
      Math.max(c[axis], d[axis]) < Math.min(a[axis], b[axis]),
  );
}

/** Whether two segments cross or touch. */
export function segmentsMeet([a, b]: Segment, [c, d]: Segment): boolean {
  if (areApart([a, b], [c, d])) return false;
  const side = (p: Point, q: Point, r: Point) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]));
  const within = (p: Point, q: Point, r: Point) =>
    Math.min(p[0], q[0]) <= r[0] &&
    r[0] <= Math.max(p[0], q[0]) &&
    Math.min(p[1], q[1]) <= r[1] &&
    r[1] <= Math.max(p[1], q[1]);
  const [cSide, dSide, aSide, bSide] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  if (cSide !== dSide && aSide !== bSide && cSide * dSide <= 0 && aSide * bSide <= 0) {
    return cSide * dSide < 0 || aSide * bSide < 0 || within(a, b, c) || within(a, b, d);
  }
  return (
    (cSide === 0 && within(a, b, c)) ||
    (dSide === 0 && within(a, b, d)) ||
    (aSide === 0 && within(c, d, a)) ||
    (bSide === 0 && within(c, d, b))
  );
}
