import { Clipper, EndType, JoinType } from 'clipper2-ts';
import { boundingBox, type Box, type Point, type Polygon, polygonAreaM2, signedAreaMm2 } from '#core/item/geometry';
import { convexParts } from './convex-parts';

/** One outline to be cut out of the roll, mm, so many times. */
export interface NestPiece {
  readonly id: string;
  readonly outline: Polygon;
  readonly count: number;
  /** Degrees it may be turned by about its origin; never mirrored. */
  readonly turns: readonly number[];
}

/** Where a piece lies: turned about its origin, degrees, then moved, mm; copies count from 1. */
export interface Placement {
  readonly id: string;
  readonly copy: number;
  readonly turn: number;
  readonly xMm: number;
  readonly yMm: number;
}

/** Name of one copy of a piece among all that are cut. */
export const pieceKey = ({ id, copy }: Pick<Placement, 'id' | 'copy'>): string => `${id}/${copy}`;
/** Every copy of some pieces, by its name. */
export const pieceKeys = (pieces: readonly Pick<NestPiece, 'id' | 'count'>[]): string[] =>
  pieces.flatMap(({ id, count }) => Array.from({ length: count }, (_, nth) => pieceKey({ id, copy: nth + 1 })));

/** A piece turned: its bounds as cut, and itself with half the gap round it. */
export interface Variant {
  /** Its place among all variants of a nest. */
  readonly index: number;
  readonly piece: number;
  readonly turn: number;
  readonly bounds: Box;
  /** With half the gap round it, counter-clockwise, y up; and the same as convex parts. */
  readonly outline: Polygon;
  readonly parts: readonly Polygon[];
  /** Bounds of that. */
  readonly room: Box;
}

const PRECISION = 3;
/** Outlines of more corners are nested by fewer, this far outside at most, mm. */
const MANY_CORNERS = 16;
const ROUGH_MM = 1.5;
/** Corners are kept square so far out, in gaps: no two cuts come nearer than the gap anywhere. */
const MITER_LIMIT = 12;

/** An outline turned about its origin, degrees counter-clockwise. */
export function turned(outline: Polygon, degrees: number): Polygon {
  const quarter = ((degrees % 360) + 360) % 360;
  const [cos, sin] = EXACT.get(quarter) ?? [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return outline.map(([x, y]): Point => [x * cos - y * sin, x * sin + y * cos]);
}
const EXACT = new Map<number, readonly [number, number]>([
  [0, [1, 0]],
  [90, [0, 1]],
  [180, [-1, 0]],
  [270, [0, -1]],
]);

/** A piece's outline as it lies. */
export const lain = (outline: Polygon, { turn, xMm, yMm }: Placement): Polygon =>
  turned(outline, turn).map(([x, y]): Point => [x + xMm, y + yMm]);

/** Every way a piece may lie. */
export function variantsOf({ outline, turns }: NestPiece, piece: number, first: number, gapMm: number): Variant[] {
  return turns.map((turn, nth) => {
    const own = turned(outline, turn);
    const room = grown(own, gapMm / 2);
    const around = signedAreaMm2(room) < 0 ? room.toReversed() : room;
    return {
      index: first + nth,
      piece,
      turn,
      bounds: boundingBox(own),
      outline: around,
      parts: convexParts(around),
      room: boundingBox(around),
    };
  });
}

/**
 * An outline with room round it. One of many corners is drawn a little larger with fewer: what is nested covers what is cut,
 * and its no-fit polygons stay small.
 */
function grown(outline: Polygon, byMm: number): Polygon {
  const rough = outline.length > MANY_CORNERS;
  if (byMm <= 0 && !rough) return outline;
  const path = outline.map(([x, y]) => ({ x, y }));
  const by = byMm + (rough ? ROUGH_MM : 0);
  const [largest] = Clipper.inflatePathsD([path], by, JoinType.Miter, EndType.Polygon, MITER_LIMIT, PRECISION)
    .map((each) => (rough ? Clipper.ramerDouglasPeuckerD(each, ROUGH_MM) : each))
    .map((each) => each.map(({ x, y }): Point => [x, y]))
    .sort((a, b) => polygonAreaM2(b) - polygonAreaM2(a));
  return largest ?? outline;
}
