import {
  coatKey,
  type CoatPlan,
  type LaidCoat,
  paceWith,
  type Plan,
  type PlanInput,
  surfaceAreaM2,
} from '#core/plan/job';
import { type BegunCoat, begunKey, type LaidOut, layOut, type SheetFrom } from '#core/lay/run-sheet';
import { type Pace, slowness } from '#core/plan/sections';
import { calibrated } from './calibrate';
import { type Patch, patchKey } from './events';
import { type PatchRecord, patchState, type PatchState, type RunRecord } from './record';

/** A patch of the run sheet, in the order of work. */
export interface SheetPatch {
  readonly patch: Patch;
  readonly coat: CoatPlan;
  readonly laid: LaidCoat;
  readonly state: PatchState | 'todo';
  readonly record?: PatchRecord;
  /** Sections its copy is worked in. */
  readonly sections: number;
  readonly areaM2: number;
  /** Units of product for this patch. */
  readonly amount: number;
  /** When its laying begins, or began. */
  readonly startMin: number;
}

export interface RunSheet {
  readonly plan: Plan;
  readonly out: LaidOut;
  readonly patches: readonly SheetPatch[];
  /** What to do now: the patch in hand, else what the sheet has first; undefined when all is done. */
  readonly current?: SheetPatch;
  /** Laid and waiting, the oldest first, the current one among them where it is one. */
  readonly wet: readonly SheetPatch[];
  /** Coats left out, and so never reached here. */
  readonly refused: readonly { readonly surface: string; readonly coat: CoatPlan }[];
}

/**
 * The rest of a run, laid out anew from what was really done: measured air, learned flash, actual times below each
 * coat, and the number of sections a copy was begun with.
 */
export function runSheet(job: PlanInput, record: RunRecord, nowMin: number): RunSheet {
  const out = layOut(withoutLeft(calibrated(job, record), record), sheetFrom(job, record, nowMin));
  const { plan } = out;
  const coats = new Map(
    plan.surfaces.flatMap(({ id, coats: own }) =>
      own.map((coat) => [coatKey({ surface: id, layer: coat.layer, coat: coat.coat }), coat] as const),
    ),
  );
  const begun = [...record.patches.values()].flatMap((done): SheetPatch[] => {
    const coat = coats.get(coatKey(done.patch));
    if (!coat?.laid) return [];
    const { sections, areaM2, amount } = done.start;
    const { patch, layStartMin: startMin } = done;
    return [
      { patch, coat, laid: coat.laid, state: patchState(done), record: done, sections, areaM2, amount, startMin },
    ];
  });
  const todo = out.actions.flatMap(({ does, coat: { surface, layer, coat: nth }, copy, ...action }): SheetPatch[] => {
    const coat = coats.get(coatKey({ surface: surface.id, layer, coat: nth }));
    if (does !== 'lay' || !coat?.laid) return [];
    const { section, sections, areaM2, startMin } = action;
    const patch = { surface: surface.id, layer, coat: nth, copy, section };
    return [{ patch, coat, laid: coat.laid, state: 'todo', sections, areaM2, amount: action.amount ?? 0, startMin }];
  });
  const patches = [...begun, ...todo];
  const current = nextIn(patches, out);
  return {
    plan,
    out,
    patches,
    wet: begun.filter(({ state }) => state === 'waiting'),
    refused: plan.surfaces.flatMap(({ id, coats: own }) =>
      own.filter((coat) => !coat.laid).map((coat) => ({ surface: id, coat })),
    ),
    ...(current && { current }),
  };
}

/** What hands are on, else what the sheet has them do first and is not done. */
function nextIn(patches: readonly SheetPatch[], { actions }: LaidOut): SheetPatch | undefined {
  const inHand = patches.find(({ state }) => state === 'laying' || state === 'levelling');
  if (inHand) return inHand;
  const byKey = new Map(patches.map((each) => [patchKey(each.patch), each]));
  for (const { does, coat: of, copy, section } of actions) {
    const { surface, layer, coat } = of;
    const own = byKey.get(patchKey({ surface: surface.id, layer, coat, copy, section }));
    if (own && own.state === (does === 'lay' ? 'todo' : 'waiting')) return own;
  }
  return patches.find(({ state }) => state === 'waiting') ?? patches.find(({ state }) => state === 'todo');
}

/**
 * Whether a sheet can be carried on: a panel taken up again, or laid all the same by hands that had not heard it was
 * left out, stands on none that was laid out without it.
 */
