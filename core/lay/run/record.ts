import type { AmbientStep } from '#core/time/air';
import type { LayingFault } from '#core/lay/faults';
import {
  afterStageEntry,
  type MarkOutcome,
  stageFault,
  stageKey,
  type StageRecord,
  withObservation,
} from '#core/prepare/stages';
import { type Checked, checkFault, type Checking, takeCheck } from './checking';
import { type Course, courseFault, type GrowingCourse, handsOn, takeTurn } from './course';
import { type LoggedEntry, type Patch, patchKey, type PatchStart, type RunEntry, type RunEntryType } from './events';

export type PatchState = 'laying' | 'waiting' | 'levelling' | 'done';

/** What the log says of one patch. Minutes on the scale of the job. */
export interface PatchRecord {
  readonly patch: Patch;
  readonly start: PatchStart;
  readonly layStartMin: number;
  /** The entries that began laying, and levelling. */
  readonly layEntry: string;
  readonly levelEntry?: string;
  readonly layEndMin?: number;
  readonly cueMin?: number;
  /** The entry that noted it. */
  readonly cueEntry?: string;
  readonly levelStartMin?: number;
  readonly levelEndMin?: number;
  readonly faults: readonly {
    readonly fault: LayingFault;
    readonly note?: string | undefined;
    readonly atMin: number;
  }[];
}

export interface RunRecord extends Course, Checked {
  /** By {@link patchKey}, in the order laying started. */
  readonly patches: ReadonlyMap<string, PatchRecord>;
  /** Readings taken during the run. */
  readonly air: readonly AmbientStep[];
  /** Stages of preparation, by {@link stageKey}, in the order they were started. */
  readonly stages: ReadonlyMap<string, StageRecord>;
  /** What became of marks, by mark id: the last word of each. */
  readonly outcomes: ReadonlyMap<string, MarkOutcome>;
  /** Clear that was measured to have gone, µm by surface: the sum of all that was noted. */
  readonly clearTakenUm: ReadonlyMap<string, number>;
  /** The last entry that counts: it can be undone. */
  readonly lastEntry?: LoggedEntry;
}

export function patchState(record: PatchRecord): PatchState {
  if (record.levelEndMin !== undefined) return 'done';
  if (record.levelStartMin !== undefined) return 'levelling';
  return record.layEndMin !== undefined ? 'waiting' : 'laying';
}

/** The step each state asks for next, and what else may be noted in it. */
const MAY_FOLLOW: Readonly<Record<PatchState | 'todo', readonly RunEntryType[]>> = {
  todo: ['lay-start'],
  // A second person may level what the first is still laying.
  laying: ['lay-end', 'level-start', 'cue-seen', 'fault'],
  waiting: ['level-start', 'cue-seen', 'fault'],
  levelling: ['lay-end', 'level-end', 'fault'],
  done: ['fault'],
};

const STATE_WORDS: Readonly<Record<PatchState | 'todo', string>> = {
  todo: 'not begun',
  laying: 'being laid',
  waiting: 'laid and waiting',
  levelling: 'being levelled',
  done: 'already done',
};

/** Why an entry does not fit what the log says so far; undefined where it does. */
export function entryFault(record: RunRecord, log: readonly LoggedEntry[], entry: RunEntry): string | undefined {
  switch (entry.type) {
    case 'left-out':
    case 'taken-up':
    case 'run-pause':
    case 'run-resume':
    case 'answered':
    case 'fresh-towel':
    case 'hands-join':
    case 'hands-leave':
    case 'consent':
    case 'released':
      return courseFault(record, entry);
    case 'looked':
    case 'remedied':
    case 'bead':
    case 'proof':
      return checkFault(record, entry);
    case 'air':
    case 'mark-outcome':
    case 'clear-taken':
      return undefined;
    case 'stage-panel': {
      const stage = record.stages.get(stageKey(entry.stage));
      if (!stage) return 'this stage is not begun';
      return stage.panels.includes(entry.surface) ? 'this panel is through with it already' : undefined;
    }
    case 'stage-used':
    case 'stage-found':
      return record.stages.has(stageKey(entry.stage)) ? undefined : 'this stage is not begun';
    case 'stage-start':
    case 'stage-pause':
    case 'stage-resume':
    case 'stage-end':
      return stageFault(record.stages.get(stageKey(entry.stage)), entry);
    case 'set-aside':
      return log.length === 0 || log.some(({ id }) => id === entry.entry) ? undefined : 'there is no such entry';
    case 'undo': {
      if (!log.some(({ id }) => id === entry.entry)) return 'there is no such entry to undo';
      return record.lastEntry?.id === entry.entry || mayBeUndone(log, entry.entry)
        ? undefined
        : 'somebody has gone on from there: that is undone first';
    }
    default: {
      const patch = record.patches.get(patchKey(entry.patch));
      const state = patch ? patchState(patch) : 'todo';
      if (!MAY_FOLLOW[state].includes(entry.type)) return `this patch is ${STATE_WORDS[state]}`;
      if (entry.type === 'cue-seen' && patch?.cueMin !== undefined) return 'the cue of this patch is noted already';
      return entry.type === 'lay-end' && patch?.layEndMin !== undefined ? 'this patch is laid already' : undefined;
    }
  }
}

/**
 * What really happened, from the log: entries in their order, undone ones left out, entries that do not fit
 * (the same tap from two tablets) passed over.
 */
