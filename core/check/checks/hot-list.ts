import { boundingBox, containsPoint, distanceToEdgeMm, type Point, type Polygon } from '#core/item/geometry';
import type { NetPoint } from '#core/lay/run';

/** Where and why faults hide: field practice for places of the net, the record for what went unlike the plan. */
export const HOT_REASONS = {
  fault: 'Mended: look again',
  late: 'Levelled late',
  towel: 'Levelled with a loaded towel',
  helper: 'Levelled by a helper',
  seam: 'Seam of two sections',
  corner: 'Where parts meet',
  joint: 'Joint',
  lamp: 'Edge of a lamp',
  mirror: 'Under the mirror',
  spoiler: 'Under the spoiler',
  pillar: 'Foot of the pillar',
  spot: 'Around a sensor or camera',
  handle: 'Around handle or badge',
  crease: 'Crease',
  whole: 'The whole of it',
} as const;
export type HotReason = keyof typeof HOT_REASONS;

/** A place to look at. */
export interface HotPlace {
  /** The same place keeps its key, whatever else is found. */
  readonly key: string;
  readonly surface: string;
  readonly at: NetPoint;
  readonly why: HotReason;
  /** What meets it there, by surface. */
  readonly beside: readonly string[];
  /** Looked at earlier than this it counts no more, minutes: hands were on it since. */
  readonly notBeforeMin?: number;
}

export type Side = 'front' | 'right' | 'rear' | 'left' | 'top' | 'under';
/** Round the item: along its right side to the tail, back along its left, the top last. */
export const ROUND: readonly Side[] = ['front', 'right', 'rear', 'left', 'top', 'under'];
const LAST: readonly [number, number] = [ROUND.length, 0];

/** A panel as it lies on the sheet, mm. */
export interface CheckPanel {
  readonly id: string;
  readonly outline: Polygon;
  readonly side?: Side | undefined;
  /** Whether something of this job lies on it. */
  readonly laid: boolean;
  readonly kind?: 'lamp' | 'mirror' | 'spoiler' | 'pillar' | 'spot' | undefined;
}

/** A patch of the last coat that was laid. */
export interface CheckPatch {
  readonly key: string;
  readonly surface: string;
  readonly section: number;
  readonly sections: number;
  /** Of its section on the sheet; absent: drawn as its panel. */
  readonly outline?: Polygon | undefined;
  /** Levelled after its window had closed, minutes. */
  readonly lateMin: number;
  /** With a towel that had taken up more than it serves. */
  readonly loadedTowel?: boolean;
  /** By a helper, who is still learning it. */
  readonly byHelper?: boolean;
}

/** Panels that come this near meet, mm: the shut line is open between them. */
const MEET_MM = 60;
/** Outlines are felt along at this distance, mm. */
const STEP_MM = 40;
/** Shorter meetings are part of a corner, mm. */
const SHORTEST_JOINT_MM = 160;
/** Lines of the drawing within a panel: up to this long they are handles and badges, longer ones creases, mm. */
const HANDLE_MM = 380;

/** Points along an outline, a step apart. */
function alongOutline(outline: Polygon): Point[] {
  return outline.flatMap(([x, y], index): Point[] => {
    const [u, v] = outline[(index + 1) % outline.length]!;
    const steps = Math.max(1, Math.ceil(Math.hypot(u - x, v - y) / STEP_MM));
    return Array.from({ length: steps }, (_, step): Point => [
      x + ((u - x) * step) / steps,
      y + ((v - y) * step) / steps,
    ]);
  });
}

function shareOf(outline: Polygon, [x, y]: Point): NetPoint {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const share = (value: number, from: number, to: number) =>
    Math.min(1, Math.max(0, (value - from) / Math.max(1e-9, to - from)));
  return [share(x, minX, maxX), share(y, minY, maxY)];
}

const centre = (points: readonly Point[]): Point => [
  points.reduce((sum, [x]) => sum + x, 0) / points.length,
  points.reduce((sum, [, y]) => sum + y, 0) / points.length,
];

/**
 * The places of what was laid where faults hide by the net alone: joints of neighbours and corners where three meet, edges
 * of lamps, under mirrors and spoilers, feet of pillars, around what sits in a panel, creases.
 * @param lines of the drawing, in the same millimetres
 */
export function placesOnNet(panels: readonly CheckPanel[], lines: readonly (readonly Point[])[]): HotPlace[] {
  const places = panels
    .filter(({ laid }) => laid)
    .flatMap((panel) => [...meetings(panel, panels), ...within(panel, lines)]);
  // Two laid panels share their joint: it stands at the first of them.
  const unique = places.filter(({ key }, nth) => places.findIndex((other) => other.key === key) === nth);
  // What no place is known of is looked at all the same.
  const known = new Set(unique.map(({ surface }) => surface));
  const others = panels.filter(({ laid, id }) => laid && !known.has(id));
  return [
    ...unique,
    ...others.map(({ id }): HotPlace => ({
      key: `whole:${id}`,
      surface: id,
      at: [0.5, 0.5],
      why: 'whole',
      beside: [],
    })),
  ];
}

/** Places in the order one walks round the item, panel by panel. */
export function inWalk(places: readonly HotPlace[], panels: readonly CheckPanel[]): HotPlace[] {
  const walk = new Map(panels.map((panel) => [panel.id, placeInWalk(panel)]));
  const rank = ({ surface }: HotPlace) => walk.get(surface) ?? LAST;
  return [...places].sort(
    (a, b) =>
      rank(a)[0] - rank(b)[0] ||
      rank(a)[1] - rank(b)[1] ||
      a.surface.localeCompare(b.surface) ||
      a.at[1] - b.at[1] ||
      a.key.localeCompare(b.key),
  );
}

