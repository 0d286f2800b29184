import { Clipper, EndType, FillRule, JoinType, type PathsD } from 'clipper2-ts';
import {
  boundingBox,
  containsPoint,
  longAxis,
  nearestOnSegment,
  type Point,
  type Polygon,
  polygonAreaM2,
  signedAreaMm2,
  splitAlong,
} from '#core/item/geometry';
import type { Zone } from '#core/item/nets';
import type { SubstrateId } from '#core/item/substrates';
import type { LayingSchools } from '#core/products/schools';
import { edgesOf, type Neighbour, type PanelEdge, GLASS_LINE_MM, turnAt, wrapsByNature } from './edges';

/** A pre-cut kit fits the panel; bulk is cut larger and trimmed on it. */
type FilmSchool = LayingSchools['film'];

/** Engineering defaults of the trade, mm. */
export const WRAP_MM = 10;
export const TRIM_MM = 25;
/** Two parts of one panel lie over each other by so much, mm. Engineering default. */
export const SPLIT_OVERLAP_MM = 8;
/** Film ends so far from what is let in, and farther from what a sensor looks through, mm. Engineering defaults. */
export const CUT_OUT_MM = 2;
export const SENSOR_MM = 6;
/** A relief cut ends so far before the panel's corner. */
export const RELIEF_STOP_MM = 2;
/** Corners that turn by more than this, degrees, are relieved. */
const RELIEF_DEG = 90;
/** Of what a film may be stretched by, so much is left for edges and corners: half. */
export const STRETCH_IN_HAND = 0.5;
/** No film is left hanging by less than this, m². */
const LEAST_PART_M2 = 0.002;
/** Body lines this near a cut, as a share of the panel across, hide it. */
const LINE_REACH_SHARE = 0.15;
const PRECISION = 3;
const MITER_LIMIT = 3;

/** A panel that film goes on, on the net: millimetres, y up, seen from outside. */
export interface FilmPanel {
  readonly id: string;
  readonly name: string;
  readonly outline: Polygon;
  readonly substrate: SubstrateId;
  /** Developed over flat area. */
  readonly curvature: number;
  readonly count: number;
  /** Where it sits on the item: which way is up there. */
  readonly zone?: Zone | undefined;
  /** Edges set by hand, each by a place near it, shares of the panel's box across and up: a place stays where the item stretches. */
  readonly edges?: readonly { readonly at: Point; readonly wraps: boolean }[] | undefined;
  /** Where it is split, as a share of the way across; absent: where it is hidden best. */
  readonly splitAt?: number | undefined;
}

/** The film it is cut from. */
export interface FilmStock {
  readonly rollWidthMm: number;
  /** What it may be stretched by, per cent. */
  readonly stretchPct: number;
}

/** What lies in or beside a panel: other panels, and lines of the drawing. */
export interface Around {
  readonly neighbours: readonly (Neighbour & { readonly keepClear?: boolean })[];
  readonly linework: readonly (readonly Point[])[];
}

/** An edge of a blank as it was settled. */
export interface BlankEdge extends PanelEdge {
  readonly wraps: boolean;
}

/** Where a panel is cut in two: a line along one axis, at a share of the way across from its lower end. */
export interface Seam {
  readonly along: 0 | 1;
  readonly share: number;
  /** Where the way across begins, and how far it is, mm; and from where to where the line runs. */
  readonly low: number;
  readonly across: number;
  readonly from: number;
  readonly to: number;
}

/** One piece of film for one panel, in the panel's own place on the net. Never mirrored: left and right are two. */
export interface Blank {
  readonly id: string;
  readonly panel: string;
  readonly name: string;
  /** Of so many parts of its panel, from 1. */
  readonly part: number;
  readonly parts: number;
  readonly count: number;
  readonly outline: Polygon;
  readonly areaM2: number;
  /** Which way is up on the item, or towards its tail on what lies flat: a unit vector. */
  readonly up: Point;
  /** The cut between its two parts, which may be moved; absent in one piece, and in more than two. */
  readonly seam?: Seam;
  readonly edges: readonly BlankEdge[];
  readonly cutOuts: readonly Polygon[];
  readonly reliefs: readonly (readonly [from: Point, to: Point])[];
  readonly stretch: {
    /** What the panel's curves ask for at most, per cent, and what this film has in hand for it. */
    readonly neededPct: number;
    readonly inHandPct: number;
    readonly isTooMuch: boolean;
    /** Along the panel's longer side. */
    readonly along: 0 | 1;
  };
}