export const mayCarryOn = (before: RunRecord, after: RunRecord): boolean =>
  [...before.left.keys()].every((surface) => after.left.has(surface)) &&
  (before.left.size === 0 ||
    [...after.patches].every(([key, { patch }]) => !before.left.has(patch.surface) || before.patches.has(key)));

/**
 * A sheet as it was laid out, with what was tapped since: what hands see at once, while the rest is laid out anew. Times
 * and amounts of what is still to do are those of before.
 * @param sheet of a record that may be carried on, see {@link mayCarryOn}
 */
export function carriedOn(sheet: RunSheet, { patches: done, left }: RunRecord): RunSheet {
  const copyOf = ({ patch }: Pick<SheetPatch, 'patch'>) => patchKey({ ...patch, section: 0 });
  const before = new Map<string, SheetPatch>();
  for (const each of sheet.patches) if (!before.has(copyOf(each))) before.set(copyOf(each), each);
  const cut = new Map<string, number>();
  const begun = [...done.values()].flatMap((record): SheetPatch[] => {
    const { patch, start, layStartMin: startMin } = record;
    const known = before.get(copyOf(record));
    if (!known) return [];
    const { sections, areaM2, amount } = start;
    cut.set(copyOf(record), sections);
    return [{ ...known, patch, state: patchState(record), record, sections, areaM2, amount, startMin }];
  });
  const todo = sheet.patches.flatMap((each): SheetPatch[] => {
    const { record: _, ...plain } = each;
    if (each.state === 'todo') {
      // What was begun in other sections than the sheet has it in goes on in those.
      const isAsBefore = (cut.get(copyOf(each)) ?? each.sections) === each.sections;
      return isAsBefore && !left.has(each.patch.surface) && !done.has(patchKey(each.patch)) ? [plain] : [];
    }
    // Taken back since.
    return done.has(patchKey(each.patch)) || left.has(each.patch.surface) ? [] : [{ ...plain, state: 'todo' }];
  });
  const others = begun.flatMap((each): SheetPatch[] => {
    const first = begun.find((other) => copyOf(other) === copyOf(each));
    if (first !== each || before.get(copyOf(each))!.sections === each.sections || left.has(each.patch.surface))
      return [];
    const { record: _, ...plain } = each;
    return Array.from({ length: each.sections }, (__, at): SheetPatch => ({
      ...plain,
      patch: { ...each.patch, section: at + 1 },
      state: 'todo',
    })).filter(({ patch }) => !done.has(patchKey(patch)));
  });
  const patches = [...begun, ...others, ...todo];
  const { current: _, ...rest } = sheet;
  const current = nextIn(patches, sheet.out);
  return { ...rest, patches, wet: begun.filter(({ state }) => state === 'waiting'), ...(current && { current }) };
}

/** What is left out gets nothing above what it was begun with. */
function withoutLeft(job: PlanInput, { patches, left }: RunRecord): PlanInput {
  if (left.size === 0) return job;
  return {
    ...job,
    surfaces: job.surfaces.map((surface) =>
      left.has(surface.id) ? { ...surface, layers: layersBegun(surface, begunOn(surface.id, patches)) } : surface,
    ),
  };
}

const begunOn = (surface: string, patches: RunRecord['patches']): PatchRecord[] =>
  [...patches.values()].filter(({ patch }) => patch.surface === surface);

/** The layers of a panel up to the uppermost coat of it that was begun. */
function layersBegun({ layers }: PlanInput['surfaces'][number], own: readonly PatchRecord[]) {
  const top = Math.max(-1, ...own.map(({ patch }) => patch.layer));
  const coats = Math.max(...own.flatMap(({ patch }) => (patch.layer === top ? [patch.coat] : [])));
  return layers.slice(0, top + 1).map((layer, at) => (at === top ? { ...layer, coats } : layer));
}

