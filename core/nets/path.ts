import svgpath from 'svgpath';
import type { Point } from '../geometry';

/** Straight pieces per curve: 0.1 mm or better on any panel of a vehicle. */
const PIECES_PER_CURVE = 12;

/**
 * Points along a path written in SVG path notation (one sub-path), curves broken into short straight pieces;
 * the closing point is not repeated. The path's own units are kept.
 * @throws Error where the notation cannot be read.
 */
export function pathPoints(notation: string): Point[] {
  const path = svgpath(notation).abs().unshort().unarc();
  // The package reports a bad path in a field its types do not declare.
  const fault = (path as unknown as { err: string }).err;
  if (fault) throw new Error(fault);
  const points: Point[] = [];
  path.iterate(([command, ...numbers], _index, x, y) => {
    points.push(...pieces(String(command), numbers.map(Number), [x, y]));
  });
  return withoutClosingPoint(points);
}

function pieces(command: string, n: readonly number[], from: Point): Point[] {
  switch (command) {
    case 'M':
    case 'L':
      return [[n[0]!, n[1]!]];
    case 'H':
      return [[n[0]!, from[1]]];
    case 'V':
      return [[from[0], n[0]!]];
    case 'Q':
      return bezier([from, [n[0]!, n[1]!], [n[2]!, n[3]!]]);
    case 'C':
      return bezier([from, [n[0]!, n[1]!], [n[2]!, n[3]!], [n[4]!, n[5]!]]);
    default:
      return [];
  }
}

function bezier(control: readonly Point[]): Point[] {
  return Array.from({ length: PIECES_PER_CURVE }, (_, piece) => pointOnCurve(control, (piece + 1) / PIECES_PER_CURVE));
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
