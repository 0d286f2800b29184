import { Clipper, EndType, FillRule, JoinType, type PathD, type PathsD } from 'clipper2-ts';
import type { Point, Polygon } from '#core/item/geometry';
import { type Bench, lengthOf, type Lying } from './layout';
import type { Variant } from './pieces';

/** Decimal places of a millimetre that the free film is reckoned with. */
const PRECISION = 4;
/** Two directions that differ by less, as a sine, are one; two places that differ by less, mm, are one. */
const ALIGNED = 0.01;
const SAME_MM = 0.6;
/** How far pieces may stand in each other while they are fitted, mm: outlines come rounded. They are moved apart after. */
const SLACK_MM = 0.4;
/** Free film narrower than this, mm, is none: what is left between two edges that meet. */
const SLIVER_MM = 2;
/** Corners are kept square so far out. */
const MITER_LIMIT = 20;
/** Corners of the free film looked at, nearest first, and how many that something fits are gone on from. */
const CORNERS = 12;
const CORNERS_FILLED = 2;
/** An edge that meets one of its own length counts so much more than one that meets in part. */
const WHOLE_EDGE = 1.5;
/** How much larger pieces are favoured, as a power of the area laid, and how far a rating is left to chance: both at most. */
const LARGER_FIRST = 0.3;
const UNSURE = 0.06;
/** No roll is longer, mm: places are told apart by it. */
const FAR_MM = 1 << 20;

/** A corner that bends outwards: where it is, the directions of its two edges away from it, and the angle between, radians. */
interface Corner {
  readonly at: Point;
  readonly next: Point;
  readonly last: Point;
  readonly angle: number;
}

/** A variant as it is fitted: its corners are looked at again and again. */
interface Shape {
  readonly variant: Variant;
  readonly corners: readonly Corner[];
}

/** A layout that was begun. */
interface Fit {
  readonly lying: readonly Lying[];
  /** Item of each that lies, by its place on the bench. */
  readonly items: readonly number[];
  readonly free: PathsD;
  /** Edge of what lies that meets another or the roll, and all of it, mm. */
  readonly metMm: number;
  readonly aroundMm: number;
}

/** One more piece to a layout: not yet cut out of its free film, for most of them are never gone on with. */
interface Next {
  readonly parent: Fit;
  readonly item: number;
  readonly place: Lying;
  readonly metMm: number;
  readonly aroundMm: number;
}

/**
 * Pieces fitted edge to edge: the nearest corners of the free film are filled by pieces that have a corner for them, one
 * after the other, and of all layouts so begun those whose edges meet best are gone on with. Finds what was cut from one
 * sheet; of pieces that do not fit one another it finds nothing. Neighbours may stand in each other by a little.
 * Yields between steps.
 * @param lengthMm of the roll that may be used
 * @param marginMm of room round every piece
 * @param breadth layouts gone on with at a time
 * @returns all pieces of the bench, or as many as the layout that came farthest holds
 */
export function* fittedTo(
  bench: Bench,
  lengthMm: number,
  marginMm: number,
  breadth: number,
  random: () => number,
): Generator<undefined, (Lying | undefined)[], void> {
  const shapes = bench.items.map(({ variants }) => distinct(variants));
  const [largerFirst, unsure] = [random() * LARGER_FIRST, random() * UNSURE];
  const rate = ({ parent, item, metMm, aroundMm }: Next) => {
    const areaM2 = parent.items.reduce((sum, each) => sum + bench.items[each]!.areaM2, bench.items[item]!.areaM2);
    return (metMm / aroundMm) * areaM2 ** largerFirst * (1 + unsure * random());
  };
  let layouts: Fit[] = [
    { lying: [], items: [], free: [sheet(lengthMm, bench.widthMm, marginMm)], metMm: 0, aroundMm: 0 },
  ];
  for (let depth = 0; depth < bench.items.length; depth++) {
    const begun: Next[] = [];
    for (const layout of layouts) {
      begun.push(...nextOf(bench, shapes, layout, lengthMm));
      yield undefined;
    }
    if (begun.length === 0) break;
    layouts = [];
    for (const next of unlike(begun, breadth, rate)) {
      layouts.push(grown(next));
      yield undefined;
    }
  }
  const [best] = layouts.sort((a, b) => lengthOf(a.lying) - lengthOf(b.lying));
  const laid: (Lying | undefined)[] = bench.items.map(() => undefined);
  best!.items.forEach((item, index) => (laid[item] = best!.lying[index]));
  return laid;
}

function sheet(lengthMm: number, widthMm: number, marginMm: number): PathD {
  const [low, right, high] = [-marginMm, lengthMm + marginMm, widthMm + marginMm];
  return [
    { x: low, y: low },
    { x: right, y: low },
    { x: right, y: high },
    { x: low, y: high },
  ];
}

/** The layouts whose edges meet best, no two of the same pieces and the same length. */
function unlike(begun: readonly Next[], most: number, rate: (next: Next) => number): Next[] {
  const seen = new Set<string>();
  const kept: Next[] = [];
  const rated = begun.map((next) => ({ next, rating: rate(next) })).sort((a, b) => b.rating - a.rating);
  for (const { next } of rated) {
    if (kept.length >= most) break;
    const { parent, item, place } = next;
    const items = [...parent.items, item].sort((a, b) => a - b).join(',');
    const key = `${items}/${Math.round(lengthOf([...parent.lying, place]))}/${Math.round(next.metMm)}`;
    if (seen.has(key)) continue;
    seen.add(key);
    kept.push(next);
  }
  return kept;
}

