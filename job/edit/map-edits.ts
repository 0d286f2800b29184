/** Changes to the map: panels drawn, joined, cut out of others, taken from a drawing, reshaped. */
import {
  boundingBox,
  firstSelfCrossing,
  joined,
  type Point,
  type Polygon,
  polygonAreaM2,
  shapeOutline,
  without,
} from '#core/item/geometry';
import { arrange, type Claim, claims } from '#core/item/nets';
import type { SubstrateId } from '#core/item/substrates';
import type { JobDraft, Surface } from '#formats/job';
import { followersOf, waitsFor } from './following';
import { blankSurface, freeId } from './template-surfaces';

/** Shut lines are narrower than this, mm: two panels are joined over them. */
const WIDEST_SHUT_LINE_MM = 40;

/** The sheet's y grows downwards, an outline's upwards. */
const flipped = ([x, y]: Point): [number, number] => [x, -y];
const polygon = (points: readonly Point[]): Surface['shape'] => ({
  kind: 'polygon',
  pointsMm: points.map(([x, y]): [number, number] => [x, y]),
});

/** Why points drawn on the sheet bound no panel; undefined where they do. */
export function outlineFault(points: readonly Point[]): string | undefined {
  if (points.length < 3) return 'three corners are the least';
  const crossing = firstSelfCrossing(points);
  if (crossing) return `the edge from corner ${crossing[0] + 1} crosses the edge from corner ${crossing[1] + 1}`;
  return polygonAreaM2(points) < 1e-4 ? 'it encloses next to nothing' : undefined;
}

export interface DrawnPanel {
  readonly name: string;
  readonly substrate: SubstrateId;
  /** On the sheet, mm. */
  readonly outline: Polygon;
  readonly measuredBy: Surface['measuredBy'];
}

/** Adds a panel where it was drawn on the sheet. */
export function addDrawn(draft: JobDraft, { name, substrate, outline, measuredBy }: DrawnPanel): JobDraft {
  const { surfaces } = draft.document;
  const surface = blankSurface({
    id: freeId(name, surfaces),
    name,
    substrate,
    shape: polygon(outline.map(flipped)),
    measuredBy,
    onSheet: true,
  });
  return { ...draft, document: { ...draft.document, surfaces: [...surfaces, surface] } };
}

/** What panels of a job claim twice, and with an outline about to be drawn: what that would claim. */
export function claimsOf({ document }: JobDraft, drawn?: Polygon): Claim[] {
  const substrates = new Map(document.surfaces.map(({ id, substrate }) => [id, substrate]));
  const panels = arrange(document)
    .panels.filter(({ lengths }) => !lengths)
    .map(({ id, outline }) => ({ id, outline, substrate: substrates.get(id)! }));
  if (!drawn) return claims(panels);
  return panels.flatMap((panel) =>
    claims([panel, { id: '', outline: drawn, substrate: 'clear-gloss' as const }]).map(({ areaM2 }) => ({
      a: panel.id,
      b: '',
      areaM2,
    })),
  );
}

/** Cuts an outline on the sheet out of some panels; one that is covered by it whole goes. */
export function cutOut(draft: JobDraft, hosts: readonly string[], outline: Polygon): JobDraft {
  const hole = outline.map(flipped);
  const { surfaces } = draft.document;
  const next = surfaces.flatMap((surface): Surface[] => {
    if (!hosts.includes(surface.id)) return [surface];
    const pieces = without(shapeOutline(surface.shape), [hole]).toSorted((p, q) => polygonAreaM2(q) - polygonAreaM2(p));
    const place = placeKeeper(surface);
    return pieces.map((piece, index) =>
      index === 0
        ? { ...place(piece), shape: polygon(piece) }
        : {
            ...place(piece),
            id: freeId(`${surface.id}-${index + 1}`, surfaces),
            name: `${surface.name ?? surface.id} ${index + 1}`,
            shape: polygon(piece),
            readingsUm: [],
            readingsAt: undefined,
            readingsFrom: undefined,
            marks: undefined,
          },
    );
  });
  return { ...draft, document: { ...draft.document, surfaces: next } };
}

