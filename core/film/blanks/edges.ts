import { distanceToEdgeMm, type Point, type Polygon } from '#core/item/geometry';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

/** One edge of a panel, from corner to corner. Millimetres, y up. */
export interface PanelEdge {
  /** In the order of the outline, from 0. */
  readonly index: number;
  readonly points: readonly Point[];
}

/** Something beside a panel on the net. */
export interface Neighbour {
  readonly id: string;
  readonly outline: Polygon;
  readonly substrate: SubstrateId;
}

/** A corner turns by more than this, degrees, between so far before and after it, mm. */
const CORNER_DEG = 40;
const CORNER_REACH_MM = 15;
/** Across a shut line no wider than this, mm, the next panel lies. */
const SHUT_LINE_MM = 18;
/** Glass lies farther off: the strip or seal along it is drawn with it. */
export const GLASS_LINE_MM = 35;
/** Parts of one panel that were split lie against each other without a gap, mm: nothing returns there. */
const TOUCHING_MM = 0.5;
/** Panels that open, by what they are called on every net. */
const OPENS = /^(bonnet|boot|tailgate|cowling|tank)|(^|-)(doors?|lid)(-|$)/;
/** Of what lies along an edge so much decides. */
const MOST = 0.5;
const SAMPLES = 12;

/** The edges of an outline, cut at its corners; a round one is one edge that ends where it begins. */
export function edgesOf(outline: Polygon): PanelEdge[] {
  const corners = cornersOf(outline);
  if (corners.length < 2) return [{ index: 0, points: [...outline, outline[0]!] }];
  return corners.map((from, index) => {
    const to = corners[(index + 1) % corners.length]!;
    const count = (to - from + outline.length) % outline.length;
    return {
      index,
      points: Array.from({ length: count + 1 }, (_, step) => outline[(from + step) % outline.length]!),
    };
  });
}

/** Places of the corners in an outline, of several close together the sharpest. */
function cornersOf(outline: Polygon): number[] {
  const turns = outline.map((_, index) => turnAt(outline, index));
  return outline.flatMap((point, index) => {
    if (turns[index]! < CORNER_DEG) return [];
    const isSharpest = outline.every(
      (other, at) =>
        at === index ||
        Math.hypot(other[0] - point[0], other[1] - point[1]) > CORNER_REACH_MM ||
        turns[at]! < turns[index]! ||
        (turns[at] === turns[index] && at > index),
    );
    return isSharpest ? [index] : [];
  });
}

/** Degrees an outline turns by at a corner, seen from a little before and after it. */
export function turnAt(outline: Polygon, index: number): number {
  const [before, at, after] = [awayFrom(outline, index, -1), outline[index]!, awayFrom(outline, index, 1)];
  const [inX, inY, outX, outY] = [at[0] - before[0], at[1] - before[1], after[0] - at[0], after[1] - at[1]];
  return (Math.abs(Math.atan2(inX * outY - inY * outX, inX * outX + inY * outY)) * 180) / Math.PI;
}

function awayFrom(outline: Polygon, from: number, step: 1 | -1): Point {
  const start = outline[from]!;
  for (let far = 1; far < outline.length; far++) {
    const point = outline[(from + step * far + outline.length * far) % outline.length]!;
    if (Math.hypot(point[0] - start[0], point[1] - start[1]) >= CORNER_REACH_MM) return point;
  }
  return outline[(from + step + outline.length) % outline.length]!;
}

/**
 * Whether film is wrapped round an edge unless somebody says otherwise: round an edge that returns into a shut line or ends
 * free, not where glass, a seal or trim begins nor where the panel goes on, and never on what is let in itself (a lamp, a
 * moulding). What opens returns at trim too: the trim lies under it.
 */
export function wrapsByNature(
  edge: PanelEdge,
  { id, substrate }: Pick<Neighbour, 'id' | 'substrate'>,
  neighbours: readonly Neighbour[],
): boolean {
  if (SUBSTRATES[substrate].moulding || SUBSTRATES[substrate].glass) return false;
  const places = alongEdge(edge.points);
  const beside = places.map((place) => nearest(place, neighbours));
  const ends = beside.filter(
    (each) =>
      each &&
      (each.mm < TOUCHING_MM ||
        SUBSTRATES[each.substrate].glass ||
        (SUBSTRATES[each.substrate].trim && !OPENS.test(id))),
  );
  return ends.length <= MOST * places.length;
}

function nearest(place: Point, neighbours: readonly Neighbour[]) {
  let closest: (Neighbour & { readonly mm: number }) | undefined;
  for (const neighbour of neighbours) {
    const mm = distanceToEdgeMm(neighbour.outline, place);
    const reach = SUBSTRATES[neighbour.substrate].glass ? GLASS_LINE_MM : SHUT_LINE_MM;
    if (mm <= (closest?.mm ?? reach)) closest = { ...neighbour, mm };
  }
  return closest;
}

/** Places at equal steps along a line. */
function alongEdge(points: readonly Point[]): Point[] {
  const lengths = points.slice(1).map(([x, y], index) => Math.hypot(x - points[index]![0], y - points[index]![1]));
  const whole = lengths.reduce((sum, length) => sum + length, 0);
  return Array.from({ length: SAMPLES }, (_, nth) => {
    let left = ((nth + 0.5) / SAMPLES) * whole;
    const at = lengths.findIndex((length) => {
      if (left <= length) return true;
      left -= length;
      return false;
    });
    const [from, to] = [points[Math.max(0, at)]!, points[Math.max(0, at) + 1]!];
    const share = lengths[Math.max(0, at)]! > 0 ? left / lengths[Math.max(0, at)]! : 0;
    return [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
  });
}
