import { type CoatPlan, type CoatRecord, type LaidCoat, type Plan, planJob, type PlannedJob } from '#core/work/plan';
import { calibrated } from './calibrate';
import { coatKey, nthPatch, type Patch, patchKey } from './events';
import { type PatchRecord, patchState, type PatchState, type RunRecord } from './record';

/** A patch of the run sheet, in the order of work. */
export interface SheetPatch {
  readonly patch: Patch;
  readonly coat: CoatPlan;
  readonly laid: LaidCoat;
  readonly state: PatchState | 'todo';
  readonly record?: PatchRecord;
  readonly areaM2: number;
  /** Units of product for this patch. */
  readonly amount: number;
}

export interface RunSheet {
  readonly plan: Plan;
  readonly patches: readonly SheetPatch[];
  /** What to do now: the patch in hand, or the first not begun; undefined when all is done. */
  readonly current?: SheetPatch;
  /** Coats left out, and so never reached here. */
  readonly refused: readonly { readonly surface: string; readonly coat: CoatPlan }[];
}

/**
 * The rest of a run, replanned from what was really done: measured air, learned flash, actual times below
 * each coat, and the number of sections a coat was begun with.
 */
export function runSheet(job: PlannedJob, record: RunRecord, nowMin: number): RunSheet {
  const plan = planJob(calibrated(job, record), { nowMin, done: coatRecords(job, record) });
  const rounds = Math.max(0, ...plan.surfaces.map(({ coats }) => coats.length));
  const patches: SheetPatch[] = [];
  const refused: { surface: string; coat: CoatPlan }[] = [];
  for (let round = 0; round < rounds; round++) {
    for (const [index, surface] of plan.surfaces.entries()) {
      const coat = surface.coats[round];
      if (!coat) continue;
      if (!coat.laid) refused.push({ surface: surface.id, coat });
      else patches.push(...coatPatches(surface.id, coat, coat.laid, job.surfaces[index]!.count, record));
    }
  }
  const inHand = patches.find(({ state }) => state !== 'todo' && state !== 'done');
  const current = inHand ?? patches.find(({ state }) => state === 'todo');
  return { plan, patches, refused, ...(current && { current }) };
}

/** Patches of one coat a run is led through. More come of a wrong entry, and would only fill the memory. */
const MOST_PATCHES = 5000;

function coatPatches(surface: string, coat: CoatPlan, laid: LaidCoat, copies: number, record: RunRecord): SheetPatch[] {
  const { sectionsPerCopy } = laid;
  return Array.from({ length: Math.min(copies * sectionsPerCopy, MOST_PATCHES) }, (_, index): SheetPatch => {
    const patch = nthPatch(surface, coat, sectionsPerCopy, index);
    const done = record.patches.get(patchKey(patch));
    return {
      patch,
      coat,
      laid,
      state: done ? patchState(done) : 'todo',
      areaM2: done?.start.areaM2 ?? laid.sectionM2,
      amount: done?.start.amount ?? laid.amount / (copies * sectionsPerCopy),
      ...(done && { record: done }),
    };
  });
}

/** What the log says of each coat begun: when, in how many sections, and when it was finished. */
export function coatRecords(job: PlannedJob, record: RunRecord): ReadonlyMap<string, CoatRecord> {
  const copies = new Map(job.surfaces.map(({ id, count }) => [id, count]));
  const byCoat = new Map<string, PatchRecord[]>();
  for (const patch of record.patches.values()) {
    const key = coatKey(patch.patch);
    byCoat.set(key, [...(byCoat.get(key) ?? []), patch]);
  }
  const records = new Map<string, CoatRecord>();
  for (const [key, patches] of byCoat) {
    const [first] = patches;
    const { sections } = first!.start;
    const total = sections * (copies.get(first!.patch.surface) ?? 1);
    const ends = patches.flatMap(({ levelEndMin }) => (levelEndMin === undefined ? [] : [levelEndMin]));
    records.set(key, {
      sectionsPerCopy: sections,
      startMin: Math.min(...patches.map(({ layStartMin }) => layStartMin)),
      doneShare: ends.length / total,
      ...(ends.length === total && { endMin: Math.max(...ends) }),
    });
  }
  return records;
}