/** Where the rest of a run is taken up: what is done and what is wet, copy by copy, and whose hands are still on it. */
function sheetFrom(job: PlanInput, { patches, left }: RunRecord, nowMin: number): SheetFrom {
  const begun = new Map<string, BegunCoat>();
  let busyUntilMin = nowMin;
  const byCopy = new Map<string, PatchRecord[]>();
  for (const done of patches.values()) {
    const { surface, layer, coat, copy } = done.patch;
    const key = begunKey(surface, layer, coat, copy);
    byCopy.set(key, [...(byCopy.get(key) ?? []), done]);
  }
  const still = (startMin: number, areaM2: number, m2PerMin: number) => Math.max(nowMin, startMin + areaM2 / m2PerMin);
  for (const [key, own] of byCopy) {
    const done = new Set<number>();
    const wet: { section: number; startMin: number; endMin: number }[] = [];
    let endMin = -Infinity;
    for (const { patch, start, layStartMin, layEndMin, levelStartMin, levelEndMin } of own) {
      const pace = paceOf(job, patch, start.product);
      const laidMin = layEndMin ?? still(layStartMin, start.areaM2, pace.layM2PerMin);
      // What hands are levelling is as good as done, once they are through with it.
      const levelledMin =
        levelEndMin ??
        (levelStartMin === undefined ? undefined : still(levelStartMin, start.areaM2, pace.levelM2PerMin));
      if (levelEndMin === undefined) busyUntilMin = Math.max(busyUntilMin, levelledMin ?? laidMin);
      if (levelledMin === undefined) wet.push({ section: patch.section, startMin: layStartMin, endMin: laidMin });
      else {
        done.add(patch.section);
        endMin = Math.max(endMin, levelledMin);
      }
    }
    const { sections } = own[0]!.start;
    if (left.has(own[0]!.patch.surface)) for (let section = 1; section <= sections; section++) done.add(section);
    begun.set(key, {
      sections,
      done,
      wet,
      startMin: Math.min(...own.map(({ layStartMin }) => layStartMin)),
      endMin: Number.isFinite(endMin) ? endMin : nowMin,
    });
  }
  // What nobody has begun of a panel left out, its twins and what lies below what was begun, gets nothing either.
  for (const surface of job.surfaces) {
    const { id, count } = surface;
    const own = left.has(id) ? begunOn(id, patches) : [];
    const atMin = Math.min(...own.map(({ layStartMin }) => layStartMin));
    const nothing: BegunCoat = { sections: 1, done: new Set([1]), wet: [], startMin: atMin, endMin: atMin };
    for (const [layer, { coats }] of layersBegun(surface, own).entries()) {
      for (let coat = 1; coat <= coats; coat++) {
        for (let copy = 1; copy <= count; copy++) {
          const key = begunKey(id, layer, coat, copy);
          if (!begun.has(key)) begun.set(key, nothing);
        }
      }
    }
  }
  return { nowMin, busyUntilMin, begun };
}

/** The crew's pace with what a patch is laid with. */
export function paceOf({ crew, products, surfaces }: PlanInput, { surface, layer }: Patch, id: string): Pace {
  const product = products.find((sheet) => sheet.id === id);
  const own = surfaces.find((each) => each.id === surface);
  const method = own?.layers[layer]?.method;
  return product && method ? paceWith(crew, product, method, slowness(own, surfaceAreaM2(own), product)) : crew;
}

/** What was really done of one coat. */
export interface CoatRecord {
  readonly startMin: number;
  readonly sectionsPerCopy: number;
  /** Share of its sections levelled, 0 to 1. */
  readonly doneShare: number;
  /** When the last was levelled; absent while it is being worked. */
  readonly endMin?: number;
}

/** What the log says of each coat begun: when, in how many sections, and when it was finished. */
export function coatRecords(job: PlanInput, record: RunRecord): ReadonlyMap<string, CoatRecord> {
  const copies = new Map(job.surfaces.map(({ id, count }) => [id, count]));
  const byCoat = new Map<string, PatchRecord[]>();
  for (const patch of record.patches.values()) {
    const key = coatKey(patch.patch);
    byCoat.set(key, [...(byCoat.get(key) ?? []), patch]);
  }
  const records = new Map<string, CoatRecord>();
  for (const [key, patches] of byCoat) {
    const [first] = patches;
    // Copies may have been cut into sections differently: each patch is its share of one copy.
    const doneCopies = patches.reduce(
      (sum, { levelEndMin, start }) => (levelEndMin === undefined ? sum : sum + 1 / start.sections),
      0,
    );
    const doneShare = Math.min(1, doneCopies / (copies.get(first!.patch.surface) ?? 1));
    const ends = patches.flatMap(({ levelEndMin }) => (levelEndMin === undefined ? [] : [levelEndMin]));
    records.set(key, {
      sectionsPerCopy: first!.start.sections,
      startMin: Math.min(...patches.map(({ layStartMin }) => layStartMin)),
      doneShare: doneShare > 1 - 1e-9 ? 1 : doneShare,
      ...(doneShare > 1 - 1e-9 && { endMin: Math.max(...ends) }),
    });
  }
  return records;
}