/** On the net x goes from nose to tail, y to the left side: sides fold down from the roof, front and rear from it too. */
const UP: Readonly<Record<Zone | 'none', Point>> = {
  front: [1, 0],
  top: [1, 0],
  rear: [-1, 0],
  left: [0, -1],
  right: [0, 1],
  under: [1, 0],
  none: [0, 1],
};

/**
 * The blanks of a panel: its developed outline, larger by what its curvature holds, with what is wrapped round its edges
 * or trimmed on it, open over what is let in, relieved at its sharp corners, and in parts where it is wider than the roll.
 * Lengths grow by the root of the curvature, areas by the curvature: one net for areas and for film.
 * @throws RangeError for a roll of no width
 */
export function blanksOf(panel: FilmPanel, film: FilmStock, school: FilmSchool, onNet: Around): Blank[] {
  if (!(film.rollWidthMm > 0)) throw new RangeError('a roll has a width');
  const around = nearTo(panel, onNet);
  const edges = settledEdges(panel, around);
  const growth = Math.sqrt(Math.max(1, panel.curvature));
  const centre = middleOf(panel.outline);
  const grow = ([x, y]: Point): Point => [centre[0] + growth * (x - centre[0]), centre[1] + growth * (y - centre[1])];
  const developed = panel.outline.map(grow);
  const grown = edges.map((edge) => ({ ...edge, points: edge.points.map(grow) }));
  const whole = withMargins(developed, grown, school);
  const { parts, seam } = acrossRoll(
    whole,
    film.rollWidthMm,
    panel.splitAt,
    around.linework.map((line) => line.map(grow)),
  );
  const neededPct = (panel.curvature - 1) * 100;
  const inHandPct = film.stretchPct * STRETCH_IN_HAND;
  const cutOuts = cutOutsIn(panel, around).map((each) => each.map(grow));
  const reliefs = reliefsOf(developed, grown, whole);
  return parts.map((outline, index) => ({
    id: parts.length > 1 ? `${panel.id}.${index + 1}` : panel.id,
    panel: panel.id,
    name: panel.name,
    part: index + 1,
    parts: parts.length,
    count: panel.count,
    outline,
    areaM2: polygonAreaM2(outline),
    up: UP[panel.zone ?? 'none'],
    ...(seam && { seam }),
    edges: grown,
    cutOuts: cutOuts.filter((each) => containsPoint(outline, middleOf(each))),
    reliefs: reliefs.filter(([from]) => containsPoint(outline, from)),
    stretch: {
      neededPct,
      inHandPct,
      isTooMuch: neededPct > inHandPct + 1e-9,
      along: longAxis(outline),
    },
  }));
}

/** The edges of a panel, each wrapped or not: by hand, or else by what lies beside it. */
function settledEdges({ id, outline, substrate, edges: byHand = [] }: FilmPanel, { neighbours }: Around): BlankEdge[] {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const edges = edgesOf(outline);
  const set = new Map(
    byHand.map(({ at, wraps }) => {
      const place: Point = [minX + at[0] * (maxX - minX), minY + at[1] * (maxY - minY)];
      const distances = edges.map(({ points }) => distanceToLineMm(points, place));
      return [distances.indexOf(Math.min(...distances)), wraps];
    }),
  );
  return edges.map((edge) => ({
    ...edge,
    wraps: set.get(edge.index) ?? wrapsByNature(edge, { id, substrate }, neighbours),
  }));
}

const distanceToLineMm = (points: readonly Point[], place: Point): number =>
  Math.min(
    ...points.slice(1).map((to, index) => {
      const [x, y] = nearestOnSegment(points[index]!, to, place);
      return Math.hypot(x - place[0], y - place[1]);
    }),
  );

function middleOf(outline: Polygon): Point {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  return [(minX + maxX) / 2, (minY + maxY) / 2];
}

const toPath = (points: readonly Point[]) => points.map(([x, y]) => ({ x, y }));
const largestOf = (paths: PathsD): Polygon =>
  paths
    .map((path) => path.map(({ x, y }): Point => [x, y]))
    .sort((a, b) => Math.abs(signedAreaMm2(b)) - Math.abs(signedAreaMm2(a)))[0] ?? [];

