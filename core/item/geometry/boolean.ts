import { Clipper, EndType, FillRule, JoinType, type PathD, type PathsD } from 'clipper2-ts';
import { firstSelfCrossing, segmentsMeet } from './crossing';
import {
  boundingBox,
  type Box,
  containsPoint,
  type Point,
  type Polygon,
  polygonAreaM2,
  signedAreaMm2,
} from './polygon';
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

/** The box two boxes have in common; undefined where they have none. */
function commonBox(p: Box, q: Box): Box | undefined {
  const box = {
    minX: Math.max(p.minX, q.minX),
    minY: Math.max(p.minY, q.minY),
    maxX: Math.min(p.maxX, q.maxX),
    maxY: Math.min(p.maxY, q.maxY),
  };
  return box.minX < box.maxX && box.minY < box.maxY ? box : undefined;
}

/** An outline with its box, reckoned once for many comparisons. */
export interface BoxedOutline {
  readonly outline: Polygon;
  readonly box: Box;
}

export const boxed = (outline: Polygon): BoxedOutline => ({ outline, box: boundingBox(outline) });

type Edge = readonly [from: Point, to: Point];

function edgesWithin(outline: Polygon, { minX, minY, maxX, maxY }: Box): Edge[] {
  return outline.flatMap((from, index): Edge[] => {
    const to = outline[(index + 1) % outline.length]!;
    const away =
      Math.max(from[0], to[0]) < minX ||
      Math.min(from[0], to[0]) > maxX ||
      Math.max(from[1], to[1]) < minY ||
      Math.min(from[1], to[1]) > maxY;
    return away ? [] : [[from, to]];
  });
}

/** Whether outlines may have area in common: their edges cross, or one lies in the other. Cheap where neighbours only come near. */
function mayMeet(a: Polygon, b: Polygon, common: Box): boolean {
  const [edgesOfA, edgesOfB] = [edgesWithin(a, common), edgesWithin(b, common)];
  if (edgesOfA.some((edge) => edgesOfB.some((other) => segmentsMeet(edge, other)))) return true;
  return containsPoint(b, a[0]!) || containsPoint(a, b[0]!);
}

/** Area two simple outlines, mm, have in common, m². */
export function overlapM2(a: BoxedOutline, b: BoxedOutline): number {
  const common = commonBox(a.box, b.box);
  if (!common || !mayMeet(a.outline, b.outline, common)) return 0;
  const both = Clipper.intersectD(oriented([a.outline]), oriented([b.outline]), FillRule.NonZero, PRECISION);
  return both.map(polygon).reduce((sum, outline) => sum + signedAreaMm2(outline), 0) / 1e6;
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

/**
 * A strip along an edge of an outline, so deep, mm, and what is left beside it. Undefined where the strip would take the
 * whole, or leave more than one piece.
 * @param line the edge, as points of the outline in their order
 */
export function partedAlongEdge(
  outline: Polygon,
  line: readonly Point[],
  depthMm: number,
): { readonly strip: Polygon; readonly rest: Polygon } | undefined {
  const near = Clipper.inflatePathsD([pathD(line)], depthMm, JoinType.Miter, EndType.Square, MITER_LIMIT, PRECISION);
  const strips = Clipper.intersectD(oriented([outline]), near, FillRule.NonZero, PRECISION).map(polygon);
  const [strip] = strips.toSorted((a, b) => polygonAreaM2(b) - polygonAreaM2(a));
  const rest = strip ? without(outline, [strip]) : [];
  return strip && rest.length === 1 ? { strip, rest: rest[0]! } : undefined;
}
