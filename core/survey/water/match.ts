import type { Point } from '#core/item/geometry';

/** A point of a picture and the place on the sheet it shows. */
export interface MatchedPoint {
  /** Pixels of the picture, or any square unit of it. */
  readonly picture: Point;
  /** Millimetres of the sheet. */
  readonly sheet: Point;
}

/** x' = a·x + c·y + e, y' = b·x + d·y + f: in the order SVG writes a matrix. */
export type Laying = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export interface PictureMatch {
  readonly toSheet: Laying;
  /** How far the matched points lie from where the picture puts them, mm, root of the mean square; 0 with two points. */
  readonly offMm: number;
}

export const moved = ([a, b, c, d, e, f]: Laying, [x, y]: Point): Point => [a * x + c * y + e, b * x + d * y + f];

/** The way back. @throws RangeError where it lays the picture into a line */
export function turnedBack([a, b, c, d, e, f]: Laying): Laying {
  const det = a * d - b * c;
  if (Math.abs(det) < 1e-12) throw new RangeError('this picture is laid into a line');
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/**
 * How a picture lies on the sheet by matched points, least squares: two turn and scale it, three or more also shear it,
 * as a camera held at a slant does.
 * @returns undefined with fewer than two points, or where they lie too close together (or, from three on, on one line and
 *   twice in one place) to say how it lies
 */
export function matchPicture(points: readonly MatchedPoint[]): PictureMatch | undefined {
  if (points.length < 2) return undefined;
  const toSheet = (points.length > 2 && sheared(points)) || turned(points);
  if (!toSheet?.every(Number.isFinite)) return undefined;
  const [a, b, c, d] = toSheet;
  if (Math.abs(a * d - b * c) < 1e-9) return undefined;
  const squares = points.map(({ picture, sheet }) => {
    const [x, y] = moved(toSheet, picture);
    return (x - sheet[0]) ** 2 + (y - sheet[1]) ** 2;
  });
  const offMm = Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / squares.length);
  return { toSheet, offMm };
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Both sets of points around their own middles. */
function centred(points: readonly MatchedPoint[]) {
  const [px, py] = [0, 1].map((axis) => mean(points.map(({ picture }) => picture[axis]!))) as [number, number];
  const [sx, sy] = [0, 1].map((axis) => mean(points.map(({ sheet }) => sheet[axis]!))) as [number, number];
  const pairs = points.map(({ picture, sheet }) => ({
    x: picture[0] - px,
    y: picture[1] - py,
    u: sheet[0] - sx,
    v: sheet[1] - sy,
  }));
  const sum = (of: (pair: (typeof pairs)[number]) => number) => pairs.reduce((total, pair) => total + of(pair), 0);
  const around = (a: number, b: number, c: number, d: number): Laying => [
    a,
    b,
    c,
    d,
    sx - a * px - c * py,
    sy - b * px - d * py,
  ];
  return { sum, around };
}

/** Turned and scaled alike in both directions. */
function turned(points: readonly MatchedPoint[]): Laying | undefined {
  const { sum, around } = centred(points);
  const size = sum(({ x, y }) => x * x + y * y);
  if (size < 1e-12) return undefined;
  const a = sum(({ x, y, u, v }) => x * u + y * v) / size;
  const b = sum(({ x, y, u, v }) => x * v - y * u) / size;
  return around(a, b, -b, a);
}

/** Sheared as well; undefined where the points lie on one line. */
function sheared(points: readonly MatchedPoint[]): Laying | undefined {
  const { sum, around } = centred(points);
  const [xx, xy, yy] = [sum(({ x }) => x * x), sum(({ x, y }) => x * y), sum(({ y }) => y * y)];
  const det = xx * yy - xy * xy;
  // On one line as good as: it would be stretched without end across it.
  if (det < (1e-3 * (xx + yy) ** 2) / 4) return undefined;
  const of = (target: (pair: { u: number; v: number }) => number) => {
    const [tx, ty] = [sum((pair) => pair.x * target(pair)), sum((pair) => pair.y * target(pair))];
    return [(tx * yy - ty * xy) / det, (ty * xx - tx * xy) / det] as const;
  };
  const [a, c] = of(({ u }) => u);
  const [b, d] = of(({ v }) => v);
  return around(a, b, c, d);
}