/** With the wrap round the edges that are wrapped, or with room to trim all round. */
function withMargins(developed: Polygon, edges: readonly BlankEdge[], school: FilmSchool): Polygon {
  const path = toPath(developed);
  const trimmed =
    school === 'bulk'
      ? Clipper.inflatePathsD([path], TRIM_MM, JoinType.Miter, EndType.Polygon, MITER_LIMIT, PRECISION)
      : [path];
  const wrapped = edges.every(({ wraps }) => wraps)
    ? Clipper.inflatePathsD([path], WRAP_MM, JoinType.Miter, EndType.Polygon, MITER_LIMIT, PRECISION)
    : wrappedRuns(edges).flatMap((run) =>
        Clipper.inflatePathsD([toPath(run)], WRAP_MM, JoinType.Miter, EndType.Butt, MITER_LIMIT, PRECISION),
      );
  if (wrapped.length === 0) return largestOf(trimmed);
  return largestOf(Clipper.unionD([...trimmed, ...wrapped].map(outwards), [], FillRule.NonZero, PRECISION));
}

/** Wrapped edges that follow one another, as one line each: film goes round the corners between them. */
function wrappedRuns(edges: readonly BlankEdge[]): Point[][] {
  const first = edges.findIndex(({ wraps }) => !wraps);
  const inOrder = [...edges.slice(first), ...edges.slice(0, first)];
  const runs: Point[][] = [];
  inOrder.forEach(({ wraps, points }, index) => {
    if (!wraps) return;
    if (inOrder[index - 1]?.wraps) runs.at(-1)!.push(...points.slice(1));
    else runs.push([...points]);
  });
  return runs;
}

const outwards = (path: PathsD[number]) => {
  const points = path.map(({ x, y }): Point => [x, y]);
  return signedAreaMm2(points) < 0 ? path.toReversed() : path;
};

/** What lies in a panel, on it or just beside it. */
function nearTo({ id, outline }: FilmPanel, { neighbours, linework }: Around): Around {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const isNear = (points: readonly Point[]) => {
    if (points.length === 0) return false;
    const box = boundingBox(points);
    return (
      box.maxX >= minX - GLASS_LINE_MM &&
      box.minX <= maxX + GLASS_LINE_MM &&
      box.maxY >= minY - GLASS_LINE_MM &&
      box.minY <= maxY + GLASS_LINE_MM
    );
  };
  return {
    neighbours: neighbours.filter((each) => each.id !== id && isNear(each.outline)),
    linework: linework.filter(isNear),
  };
}

/** What is let in: film ends before it. Sensors and what must be kept clear have more room. */
function cutOutsIn({ outline }: FilmPanel, { neighbours, linework }: Around): Polygon[] {
  const within = neighbours.filter(
    (each) =>
      polygonAreaM2(each.outline) < polygonAreaM2(outline) / 2 &&
      each.outline.every((point) => containsPoint(outline, point)),
  );
  const handles = linework.filter((line) => {
    const [first, last] = [line[0]!, line.at(-1)!];
    const isClosed = line.length > 3 && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1;
    return isClosed && line.every((point) => containsPoint(outline, point));
  });
  return [
    ...within.map((each) => wider(each.outline, each.keepClear ? SENSOR_MM : CUT_OUT_MM)),
    ...handles.map((line) => wider(line.slice(0, -1), CUT_OUT_MM)),
  ].filter((each) => each.length > 2);
}

const wider = (outline: Polygon, byMm: number): Polygon =>
  largestOf(Clipper.inflatePathsD([toPath(outline)], byMm, JoinType.Round, EndType.Polygon, MITER_LIMIT, PRECISION));

/** Cuts from a blank's edge to just before a sharp corner of the panel, where both its edges are wrapped. */
function reliefsOf(developed: Polygon, edges: readonly BlankEdge[], blank: Polygon): (readonly [Point, Point])[] {
  if (edges.length < 2) return [];
  const turnsLeft = signedAreaMm2(developed) > 0;
  return edges.flatMap((edge, index): (readonly [Point, Point])[] => {
    const next = edges[(index + 1) % edges.length]!;
    if (!edge.wraps || !next.wraps) return [];
    const [at, before, after] = [next.points[0]!, edge.points.at(-2)!, next.points[1]!];
    const cross = (at[0] - before[0]) * (after[1] - at[1]) - (at[1] - before[1]) * (after[0] - at[0]);
    const place = developed.findIndex(([x, y]) => x === at[0] && y === at[1]);
    if (place === -1 || cross > 0 !== turnsLeft || turnAt(developed, place) < RELIEF_DEG) return [];
    const out = outOf(before, at, after);
    // As far out as the blank goes.
    let farMm = RELIEF_STOP_MM;
    while (farMm < 20 * WRAP_MM && containsPoint(blank, [at[0] + farMm * out[0], at[1] + farMm * out[1]])) farMm += 1;
    if (farMm <= RELIEF_STOP_MM + 1) return [];
    const end = (mm: number): Point => [at[0] + mm * out[0], at[1] + mm * out[1]];
    return [[end(RELIEF_STOP_MM), end(farMm)]];
  });
}

