import { Clipper, type PathD, TriangulateResult } from 'clipper2-ts';
import { type Point, type Polygon, signedAreaMm2 } from '#core/item/geometry';

/** Decimal places of a millimetre that triangles are reckoned with. */
const PRECISION = 3;
/** Bent inwards by less than this, mm², two edges are one line. */
const STRAIGHT_MM2 = 1e-6;

/**
 * A simple outline as convex parts that cover it: triangles, joined while what comes of it stays convex. All go round
 * counter-clockwise, y up.
 * @throws RangeError for an outline that crosses itself
 */
export function convexParts(outline: Polygon): Polygon[] {
  const ccw = signedAreaMm2(outline) < 0 ? outline.toReversed() : outline;
  if (isConvex(ccw)) return [ccw];
  const { result, solution } = Clipper.triangulateD([ccw.map(([x, y]) => ({ x, y }))], PRECISION);
  if (result !== TriangulateResult.success) throw new RangeError('an outline that crosses itself has no parts');
  return joined(solution.map(counterClockwise));
}

const counterClockwise = (path: PathD): Polygon => {
  const points = path.map(({ x, y }): Point => [x, y]);
  return signedAreaMm2(points) < 0 ? points.toReversed() : points;
};

function isConvex(outline: Polygon): boolean {
  return outline.every((point, index) => {
    const [a, b] = [outline[(index + 1) % outline.length]!, outline[(index + 2) % outline.length]!];
    return (a[0] - point[0]) * (b[1] - a[1]) - (a[1] - point[1]) * (b[0] - a[0]) >= -STRAIGHT_MM2;
  });
}

/** Parts that share an edge become one as long as it is convex. */
function joined(parts: readonly Polygon[]): Polygon[] {
  const left = [...parts];
  for (let index = 0; index < left.length; index++) {
    for (let other = index + 1; other < left.length; other++) {
      const both = acrossEdge(left[index]!, left[other]!);
      if (!both || !isConvex(both)) continue;
      left[index] = both;
      left.splice(other, 1);
      other = index;
    }
  }
  return left;
}

const same = (a: Point, b: Point) => Math.abs(a[0] - b[0]) < 1e-6 && Math.abs(a[1] - b[1]) < 1e-6;

/** Two outlines that share an edge, as one; undefined where they share none. */
function acrossEdge(a: Polygon, b: Polygon): Polygon | undefined {
  for (let i = 0; i < a.length; i++) {
    const [from, to] = [a[i]!, a[(i + 1) % a.length]!];
    const j = b.findIndex((point, index) => same(point, to) && same(b[(index + 1) % b.length]!, from));
    if (j === -1) continue;
    const around = Array.from({ length: b.length - 2 }, (_, step) => b[(j + 2 + step) % b.length]!);
    return [...a.slice(0, i + 1), ...around, ...a.slice(i + 1)];
  }
  return undefined;
}
