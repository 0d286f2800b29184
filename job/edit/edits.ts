/** Changes to a job as pure steps from one draft to the next; the server and the undo stack see only whole drafts. */
import { twinOf } from '#core/survey/condition';
import type { Need, PrepStep } from '#core/prepare/stages';
import type { PlacedReading, ReadingSource } from '#core/survey/paint';
import { bayAmbient, correctedBy } from '#core/time/air';
import type { Bay, Job, JobDraft, Layer, Surface, SurfaceMark } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import { minuteOfDay } from '#formats/values';
import { withTakenOff } from '#job/plan';
import { followersOf } from './following';

export type Edit = (draft: JobDraft) => JobDraft;

/** Days of expected air a plan is given: long enough for the slow milestones to be reached. */
const AMBIENT_DAYS = 8;

const inDocument =
  (change: (document: Job) => Job): Edit =>
  (draft) => ({ ...draft, document: change(draft.document) });

export const changeDocument = (changes: Partial<Job>): Edit => inDocument((document) => ({ ...document, ...changes }));

export const changeOwner = (changes: Partial<NonNullable<Job['owner']>>): Edit =>
  inDocument((document) => ({ ...document, owner: { ...document.owner, ...changes } }));

export const changePrepare = (changes: Partial<NonNullable<Job['prepare']>>): Edit =>
  inDocument((document) => ({ ...document, prepare: { ...document.prepare, ...changes } }));

/** Steps of preparation that were left out are done after all: on the whole item, or on the panel they were left out of. */
export const doAfterAll = (steps: readonly Pick<PrepStep, 'surface' | 'kind'>[]): Edit => {
  const keys = new Set(steps.flatMap(({ surface, kind }) => [kind, `${surface}/${kind}`]));
  return inDocument(({ prepare, ...document }) => ({
    ...document,
    prepare: { ...prepare, leftOut: prepare?.leftOut?.filter((key) => !keys.has(key)) },
  }));
};

/** Something laying needs was done before it came, as somebody says; nothing said: it was not. */
export const setCameWith = (need: Need, says: string | undefined): Edit =>
  inDocument(({ prepare, ...document }) => {
    const others = prepare?.cameWith?.filter((each) => each.need !== need) ?? [];
    return {
      ...document,
      prepare: { ...prepare, cameWith: says === undefined ? others : [...others, { need, says }] },
    };
  });

export const changeDays = (changes: Partial<NonNullable<Job['days']>>): Edit =>
  inDocument((document) => ({ ...document, days: { ...document.days, ...changes } }));

/** What the owner agreed to; nothing: taken back. */
export const setAgreed = (agreed: Job['agreed']): Edit => changeDocument({ agreed });

export const changeWishes = (changes: Partial<NonNullable<Job['wishes']>>): Edit =>
  inDocument((document) => ({ ...document, wishes: { ...document.wishes, ...changes } }));

export const changeSurface = (id: string, changes: Partial<Surface>): Edit =>
  inDocument((document) => ({
    ...document,
    surfaces: document.surfaces.map((surface) => (surface.id === id ? changed(surface, changes) : surface)),
  }));

/** A surface with something else said of it; what is told of a layer found stays with what is still said to lie there. */
function changed(surface: Surface, changes: Partial<Surface>): Surface {
  const { existing, existingTold } = surface;
  const next = { ...surface, ...changes };
  if (!changes.existing || !existingTold || changes.existingTold) return next;
  const told = changes.existing.map((family, nth) => (existing[nth] === family ? (existingTold[nth] ?? null) : null));
  return { ...next, existingTold: told };
}

/** The surfaces in another order, which is the order they are worked in where nothing else decides; others stay behind. */
export const inOrder = (ids: readonly string[]): Edit =>
  inDocument((document) => {
    const place = new Map(ids.map((id, index) => [id, index]));
    const at = (id: string) => place.get(id) ?? ids.length;
    return { ...document, surfaces: document.surfaces.toSorted((a, b) => at(a.id) - at(b.id)) };
  });

export const addSurface = (surface: Surface): Edit =>
  inDocument((document) => ({ ...document, surfaces: [...document.surfaces, surface] }));

export const removeSurface = (id: string): Edit =>
  inDocument((document) =>
    withNeededSheets({
      ...document,
      surfaces: followersOf(
        document.surfaces.filter((surface) => surface.id !== id),
        [id],
        [],
      ),
    }),
  );