/** Moves what is placed on a surface by shares of its box into the box of another outline. */
function placeKeeper(surface: Surface) {
  const old = shapeOutline(surface.shape);
  return (outline: Polygon): Surface => ({
    ...surface,
    ...(surface.marks && { marks: surface.marks.map((mark) => ({ ...mark, at: moved(mark.at, old, outline) })) }),
    ...(surface.readingsAt && { readingsAt: surface.readingsAt.map((at) => at && moved(at, old, outline)) }),
  });
}

function moved([across, down]: readonly [number, number], from: Polygon, to: Polygon): [number, number] {
  const [a, b] = [boundingBox(from), boundingBox(to)];
  const x = a.minX + across * (a.maxX - a.minX);
  const y = a.maxY - down * (a.maxY - a.minY);
  const share = (value: number) => Math.min(1, Math.max(0, value));
  return [share((x - b.minX) / (b.maxX - b.minX)), share((b.maxY - y) / (b.maxY - b.minY))];
}

const isOutline = ({ shape, count }: Surface) => shape.kind === 'polygon' && count === 1;

/** Why two surfaces cannot be made one; undefined where they can. */
export function mergeFault(a: Surface, b: Surface): string | undefined {
  if (a.id === b.id) return 'that is one panel';
  if (!isOutline(a) || !isOutline(b)) return 'only panels with an outline of their own can be joined';
  if (JSON.stringify(a.layers) !== JSON.stringify(b.layers)) return 'different layers are planned on them';
  return joinedOutline(a, b) ? undefined : 'they do not lie side by side';
}

function joinedOutline(a: Surface, b: Surface): Polygon | undefined {
  const [p, q] = [shapeOutline(a.shape), shapeOutline(b.shape)];
  return joined(p, q, 1) ?? joined(p, q, WIDEST_SHUT_LINE_MM);
}

/** Makes two neighbouring panels one: it keeps what the first is, and the marks and readings of both. */
export function mergeSurfaces(draft: JobDraft, first: string, second: string): JobDraft {
  const { surfaces } = draft.document;
  const [a, b] = [first, second].map((id) => surfaces.find((surface) => surface.id === id));
  if (!a || !b || mergeFault(a, b)) return draft;
  const outline = joinedOutline(a, b)!;
  const [one, other] = [placeKeeper(a)(outline), placeKeeper(b)(outline)];
  const placesOf = ({ readingsUm, readingsAt }: Surface) => readingsAt ?? readingsUm.map(() => null);
  const placed = one.readingsAt || other.readingsAt;
  const sourcesOf = ({ readingsUm, readingsFrom }: Surface) => readingsFrom ?? readingsUm.map(() => null);
  const sourced = one.readingsFrom || other.readingsFrom;
  const whole: Surface = {
    ...one,
    // Joined, it would wait for itself by way of what waited for the other half.
    ...(one.follows && { follows: one.follows.filter((id) => id !== second && !waitsFor(surfaces, id, second)) }),
    shape: polygon(outline),
    readingsUm: [...one.readingsUm, ...other.readingsUm],
    readingsAt: placed ? [...placesOf(one), ...placesOf(other)] : undefined,
    readingsFrom: sourced ? [...sourcesOf(one), ...sourcesOf(other)] : undefined,
    marks: one.marks || other.marks ? [...(one.marks ?? []), ...(other.marks ?? [])] : undefined,
    note: [one.note, other.note].filter(Boolean).join(' ') || undefined,
  };
  return {
    ...draft,
    document: {
      ...draft.document,
      surfaces: followersOf(
        surfaces.filter(({ id }) => id !== second).map((surface) => (surface.id === first ? whole : surface)),
        [second],
        [first],
      ),
    },
  };
}

/** Gives a panel another outline on the sheet; what lies on it keeps its place. */
export function reshape(draft: JobDraft, id: string, outline: Polygon): JobDraft {
  if (outlineFault(outline)) return draft;
  const points = outline.map(flipped);
  return {
    ...draft,
    document: {
      ...draft.document,
      surfaces: draft.document.surfaces.map((surface) =>
        surface.id === id
          ? { ...placeKeeper(surface)(points), shape: polygon(points), onSheet: true, measuredBy: 'trace' }
          : surface,
      ),
    },
  };
}