export const foldLog = (log: readonly LoggedEntry[]): RunRecord => folded(standingIn(log)).record;

/** Entries that were not undone or set aside. */
function standingIn(log: readonly LoggedEntry[]): LoggedEntry[] {
  let standing: LoggedEntry[] = [];
  for (const logged of log) {
    const { entry } = logged;
    if (entry.type === 'undo' || entry.type === 'set-aside') standing = standing.filter(({ id }) => id !== entry.entry);
    else standing.push(logged);
  }
  return standing;
}

/** Whether all that came after an entry still fits without it. */
function mayBeUndone(log: readonly LoggedEntry[], entry: string): boolean {
  const standing = standingIn(log);
  const others = folded(standing).taken.filter(({ id }) => id !== entry);
  const without = folded(standing.filter(({ id }) => id !== entry)).taken;
  return others.length === without.length && others.every((each, at) => each === without[at]);
}

/**
 * What a tap on undo takes back: the last entry that stands and is one's own, wherever others have gone on meanwhile.
 * @param isOwn by the entry's id
 * @returns undefined where there is none, or somebody has gone on from it
 */
export function undoable(log: readonly LoggedEntry[], isOwn: (id: string) => boolean): LoggedEntry | undefined {
  const { taken } = folded(standingIn(log));
  const last = taken.findLast(({ id }) => isOwn(id));
  return last && mayBeUndone(log, last.id) ? last : undefined;
}

/** The record of entries that stand, and those of them that fit. */
function folded(standing: readonly LoggedEntry[]): { record: RunRecord; taken: LoggedEntry[] } {
  const taken: LoggedEntry[] = [];
  // One map that grows: a fresh copy for every entry would make a long day's log slow to read.
  const patches = new Map<string, PatchRecord>();
  const air: AmbientStep[] = [];
  const stages = new Map<string, StageRecord>();
  const outcomes = new Map<string, MarkOutcome>();
  const clearTakenUm = new Map<string, number>();
  const course: GrowingCourse = {
    left: new Map(),
    pauses: [],
    answers: new Map(),
    towels: [],
    hands: new Map(),
    consents: [],
    releases: [],
  };
  const checking: Checking = { looks: new Map(), faults: new Map(), beads: [], proofs: [] };
  const growing = { patches, air, stages, outcomes, clearTakenUm, ...course, ...checking };
  let record: RunRecord = growing;
  for (const logged of standing) {
    const { entry, atMin } = logged;
    if (entry.type === 'undo' || entry.type === 'set-aside' || entryFault(record, [], entry)) continue;
    switch (entry.type) {
      case 'air':
        air.push({ atMin, airC: entry.airC, rhPct: entry.rhPct, airSpeed: entry.airSpeed });
        break;
      case 'mark-outcome':
        outcomes.set(entry.mark, entry);
        break;
      case 'clear-taken':
        clearTakenUm.set(entry.surface, (clearTakenUm.get(entry.surface) ?? 0) + entry.um);
        break;
      case 'stage-used':
      case 'stage-panel':
      case 'stage-found':
        stages.set(stageKey(entry.stage), withObservation(stages.get(stageKey(entry.stage))!, entry, atMin));
        break;
      case 'stage-start':
      case 'stage-pause':
      case 'stage-resume':
      case 'stage-end':
        stages.set(
          stageKey(entry.stage),
          afterStageEntry(stages.get(stageKey(entry.stage)), entry, atMin, course.left.keys()),
        );
        break;
      case 'left-out':
      case 'taken-up':
      case 'run-pause':
      case 'run-resume':
      case 'answered':
      case 'fresh-towel':
      case 'hands-join':
      case 'hands-leave':
      case 'consent':
      case 'released':
        takeTurn(course, entry, logged);
        break;
      case 'looked':
      case 'remedied':
      case 'bead':
      case 'proof':
        takeCheck(checking, entry, logged);
        break;
      default:
        if (entry.type === 'fault') takeCheck(checking, entry, logged);
        if (entry.type === 'lay-start' || entry.type === 'level-start') handsOn(course, entry.patch.surface, atMin);
        patches.set(patchKey(entry.patch), afterStep(patches.get(patchKey(entry.patch)), entry, logged));
    }
    taken.push(logged);
    record = { ...growing, lastEntry: logged };
  }
  return { record, taken };
}

type PatchStep = Extract<RunEntry, { patch: Patch }>;

function afterStep(before: PatchRecord | undefined, entry: PatchStep, { id, atMin }: LoggedEntry): PatchRecord {
  if (entry.type === 'lay-start') {
    const { patch, start } = entry;
    return { patch, start, layStartMin: atMin, layEntry: id, faults: [] };
  }
  const after = advanced(before!, entry, atMin);
  if (entry.type === 'level-start') return { ...after, levelEntry: id };
  return entry.type === 'cue-seen' ? { ...after, cueEntry: id } : after;
}

function advanced(before: PatchRecord, entry: Exclude<PatchStep, { start: PatchStart }>, atMin: number): PatchRecord {
  switch (entry.type) {
    case 'lay-end':
      return { ...before, layEndMin: atMin };
    case 'cue-seen':
      return { ...before, cueMin: atMin };
    case 'level-start':
      return { ...before, levelStartMin: atMin };
    case 'level-end':
      return { ...before, levelEndMin: atMin };
    case 'fault':
      return { ...before, faults: [...before.faults, { fault: entry.fault, note: entry.note, atMin }] };
  }
}