const changeMarks = (id: string, change: (marks: readonly SurfaceMark[]) => SurfaceMark[]): Edit =>
  inDocument((document) => ({
    ...document,
    surfaces: document.surfaces.map((surface) =>
      surface.id === id ? { ...surface, marks: change(surface.marks ?? []) } : surface,
    ),
  }));

export const addMark =
  (surface: string, mark: SurfaceMark): Edit =>
  (draft) =>
    changeMarks(surface, (marks) => [...marks, mark])(changeSurface(surface, { faultless: undefined })(draft));

export const changeMark = (surface: string, id: string, changes: Partial<SurfaceMark>): Edit =>
  changeMarks(surface, (marks) => marks.map((mark) => (mark.id === id ? { ...mark, ...changes } : mark)));

/** Says what the paint of panels looks like all over; what was said before of that kind, all over, is replaced. */
export const markAllOver = (ids: readonly string[], { kind, severity }: Pick<SurfaceMark, 'kind' | 'severity'>): Edit =>
  inDocument((document) => ({
    ...document,
    surfaces: document.surfaces.map((surface) => {
      if (!ids.includes(surface.id)) return surface;
      const kept = (surface.marks ?? []).filter((mark) => !(mark.allOver && mark.kind === kind));
      const mark: SurfaceMark = { id: `${surface.id}-${kind}-all-over`, kind, severity, at: [0.5, 0.5], allOver: true };
      return { ...surface, faultless: undefined, marks: [...kept, mark] };
    }),
  }));

/** Says of panels that they were looked at and nothing was found that correction would move. */
export const sayFaultless = (ids: readonly string[]): Edit => changeSurfaces(ids, { faultless: true });

export const removeMark = (surface: string, id: string): Edit =>
  changeMarks(surface, (marks) => marks.filter((mark) => mark.id !== id));

/** A thickness reading, µm, on the panel it was taken on; with its place where that is known. */
export interface NewReading {
  readonly surface: string;
  readonly um: number;
  readonly at?: readonly [across: number, down: number] | undefined;
  readonly source?: ReadingSource | undefined;
}

export const addReadings = (readings: readonly NewReading[]): Edit =>
  inDocument((document) => {
    const ofPanel = new Map<string, NewReading[]>();
    for (const reading of readings) ofPanel.set(reading.surface, [...(ofPanel.get(reading.surface) ?? []), reading]);
    return {
      ...document,
      surfaces: document.surfaces.map((surface) => {
        const own = ofPanel.get(surface.id);
        return own ? withReadings(surface, [...placedReadings(surface), ...own]) : surface;
      }),
    };
  });

/** A panel's readings, each with its place where that was kept. */
export function placedReadings({ readingsUm, readingsAt, readingsFrom }: Surface): PlacedReading[] {
  return readingsUm.map((um, index) => ({
    um,
    at: readingsAt?.[index] ?? undefined,
    source: readingsFrom?.[index] ?? undefined,
  }));
}

/** A surface with these readings in place of its own. */
export function withReadings(surface: Surface, readings: readonly PlacedReading[]): Surface {
  const placed = readings.some(({ at }) => at !== undefined);
  const sourced = readings.some(({ source }) => source !== undefined);
  return {
    ...surface,
    readingsUm: readings.map(({ um }) => um),
    readingsAt: placed ? readings.map(({ at }) => (at ? [at[0], at[1]] : null)) : undefined,
    readingsFrom: sourced ? readings.map(({ source }) => source ?? null) : undefined,
  };
}

export const setReadings = (id: string, readings: readonly PlacedReading[]): Edit =>
  inDocument((document) => ({
    ...document,
    surfaces: document.surfaces.map((surface) => (surface.id === id ? withReadings(surface, readings) : surface)),
  }));

/** Says the same of several surfaces. */
export const changeSurfaces = (ids: readonly string[], changes: Partial<Surface>): Edit =>
  inDocument((document) => ({
    ...document,
    surfaces: document.surfaces.map((surface) => (ids.includes(surface.id) ? changed(surface, changes) : surface)),
  }));

/**
 * What a panel is made of, what lies on it and what goes on it, said of its twin as well. Marks, readings and
 * notes stay where they were seen: copying never hides a difference.
 */
