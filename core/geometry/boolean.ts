import { Clipper, EndType, FillRule, JoinType, type PathD, type PathsD } from 'clipper2-ts';
import { boundingBox, firstSelfCrossing, type Point, type Polygon, polygonAreaM2, signedAreaMm2 } from './polygon';
import { splitAlong } from './split';

/** Decimal places of a millimetre that outlines are reckoned with. */
const PRECISION = 3;
const MITER_LIMIT = 4;
/** Pieces smaller than this, m², are slivers of the reckoning, not pieces. */
const SLIVER_M2 = 1e-6;

const pathD = (outline: Polygon): PathD => outline.map(([x, y]) => ({ x, y }));
const polygon = (path: PathD): Polygon => path.map(({ x, y }): Point => [x, y]);

/** All outlines the same way round, so that they add up rather than cancel. */
const oriented = (outlines: readonly Polygon[]): PathsD =>
  outlines.map((outline) => pathD(signedAreaMm2(outline) < 0 ? outline.toReversed() : outline));

function boxesMeet(a: Polygon, b: Polygon): boolean {
  const [p, q] = [boundingBox(a), boundingBox(b)];
  return p.minX < q.maxX && q.minX < p.maxX && p.minY < q.maxY && q.minY < p.maxY;
}

/** Area two simple outlines, mm, have in common, m². */
export function overlapM2(a: Polygon, b: Polygon): number {
  if (!boxesMeet(a, b)) return 0;
  const common = Clipper.intersectD(oriented([a]), oriented([b]), FillRule.NonZero, PRECISION);
  return common.map(polygon).reduce((sum, outline) => sum + signedAreaMm2(outline), 0) / 1e6;
}

/**
 * One outline round two that touch, overlap or lie no further apart than a gap, mm: what lies in the gap is taken
 * in. Undefined where they lie further apart, or would leave a hole between them.
 */
export function joined(a: Polygon, b: Polygon, gapMm: number): Polygon | undefined {
  const grown = Clipper.inflatePathsD(
    oriented([a, b]),
    gapMm / 2,
    JoinType.Miter,
    EndType.Polygon,
    MITER_LIMIT,
    PRECISION,
  );
  const shrunk = Clipper.inflatePathsD(
    Clipper.unionD(grown, FillRule.NonZero),
    -gapMm / 2,
    JoinType.Miter,
    EndType.Polygon,
    MITER_LIMIT,
    PRECISION,
  );
  // Shrinking alone would round their own corners away: what was theirs stays theirs.
  const whole = Clipper.unionD(shrunk, oriented([a, b]), FillRule.NonZero, PRECISION)
    .map((path) => polygon(Clipper.trimCollinearD(path, PRECISION, false)))
    .filter((outline) => polygonAreaM2(outline) > SLIVER_M2);
  const [only] = whole;
  return whole.length === 1 && only && !firstSelfCrossing(only) ? only : undefined;
}

/**
 * What is left of an outline when others are cut out of it: pieces without holes, since a hole is cut open along
 * a line through its middle.
 */
export function without(outline: Polygon, others: readonly Polygon[]): Polygon[] {
  const left = Clipper.differenceD(oriented([outline]), oriented(others), FillRule.NonZero, PRECISION).map(polygon);
  const hole = left.find((piece) => signedAreaMm2(piece) < 0 && polygonAreaM2(piece) > SLIVER_M2);
  if (!hole) return left.filter((piece) => signedAreaMm2(piece) > 0 && polygonAreaM2(piece) > SLIVER_M2);
  const { minX, maxX } = boundingBox(hole);
  const middle = (minX + maxX) / 2;
  return splitAlong(outline, [middle, 0], [middle, 1]).flatMap((piece) => without(piece, others));
}