/** A layout with one more piece, cut out of its free film. */
function grown({ parent, item, place, metMm, aroundMm }: Next): Fit {
  const cut = place.variant.outline.map(([x, y]) => ({ x: x + place.x, y: y + place.y }));
  const left = Clipper.differenceD(parent.free, [cut], FillRule.NonZero, PRECISION);
  return {
    lying: [...parent.lying, place],
    items: [...parent.items, item],
    free: inflated(inflated(left, -SLIVER_MM / 2), SLIVER_MM / 2),
    metMm,
    aroundMm,
  };
}

const inflated = (paths: PathsD, byMm: number): PathsD =>
  Clipper.inflatePathsD(paths, byMm, JoinType.Miter, EndType.Polygon, MITER_LIMIT, PRECISION);

/** Variants that look the same, turned, are one. */
function distinct(variants: readonly Variant[]): Shape[] {
  const seen = new Set<string>();
  return variants.flatMap((variant) => {
    const { minX, minY } = variant.bounds;
    const key = variant.outline
      .map(([x, y]) => `${(x - minX).toFixed(1)},${(y - minY).toFixed(1)}`)
      .sort()
      .join(' ');
    if (seen.has(key)) return [];
    seen.add(key);
    return [{ variant, corners: cornersOf(variant.outline) }];
  });
}

/** Corners that bend outwards of an outline, counter-clockwise, y up. */
function cornersOf(outline: Polygon): Corner[] {
  const count = outline.length;
  return outline.flatMap((at, index) => {
    const next = direction(at, outline[(index + 1) % count]!);
    const last = direction(at, outline[(index + count - 1) % count]!);
    const cross = next[0] * last[1] - next[1] * last[0];
    if (!(cross > ALIGNED)) return [];
    return [{ at, next, last, angle: Math.atan2(cross, next[0] * last[0] + next[1] * last[1]) }];
  });
}

function direction(from: Point, to: Point): Point {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
}

const alike = (a: Point, b: Point) => Math.abs(a[0] * b[1] - a[1] * b[0]) < ALIGNED;

/** All pieces that fit a corner of the free film and lie along one of its edges. */
function nextOf(bench: Bench, shapes: readonly (readonly Shape[])[], layout: Fit, lengthMm: number): Next[] {
  const corners = layout.free
    .flatMap((path) => cornersOf(path.map(({ x, y }): Point => [x, y])))
    .sort((a, b) => a.at[0] - b.at[0] || a.at[1] - b.at[1]);
  const found: Next[] = [];
  const tried = new Set<number>();
  const isLaid = bench.items.map(() => false);
  for (const item of layout.items) isLaid[item] = true;
  let filled = 0;
  for (const corner of corners.slice(0, CORNERS)) {
    const before = found.length;
    for (let item = 0; item < shapes.length; item++) {
      if (isLaid[item]) continue;
      for (const { variant, corners: own } of shapes[item]!) {
        for (const each of own) {
          if (each.angle > corner.angle + ALIGNED) continue;
          if (!alike(each.next, corner.next) && !alike(each.last, corner.last)) continue;
          const place = { variant, x: corner.at[0] - each.at[0], y: corner.at[1] - each.at[1] };
          if (!bench.isOnRoll(variant, place.x, place.y, lengthMm, SLACK_MM)) continue;
          const once = (variant.index * FAR_MM + Math.round(place.x)) * FAR_MM + Math.round(place.y);
          if (tried.has(once)) continue;
          tried.add(once);
          if (fits(bench, layout.lying, place)) found.push(meeting(layout, item, place));
        }
      }
    }
    if (found.length > before && ++filled >= CORNERS_FILLED) break;
  }
  return found;
}

function fits(bench: Bench, lying: readonly Lying[], { variant, x, y }: Lying): boolean {
  for (let at = lying.length - 1; at >= 0; at--) {
    if (bench.depthAt(lying[at]!, variant, x, y) > SLACK_MM) return false;
  }
  return bench.inFlaws(variant, x, y) <= SLACK_MM;
}

/** How much of a piece's edge meets the edge of the free film. */
function meeting(parent: Fit, item: number, place: Lying): Next {
  const { outline } = place.variant;
  let { metMm, aroundMm } = parent;
  outline.forEach((corner, index) => {
    const [x, y] = [corner[0] + place.x, corner[1] + place.y];
    const to = outline[(index + 1) % outline.length]!;
    const length = Math.hypot(to[0] - corner[0], to[1] - corner[1]);
    const [ux, uy] = direction(corner, to);
    aroundMm += length;
    for (const path of parent.free) {
      for (let at = 0; at < path.length; at++) {
        const [p, q] = [path[at]!, path[(at + 1) % path.length]!];
        if (Math.abs((p.y - y) * ux - (p.x - x) * uy) > SAME_MM) continue;
        if (Math.abs((q.y - y) * ux - (q.x - x) * uy) > SAME_MM) continue;
        const [pAlong, qAlong] = [(p.x - x) * ux + (p.y - y) * uy, (q.x - x) * ux + (q.y - y) * uy];
        const [low, high] = [Math.min(pAlong, qAlong), Math.max(pAlong, qAlong)];
        const met = Math.min(length, high) - Math.max(0, low);
        if (met <= 0) continue;
        metMm += met * (Math.abs(low) < SAME_MM && Math.abs(high - length) < SAME_MM ? WHOLE_EDGE : 1);
      }
    }
  });
  return { parent, item, place, metMm, aroundMm };
}