/** The way out of a corner: against the middle of its two edges. */
function outOf(before: Point, at: Point, after: Point): Point {
  const unit = (x: number, y: number): Point => [x / Math.hypot(x, y), y / Math.hypot(x, y)];
  const [one, other] = [unit(before[0] - at[0], before[1] - at[1]), unit(after[0] - at[0], after[1] - at[1])];
  const [x, y] = [-(one[0] + other[0]), -(one[1] + other[1])];
  return Math.hypot(x, y) < 1e-9 ? [one[1], -one[0]] : unit(x, y);
}

/** In as many parts as go on the roll, cut along the panel; each lies over the next by a little. */
function acrossRoll(
  whole: Polygon,
  rollWidthMm: number,
  splitAt: number | undefined,
  linework: readonly (readonly Point[])[],
): { readonly parts: readonly Polygon[]; readonly seam?: Seam } {
  const along = longAxis(whole);
  const { minX, maxX, minY, maxY } = boundingBox(whole);
  const [low, high] = along === 0 ? [minY, maxY] : [minX, maxX];
  const across = high - low;
  if (across <= rollWidthMm) return { parts: [whole] };
  const count = Math.ceil(across / (rollWidthMm - SPLIT_OVERLAP_MM));
  const even = Array.from({ length: count - 1 }, (_, index) => (index + 1) / count);
  const shares =
    count === 2 ? [fitting(splitAt ?? hiddenAt(even[0]!, linework, along, low, across), across, rollWidthMm)] : even;
  const bands = [0, ...shares].map((from, index) => [from, shares[index] ?? 1] as const);
  const parts = bands
    .flatMap(([from, to]) =>
      band(
        whole,
        along,
        low + from * across - (from > 0 ? SPLIT_OVERLAP_MM / 2 : 0),
        low + to * across + (to < 1 ? SPLIT_OVERLAP_MM / 2 : 0),
      ),
    )
    .filter((part) => part.length > 2 && polygonAreaM2(part) >= LEAST_PART_M2);
  const [from, to] = along === 0 ? [minX, maxX] : [minY, maxY];
  return {
    parts,
    ...(count === 2 && parts.length === 2 && { seam: { along, share: shares[0]!, low, across, from, to } }),
  };
}

/** A share at which both parts go on the roll. */
const fitting = (share: number, across: number, rollWidthMm: number): number => {
  const most = (rollWidthMm - SPLIT_OVERLAP_MM / 2) / across;
  return Math.min(most, Math.max(1 - most, share));
};

/** Where a line of the drawing runs along the panel near the place, it hides the cut. */
function hiddenAt(
  share: number,
  linework: readonly (readonly Point[])[],
  along: 0 | 1,
  low: number,
  across: number,
): number {
  const other = along === 0 ? 1 : 0;
  const lines = linework.flatMap((line) => {
    const [{ minX, maxX, minY, maxY }, places] = [
      boundingBox(line),
      line.map((point) => (point[other] - low) / across),
    ];
    const [length, breadth] = along === 0 ? [maxX - minX, maxY - minY] : [maxY - minY, maxX - minX];
    const middle = places.reduce((sum, place) => sum + place, 0) / places.length;
    const isAlong = length > 3 * breadth && length > across / 3;
    return isAlong && Math.abs(middle - share) <= LINE_REACH_SHARE ? [middle] : [];
  });
  return lines.sort((a, b) => Math.abs(a - share) - Math.abs(b - share))[0] ?? share;
}

/** What of an outline lies between two lines along it: a hollow panel may fall into several pieces there. */
function band(whole: Polygon, along: 0 | 1, from: number, to: number): Polygon[] {
  const line = (at: number): readonly [Point, Point] =>
    along === 0
      ? [
          [0, at],
          [1, at],
        ]
      : [
          [at, 0],
          [at, 1],
        ];
  const other = along === 0 ? 1 : 0;
  const keep = (outline: Polygon, at: number, above: boolean): Polygon[] =>
    splitAlong(outline, ...line(at)).filter((part) => {
      const box = boundingBox(part);
      const middle = other === 1 ? (box.minY + box.maxY) / 2 : (box.minX + box.maxX) / 2;
      return middle > at === above;
    });
  return keep(whole, from, true).flatMap((upper) => keep(upper, to, false));
}
