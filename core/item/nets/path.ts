import svgpath from 'svgpath';
import type { Point } from '#core/item/geometry';

/** Straight pieces per curve: 0.1 mm or better on any panel of a vehicle. */
const PIECES_PER_CURVE = 12;
const MOST_PIECES = 400;

export interface SubPath {
  /** The closing point is not repeated. */
  readonly points: readonly Point[];
  readonly closed: boolean;
}

/**
 * Points along a path written in SVG path notation (one sub-path), curves broken into short straight pieces;
 * the closing point is not repeated. The path's own units are kept.
 * @throws Error where the notation cannot be read.
 */
export function pathPoints(notation: string): readonly Point[] {
  return subPaths(notation)[0]?.points ?? [];
}

/**
 * Every sub-path of a path in SVG path notation. With a tolerance, in the path's own units, no curve strays
 * further from its straight pieces than that.
 * @throws Error where the notation cannot be read.
 */
export function subPaths(notation: string, tolerance?: number): SubPath[] {
  const path = svgpath(notation).abs().unshort().unarc();
  // The package reports a bad path in a field its types do not declare.
  const fault = (path as unknown as { err: string }).err;
  if (fault) throw new Error(fault);
  const found: { points: Point[]; closed: boolean }[] = [];
  path.iterate(([command, ...numbers], _index, x, y) => {
    const letter = String(command);
    const last = found.at(-1);
    if (letter === 'Z') {
      if (last) last.closed = true;
      return;
    }
    // After a closing, drawing goes on from where that sub-path began.
    if (letter === 'M' || !last) found.push({ points: [], closed: false });
    else if (last.closed) found.push({ points: [[x, y]], closed: false });
    found.at(-1)!.points.push(...pieces(letter, numbers.map(Number), [x, y], tolerance));
  });
  return found.map(({ points, closed }) => {
    const trimmed = withoutClosingPoint(points);
    return { points: trimmed, closed: closed || trimmed.length < points.length };
  });
}

function pieces(command: string, n: readonly number[], from: Point, tolerance: number | undefined): Point[] {
  switch (command) {
    case 'M':
    case 'L':
      return [[n[0]!, n[1]!]];
    case 'H':
      return [[n[0]!, from[1]]];
    case 'V':
      return [[from[0], n[0]!]];
    case 'Q':
      return bezier([from, [n[0]!, n[1]!], [n[2]!, n[3]!]], tolerance);
    case 'C':
      return bezier([from, [n[0]!, n[1]!], [n[2]!, n[3]!], [n[4]!, n[5]!]], tolerance);
    default:
      return [];
  }
}

function bezier(control: readonly Point[], tolerance: number | undefined): Point[] {
  const count = tolerance === undefined ? PIECES_PER_CURVE : piecesFor(control, tolerance);
  return Array.from({ length: count }, (_, piece) => pointOnCurve(control, (piece + 1) / count));
}

/** Pieces so that none strays further: its second derivative is at most d(d−1) times the largest second difference. */
function piecesFor(control: readonly Point[], tolerance: number): number {
  const degree = control.length - 1;
  const bends = control.slice(2).map(([x, y], index) => {
    const [[ax, ay], [bx, by]] = [control[index]!, control[index + 1]!];
    return Math.hypot(ax - 2 * bx + x, ay - 2 * by + y);
  });
  const bound = degree * (degree - 1) * Math.max(...bends);
  return Math.min(MOST_PIECES, Math.max(1, Math.ceil(Math.sqrt(bound / (8 * tolerance)))));
}

/** De Casteljau's construction. */
function pointOnCurve(control: readonly Point[], t: number): Point {
  if (control.length === 1) return control[0]!;
  const between = control.slice(1).map((point, index): Point => {
    const [x, y] = control[index]!;
    return [x + t * (point[0] - x), y + t * (point[1] - y)];
  });
  return pointOnCurve(between, t);
}

function withoutClosingPoint(points: Point[]): Point[] {
  const [first, last] = [points[0], points.at(-1)];
  const closes = first && last && points.length > 1 && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1e-6;
  return closes ? points.slice(0, -1) : points;
}
