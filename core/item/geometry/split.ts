import { type Point, type Polygon, signedAreaMm2 } from './polygon';

/** Pieces smaller than this share of the whole are slips of the line, not pieces. */
const SMALLEST_PIECE = 1e-6;
/** A corner nearer to the line than this, mm, would be on neither side; the line then gives way by twice as much. */
const CORNER_CLEARANCE_MM = 0.05;

interface Crossing {
  readonly at: Point;
  /** Place along the line. */
  readonly along: number;
}

/** Corners of one side of the line in a row, from one crossing to the next. */
interface Chain {
  readonly from: Crossing;
  readonly to: Crossing;
  readonly corners: readonly Point[];
  readonly left: boolean;
}

/**
 * Cuts a simple outline, mm, along the line through two points. The pieces are simple outlines that add up to the
 * whole; a hollow outline may fall into more than two. One piece, the outline itself: the line misses it.
 * @throws RangeError where both points are one.
 */
export function splitAlong(outline: Polygon, a: Point, b: Point): Polygon[] {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (!(length > 0)) throw new RangeError('a line needs two points');
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  let shift = 0;
  const side = ([x, y]: Point) => ux * (y - a[1]) - uy * (x - a[0]) - shift;
  while (outline.some((corner) => Math.abs(side(corner)) < CORNER_CLEARANCE_MM)) shift += 2 * CORNER_CLEARANCE_MM;

  const chains = chainsOf(outline, side, ([x, y]) => ux * (x - a[0]) + uy * (y - a[1]));
  if (chains.length < 2) return [outline];
  const partner = partners(chains);
  const pieces = [true, false].flatMap((left) =>
    loops(
      chains.filter((chain) => chain.left === left),
      partner,
    ),
  );
  const whole = Math.abs(signedAreaMm2(outline));
  return pieces.filter((piece) => Math.abs(signedAreaMm2(piece)) > SMALLEST_PIECE * whole);
}

function chainsOf(outline: Polygon, side: (p: Point) => number, along: (p: Point) => number): Chain[] {
  const count = outline.length;
  const sides = outline.map(side);
  const crossingAfter = (index: number): Crossing | undefined => {
    const [d, e] = [sides[index]!, sides[(index + 1) % count]!];
    if (d > 0 === e > 0) return undefined;
    const [p, q] = [outline[index]!, outline[(index + 1) % count]!];
    const share = d / (d - e);
    const at: Point = [p[0] + share * (q[0] - p[0]), p[1] + share * (q[1] - p[1])];
    return { at, along: along(at) };
  };
  const crossings = outline.flatMap((_, index) => {
    const crossing = crossingAfter(index);
    return crossing ? [{ crossing, index }] : [];
  });
  return crossings.map(({ crossing, index }, nth): Chain => {
    const next = crossings[(nth + 1) % crossings.length]!;
    const corners: Point[] = [];
    for (let corner = (index + 1) % count; ; corner = (corner + 1) % count) {
      corners.push(outline[corner]!);
      if (corner === next.index) break;
    }
    return { from: crossing, to: next.crossing, corners, left: sides[(index + 1) % count]! > 0 };
  });
}

/** Along the line, inside and outside alternate: crossings belong together two by two. */
function partners(chains: readonly Chain[]): ReadonlyMap<Crossing, Crossing> {
  const sorted = chains.map(({ from }) => from).sort((a, b) => a.along - b.along);
  const pairs = new Map<Crossing, Crossing>();
  for (let index = 0; index + 1 < sorted.length; index += 2) {
    pairs.set(sorted[index]!, sorted[index + 1]!);
    pairs.set(sorted[index + 1]!, sorted[index]!);
  }
  return pairs;
}

/** Closes the chains of one side along the cut. */
function loops(chains: readonly Chain[], partner: ReadonlyMap<Crossing, Crossing>): Polygon[] {
  const startingAt = new Map(chains.map((chain) => [chain.from, chain]));
  const left = new Set(chains);
  const pieces: Polygon[] = [];
  for (const first of chains) {
    if (!left.has(first)) continue;
    const piece: Point[] = [];
    for (let chain: Chain | undefined = first; chain && left.has(chain);) {
      left.delete(chain);
      piece.push(chain.from.at, ...chain.corners, chain.to.at);
      chain = startingAt.get(partner.get(chain.to)!);
    }
    pieces.push(piece);
  }
  return pieces;
}
