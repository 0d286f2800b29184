/** Outlines from a drawing of another program: what is common to every format they come in. */
import { boundingBox, firstSelfCrossing, type Point, type Polygon, polygonAreaM2 } from '#core/item/geometry';

/** A closed outline found in a drawing, mm, y upwards. */
export interface DrawnOutline {
  readonly name: string;
  readonly layer: string;
  readonly pointsMm: Polygon;
}

/** What was found and could not be taken, with its place in the drawing, mm. */
export interface LeftOut {
  readonly name: string;
  readonly layer: string;
  readonly why: string;
  readonly atMm: Point;
}

export interface Drawing {
  readonly outlines: readonly DrawnOutline[];
  readonly leftOut: readonly LeftOut[];
  /** The unit the drawing is read in, and whether it said so itself. */
  readonly unit: DrawingUnit;
  readonly unitSaid: boolean;
}

/** A line as it stands in the file, in mm already. */
export interface DrawnLine {
  readonly name: string;
  readonly layer: string;
  readonly points: readonly Point[];
  readonly closed: boolean;
}

/** Millimetres of each unit a drawing may be in. */
export const DRAWING_UNITS = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8, px: 25.4 / 96, pt: 25.4 / 72 } as const;
export type DrawingUnit = keyof typeof DRAWING_UNITS;

/** A file that is no drawing of its kind at all. */
export class DrawingError extends Error {}

/** No curve strays further from the straight pieces it is made of, mm. */
export const FLATTENING_MM = 0.1;
/** Ends nearer than this, mm, were meant to meet. */
const CLOSING_MM = 2;
const MOST_POINTS = 4000;
/** Smaller outlines are dots of the pen and arrow heads, m². */
const SMALLEST_M2 = 1e-5;

/**
 * Makes outlines of lines: open ones are joined end to end within their layer where their ends meet, small gaps
 * are closed, and what stays open, crosses itself or encloses nothing is left out with its place.
 */
export function outlinesOf(lines: readonly DrawnLine[]): Pick<Drawing, 'outlines' | 'leftOut'> {
  const seen = lines.map((line) => ({ ...line, closed: line.closed || meetsItself(line.points) }));
  const whole = seen.filter(({ closed }) => closed);
  const chains = chained(seen.filter(({ closed }) => !closed));
  const outlines: DrawnOutline[] = [];
  const leftOut: LeftOut[] = [];
  for (const line of [...whole, ...chains]) {
    const points = withoutRepeats(line.points);
    const { name, layer } = line;
    const why = fault(line, points);
    if (why) leftOut.push({ name, layer, ...why });
    else outlines.push({ name, layer, pointsMm: points });
  }
  return { outlines: named(outlines), leftOut };
}

const rounded = ([x, y]: Point): Point => [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
const far = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(ax - bx, ay - by);

const meetsItself = (points: readonly Point[]) => points.length > 2 && far(points[0]!, points.at(-1)!) <= CLOSING_MM;

function fault({ closed }: DrawnLine, points: readonly Point[]): Pick<LeftOut, 'why' | 'atMm'> | undefined {
  const start = rounded(points[0] ?? [0, 0]);
  if (!closed) {
    const gap = far(points[0]!, points.at(-1)!);
    return { why: `is open: its ends lie ${gap.toFixed(0)} mm apart; close it there`, atMm: rounded(points.at(-1)!) };
  }
  if (points.length < 3) return { why: 'has fewer than three corners', atMm: start };
  if (points.length > MOST_POINTS) {
    return { why: `has ${points.length} points, more than ${MOST_POINTS}; simplify it in the drawing`, atMm: start };
  }
  const crossing = firstSelfCrossing(points);
  if (crossing) return { why: 'crosses or touches itself', atMm: rounded(points[crossing[0]]!) };
  if (polygonAreaM2(points) < SMALLEST_M2) return { why: 'encloses next to nothing', atMm: start };
  return undefined;
}

/** Joins open lines of one layer whose ends meet; what closes within the tolerance is closed. */
function chained(lines: readonly DrawnLine[]): DrawnLine[] {
  const left = [...lines];
  const chains: DrawnLine[] = [];
  for (let line = left.shift(); line; line = left.shift()) {
    let points = [...line.points];
    for (;;) {
      if (meetsItself(points)) break;
      const end = points.at(-1)!;
      const meets = (one: DrawnLine) =>
        one.layer === line.layer &&
        (far(one.points[0]!, end) <= CLOSING_MM || far(one.points.at(-1)!, end) <= CLOSING_MM);
      let index = left.findIndex(meets);
      if (index === -1) {
        // Grow the other end before giving up.
        const start = points[0]!;
        index = left.findIndex(
          (one) =>
            one.layer === line.layer &&
            (far(one.points[0]!, start) <= CLOSING_MM || far(one.points.at(-1)!, start) <= CLOSING_MM),
        );
        if (index === -1) break;
        points = points.reverse();
        continue;
      }
      const [next] = left.splice(index, 1);
      const onward = far(next!.points[0]!, end) <= CLOSING_MM ? next!.points : next!.points.toReversed();
      points = [...points, ...onward];
    }
    chains.push({ ...line, points, closed: meetsItself(points) });
  }
  return chains;
}

/** Points that lie on the one before are the same corner; so is a last one that lies on the first. */
function withoutRepeats(points: readonly Point[]): Point[] {
  const kept = points.filter((point, index) => index === 0 || far(point, points[index - 1]!) > 1e-3);
  while (kept.length > 1 && far(kept[0]!, kept.at(-1)!) <= 1e-3) kept.pop();
  return kept;
}

/** Every outline under a name of its own. */
function named(outlines: readonly DrawnOutline[]): DrawnOutline[] {
  const used = new Map<string, number>();
  return outlines.map((outline) => {
    const nth = (used.get(outline.name) ?? 0) + 1;
    used.set(outline.name, nth);
    return nth === 1 ? outline : { ...outline, name: `${outline.name} ${nth}` };
  });
}

/** Overall size of a drawing's outlines, mm: what tells a wrong unit at a glance. */
export function drawingSizeMm({ outlines }: Pick<Drawing, 'outlines'>): { widthMm: number; heightMm: number } {
  const points = outlines.flatMap(({ pointsMm }) => pointsMm);
  if (points.length === 0) return { widthMm: 0, heightMm: 0 };
  const { minX, maxX, minY, maxY } = boundingBox(points);
  return { widthMm: maxX - minX, heightMm: maxY - minY };
}