/** Which side one stands at, and how far along it. */
function placeInWalk({ side, outline }: Pick<CheckPanel, 'side' | 'outline'>): readonly [side: number, along: number] {
  const at = side ? ROUND.indexOf(side) : ROUND.length;
  const { minX, maxX } = boundingBox(outline);
  return [at, ((side === 'left' ? -1 : 1) * (minX + maxX)) / 2];
}

/** Where a panel meets its neighbours: a joint with each, a corner where two of them come together. */
function meetings(panel: CheckPanel, panels: readonly CheckPanel[]): HotPlace[] {
  const box = boundingBox(panel.outline);
  const near = panels.filter(({ id, kind, outline }) => {
    if (id === panel.id || kind === 'spot') return false;
    const other = boundingBox(outline);
    return (
      box.minX <= other.maxX + MEET_MM &&
      other.minX <= box.maxX + MEET_MM &&
      box.minY <= other.maxY + MEET_MM &&
      other.minY <= box.maxY + MEET_MM
    );
  });
  const felt = alongOutline(panel.outline).map((point) => ({
    point,
    by: near.filter(({ outline }) => distanceToEdgeMm(outline, point) <= MEET_MM),
  }));
  const place = (key: string, why: HotReason, points: readonly Point[], beside: readonly CheckPanel[]): HotPlace => ({
    key,
    surface: panel.id,
    at: shareOf(panel.outline, points[Math.floor(points.length / 2)]!),
    why,
    beside: beside.map(({ id }) => id),
  });
  // Two laid panels share their joint: it is looked at once.
  const keyOf = (why: HotReason, others: readonly CheckPanel[]) =>
    `${why}:${[panel, ...others]
      .filter(({ laid, id }) => laid || id !== panel.id)
      .map(({ id }) => id)
      .sort()
      .join(':')}`;
  const joints = near.flatMap((other) => {
    const points = felt.flatMap(({ point, by }) => (by.length === 1 && by[0] === other ? [point] : []));
    if (points.length * STEP_MM < SHORTEST_JOINT_MM) return [];
    const why = other.kind === 'lamp' && !other.laid ? 'lamp' : 'joint';
    return [place(keyOf(why, [other]), why, points, [other])];
  });
  const corners = new Map<string, { readonly by: readonly CheckPanel[]; readonly points: Point[] }>();
  for (const { point, by } of felt) {
    if (by.length < 2) continue;
    const two = [...by]
      .sort((a, b) => distanceToEdgeMm(a.outline, point) - distanceToEdgeMm(b.outline, point))
      .slice(0, 2);
    const key = keyOf('corner', two);
    const known = corners.get(key);
    if (known) known.points.push(point);
    else corners.set(key, { by: two, points: [point] });
  }
  return [...joints, ...[...corners].map(([key, { by, points }]) => place(key, 'corner', points, by))];
}

/** What hides within one panel: by what it is, by what sits in it, and by the lines drawn on it. */
function within(panel: CheckPanel, lines: readonly (readonly Point[])[]): HotPlace[] {
  const { id, outline, kind } = panel;
  const of = (why: HotReason, at: NetPoint, nth = ''): HotPlace => ({
    key: `${why}:${id}${nth}`,
    surface: id,
    at,
    why,
    beside: [],
  });
  const own = kind === 'mirror' || kind === 'spoiler' || kind === 'pillar' ? [of(kind, [0.5, 0.85])] : [];
  const drawn = lines.flatMap((line, index): HotPlace[] => {
    const middle = centre(line);
    if (line.length < 2 || !line.every((point) => containsPoint(outline, point))) return [];
    const { minX, maxX, minY, maxY } = boundingBox(line);
    const span = Math.max(maxX - minX, maxY - minY);
    return [of(span <= HANDLE_MM ? 'handle' : 'crease', shareOf(outline, middle), `:${index}`)];
  });
  return [...own, ...drawn];
}

/** What went unlike the plan, and where one section was joined to the next. */
export function placesOfRecord(panels: readonly CheckPanel[], patches: readonly CheckPatch[]): HotPlace[] {
  const byId = new Map(panels.map((panel) => [panel.id, panel]));
  return patches.flatMap((patch): HotPlace[] => {
    const { key, surface, section, sections, outline, lateMin, loadedTowel, byHelper } = patch;
    const panel = byId.get(surface);
    if (!panel) return [];
    const middle = centre(outline ?? panel.outline);
    const went = [lateMin > 0 && 'late', loadedTowel && 'towel', byHelper && 'helper'] as const;
    const unlike = went.flatMap((why): HotPlace[] =>
      why ? [{ key: `${why}:${key}`, surface, at: shareOf(panel.outline, middle), why, beside: [] }] : [],
    );
    const next = patches.find((other) => other.surface === surface && other.section === section + 1);
    if (sections === 1 || !next?.outline || !outline) return unlike;
    const shared = alongOutline(outline).filter((point) => distanceToEdgeMm(next.outline!, point) <= STEP_MM);
    const at = shareOf(panel.outline, shared[Math.floor(shared.length / 2)] ?? middle);
    return [...unlike, { key: `seam:${surface}:${section}`, surface, at, why: 'seam', beside: [] }];
  });
}