export const copyToTwin = (id: string): Edit =>
  inDocument((document) => {
    const twin = twinOf(id);
    const from = document.surfaces.find((surface) => surface.id === id);
    if (!from || twin === undefined) return document;
    const { substrate, body, piece, handling, curvature, onePiece, existing, paint, layers } = from;
    const said = { substrate, body, piece, handling, curvature, onePiece, existing, paint, layers };
    return withNeededSheets({
      ...document,
      surfaces: document.surfaces.map((surface) => (surface.id === twin ? changed(surface, said) : surface)),
    });
  });

/** Puts a stack on several surfaces; sheets that come in are copied into the job, those no longer named leave it. */
export const setLayers = (ids: readonly string[], layers: readonly Layer[], shelf: readonly ProductSheet[]): Edit =>
  inDocument((document) => {
    const surfaces = document.surfaces.map((surface) =>
      ids.includes(surface.id) ? { ...surface, layers: [...layers] } : surface,
    );
    return withNeededSheets({ ...document, surfaces }, shelf);
  });

/** Stacks of many panels at once, each its own: one step to undo. */
export const setStacks = (stacks: ReadonlyMap<string, readonly Layer[]>, shelf: readonly ProductSheet[]): Edit =>
  inDocument((document) => {
    const surfaces = document.surfaces.map((surface) => {
      const layers = stacks.get(surface.id);
      return layers ? { ...surface, layers: [...layers] } : surface;
    });
    return withNeededSheets({ ...document, surfaces }, shelf);
  });

/** Takes another version of a sheet into the job. */
export const takeSheet = (sheet: ProductSheet): Edit =>
  inDocument((document) => ({
    ...document,
    products: document.products.map((own) => (own.id === sheet.id ? sheet : own)),
  }));

/** What is found on some surfaces is taken off first, as work in the preparation; or stays after all. */
export const stripFirst = (ids: readonly string[], takes: 'all' | 'top' | 'nothing' = 'all'): Edit =>
  inDocument((document) => ({ ...document, prepare: withTakenOff(document.prepare, ids, takes) }));

function withNeededSheets(document: Job, shelf: readonly ProductSheet[] = []): Job {
  const named = new Set(document.surfaces.flatMap(({ layers }) => layers.map(({ product }) => product)));
  const kept = document.products.filter(({ id }) => named.has(id));
  const known = new Set(kept.map(({ id }) => id));
  const added = shelf.filter(({ id }) => named.has(id) && !known.has(id));
  return { ...document, products: [...kept, ...added] };
}

/** A bay's expected air from the job's start on. */
export function expectedAir(bay: Pick<Bay, 'climate'>, startAt: string): Job['ambient'] {
  return bayAmbient(bay.climate, Math.floor(minuteOfDay(startAt)), AMBIENT_DAYS).map((step) => ({ ...step }));
}

/** Moves the job into a bay: its air is what that bay is expected to do. */
export const moveToBay =
  (bay: Bay): Edit =>
  (draft) => ({
    bayId: bay.id,
    airSource: 'bay',
    document: {
      ...draft.document,
      ambient: expectedAir(bay, draft.document.startAt),
      ...(bay.room?.offers && {
        prepare: { ...draft.document.prepare, site: { ...draft.document.prepare?.site, ...bay.room.offers } },
      }),
    },
  });

/** Another start: in a bay, another hour of its day. */
export const startAt =
  (instant: string, bay: Bay | undefined): Edit =>
  (draft) => ({
    ...draft,
    document: {
      ...draft.document,
      startAt: instant,
      ambient: draft.airSource === 'bay' && bay ? expectedAir(bay, instant) : draft.document.ambient,
    },
  });

/**
 * Air typed in or read off an instrument at the start. In a bay the rest of the day still follows the bay, the
 * difference fading; without one it holds all through.
 */
export const typeAir =
  (air: Pick<Job['ambient'][number], 'airC' | 'rhPct' | 'airSpeed'>, bay: Bay | undefined): Edit =>
  (draft) => {
    const { startAt } = draft.document;
    if (!bay) return { ...draft, airSource: 'typed', document: { ...draft.document, ambient: [{ atMin: 0, ...air }] } };
    const day = bayAmbient(bay.climate, Math.floor(minuteOfDay(startAt)), AMBIENT_DAYS);
    const ambient = correctedBy(day, air, bay.climate.tauMin).map((step) => ({ ...step }));
    return { ...draft, airSource: 'bay', document: { ...draft.document, ambient } };
  };
