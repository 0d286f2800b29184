import type { Blank } from '#core/film/blanks';
import { lain, type Placement, turned } from '#core/film/nest';
import { boundingBox, containsPoint, type Point, type Polygon } from '#core/item/geometry';

/** One blank as it is cut, on the roll: x along it from its free end, y across, mm, seen from the film's outer face. */
export interface CutPiece {
  readonly id: string;
  readonly copy: number;
  /** In this order by the knife, from 1. */
  readonly order: number;
  readonly label: string;
  readonly outline: Polygon;
  readonly cutOuts: readonly Polygon[];
  readonly reliefs: readonly (readonly [Point, Point])[];
  /** Where its label stands, and which way is up on the item: a unit vector. */
  readonly at: Point;
  readonly up: Point;
  /** The way it is stretched as it is laid, a unit vector, and by how much at most, per cent. */
  readonly stretch: { readonly along: Point; readonly neededPct: number; readonly isTooMuch: boolean };
}

/** What is cut from one roll. */
export interface CutPlan {
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly pieces: readonly CutPiece[];
  /** What the knife goes without cutting, mm: from piece to piece. */
  readonly idleMm: number;
}

/**
 * A nest as it is cut: every piece with its cut-outs and reliefs, labelled, in an order of little way between the cuts.
 * @throws RangeError for a placement of no blank
 */
export function cutPlanOf(blanks: readonly Blank[], placements: readonly Placement[], widthMm: number): CutPlan {
  const byId = new Map(blanks.map((blank) => [blank.id, blank]));
  const pieces = placements.map((placement) => {
    const blank = byId.get(placement.id);
    if (!blank) throw new RangeError(`${placement.id} is no blank`);
    return piece(blank, placement);
  });
  const { order, idleMm } = shortestWay(pieces.map(({ at }) => at));
  return {
    widthMm,
    lengthMm: Math.max(0, ...pieces.map(({ outline }) => boundingBox(outline).maxX)),
    pieces: order.map((index, nth) => ({ ...pieces[index]!, order: nth + 1 })),
    idleMm,
  };
}

function piece(blank: Blank, placement: Placement): Omit<CutPiece, 'order'> {
  const lie = (outline: Polygon) => lain(outline, placement);
  const outline = lie(blank.outline);
  const part = blank.parts > 1 ? ` ${blank.part}/${blank.parts}` : '';
  const copy = blank.count > 1 ? `, ${placement.copy} of ${blank.count}` : '';
  return {
    id: placement.id,
    copy: placement.copy,
    label: `${blank.name}${part}${copy}`,
    outline,
    cutOuts: blank.cutOuts.map(lie),
    reliefs: blank.reliefs.map(([from, to]) => {
      const [a, b] = lie([from, to]);
      return [a!, b!] as const;
    }),
    at: insideOf(outline),
    up: turned([blank.up], placement.turn)[0]!,
    stretch: {
      along: turned([blank.stretch.along === 0 ? [1, 0] : [0, 1]], placement.turn)[0]!,
      neededPct: blank.stretch.neededPct,
      isTooMuch: blank.stretch.isTooMuch,
    },
  };
}

/** A place well inside an outline: of a grid over it, the one farthest from its edge's corners. */
function insideOf(outline: Polygon): Point {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const middle: Point = [(minX + maxX) / 2, (minY + maxY) / 2];
  if (containsPoint(outline, middle)) return middle;
  let [best, farthest]: [Point, number] = [outline[0]!, -1];
  for (let across = 1; across < 12; across++) {
    for (let up = 1; up < 12; up++) {
      const place: Point = [minX + (across / 12) * (maxX - minX), minY + (up / 12) * (maxY - minY)];
      if (!containsPoint(outline, place)) continue;
      const nearest = Math.min(...outline.map(([x, y]) => Math.hypot(x - place[0], y - place[1])));
      if (nearest > farthest) [best, farthest] = [place, nearest];
    }
  }
  return best;
}

/** From the free end on to whatever is nearest, then improved by turning stretches round until none is shorter. */
function shortestWay(places: readonly Point[]): { order: number[]; idleMm: number } {
  const far = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  const left = new Set(places.map((_, index) => index));
  const order: number[] = [];
  let from: Point = [0, 0];
  while (left.size > 0) {
    const next = [...left].reduce((a, b) => (far(places[b]!, from) < far(places[a]!, from) ? b : a));
    order.push(next);
    left.delete(next);
    from = places[next]!;
  }
  const at = (index: number): Point => (index < 0 ? [0, 0] : places[order[index]!]!);
  for (let improved = true; improved;) {
    improved = false;
    for (let i = 0; i < order.length - 1; i++) {
      for (let j = i + 1; j < order.length; j++) {
        const after = j + 1 < order.length ? far(at(i), at(j + 1)) - far(at(j), at(j + 1)) : 0;
        if (far(at(i - 1), at(j)) - far(at(i - 1), at(i)) + after >= -1e-6) continue;
        order.splice(i, j - i + 1, ...order.slice(i, j + 1).reverse());
        improved = true;
      }
    }
  }
  return { order, idleMm: order.reduce((sum, _, index) => sum + far(at(index - 1), at(index)), 0) };
}
