import { STEP_KINDS } from '#core/prepare/steps';
import type { ObservationEntry } from './observations';
import type { StageRef } from './stage-ref';

export const PAUSE_REASONS = ['break', 'no-power', 'weather', 'waiting', 'phone', 'other'] as const;
export type PauseReason = (typeof PAUSE_REASONS)[number];

/** What is logged of stages. `predictedMin` is by the default rates, so that what is learned from it stays comparable. */
export type StageEntry =
  | {
      readonly type: 'stage-start';
      readonly stage: StageRef;
      readonly predictedMin: number;
      /** By the sheet of the cleaner that is used; as usual where nothing is said. */
      readonly dwellMin?: number | undefined;
    }
  | { readonly type: 'stage-pause'; readonly stage: StageRef; readonly reason: PauseReason }
  | { readonly type: 'stage-resume' | 'stage-end'; readonly stage: StageRef };

export interface StageRecord {
  readonly stage: StageRef;
  readonly predictedMin: number;
  readonly dwellMin?: number;
  readonly startMin: number;
  /** Really worked up to the last pause or the end, minutes. */
  readonly workedMin: number;
  /** Since when it is being worked; absent while it is paused or done. */
  readonly runningSinceMin?: number;
  /** Since when the panel in hand is wet with what dwells: a pause does not stop it. Absent: nothing is wet. */
  readonly wetSinceMin?: number;
  /** When the last panel was rinsed, and ticked off. */
  readonly rinsedMin?: number;
  readonly pauses: readonly { readonly reason: PauseReason; readonly fromMin: number; readonly toMin?: number }[];
  readonly endMin?: number;
  /** Panels that were left out when it was finished: it was not done to them, whether or not they are taken up later. */
  readonly without: readonly string[];
  /** What it really used, the last word of each thing. */
  readonly used: readonly StageUse[];
  /** Panels that are through with it. */
  readonly panels: readonly string[];
  /** What was found while at it. */
  readonly found: readonly string[];
}

export interface StageUse {
  readonly what: string;
  readonly unit: string;
  readonly predicted: number;
  readonly amount: number;
}

export type StageState = 'todo' | 'running' | 'paused' | 'done';

export function stageState(record: StageRecord | undefined): StageState {
  if (!record) return 'todo';
  if (record.endMin !== undefined) return 'done';
  return record.runningSinceMin === undefined ? 'paused' : 'running';
}

/** Paused so soon after a panel was rinsed, minutes, nothing is on the next one yet. */
const NEXT_IS_DRY_MIN = 1;

const MAY_FOLLOW: Readonly<Record<StageState, readonly StageEntry['type'][]>> = {
  todo: ['stage-start'],
  running: ['stage-pause', 'stage-end'],
  paused: ['stage-resume', 'stage-end'],
  done: [],
};
const STATE_WORDS: Readonly<Record<StageState, string>> = {
  todo: 'not begun',
  running: 'running already',
  paused: 'paused',
  done: 'already done',
};

/** Why an entry does not fit what is known of its stage; undefined where it does. */
export function stageFault(record: StageRecord | undefined, entry: StageEntry): string | undefined {
  const state = stageState(record);
  if (MAY_FOLLOW[state].includes(entry.type)) return undefined;
  return `${STEP_KINDS[entry.stage.kind].name.toLowerCase()} is ${STATE_WORDS[state]}`;
}

/**
 * A stage after one more entry that fits it, minutes on the scale of the job.
 * @param leftOut panels that are left out at that moment
 */
export function afterStageEntry(
  before: StageRecord | undefined,
  entry: StageEntry,
  atMin: number,
  leftOut: Iterable<string> = [],
): StageRecord {
  if (entry.type === 'stage-start') {
    const { stage, predictedMin, dwellMin = STEP_KINDS[stage.kind].dwellMin } = entry;
    return {
      stage,
      predictedMin,
      ...(dwellMin !== undefined && { dwellMin }),
      startMin: atMin,
      workedMin: 0,
      runningSinceMin: atMin,
      wetSinceMin: atMin,
      pauses: [],
      used: [],
      without: [],
      panels: [],
      found: [],
    };
  }
  const { runningSinceMin, wetSinceMin, ...rest } = before!;
  const workedMin = rest.workedMin + (runningSinceMin === undefined ? 0 : Math.max(0, atMin - runningSinceMin));
  const ended = rest.pauses.map((pause) => (pause.toMin === undefined ? { ...pause, toMin: atMin } : pause));
  switch (entry.type) {
    case 'stage-pause': {
      const isRinsed = rest.rinsedMin !== undefined && atMin - rest.rinsedMin <= NEXT_IS_DRY_MIN;
      const paused = { ...rest, workedMin, pauses: [...rest.pauses, { reason: entry.reason, fromMin: atMin }] };
      return wetSinceMin === undefined || isRinsed ? paused : { ...paused, wetSinceMin };
    }
    case 'stage-resume':
      return { ...rest, runningSinceMin: atMin, wetSinceMin: wetSinceMin ?? atMin, pauses: ended };
    case 'stage-end':
      return { ...rest, workedMin, pauses: ended, endMin: atMin, without: [...leftOut] };
  }
}

/**
 * A stage with one more thing found out about it at a moment, minutes. A panel that is ticked off was rinsed: the next one
 * is wetted from then on.
 */
export function withObservation(
  before: StageRecord,
  entry: Extract<ObservationEntry, { stage: StageRef }>,
  atMin: number,
): StageRecord {
  if (entry.type === 'stage-panel')
    return { ...before, panels: [...before.panels, entry.surface], wetSinceMin: atMin, rinsedMin: atMin };
  if (entry.type === 'stage-found') return { ...before, found: [...before.found, entry.note] };
  const { what, unit, predicted, amount } = entry;
  return { ...before, used: [...before.used.filter((use) => use.what !== what), { what, unit, predicted, amount }] };
}

/** Minutes really worked at a stage up to a moment. */
export function workedMin({ workedMin: before, runningSinceMin }: StageRecord, nowMin: number): number {
  return before + (runningSinceMin === undefined ? 0 : Math.max(0, nowMin - runningSinceMin));
}

/**
 * By when the panel in hand has to be rinsed, minutes: what dwells on it goes on through a pause. Undefined where nothing
 * dwells, or nothing is wet.
 */
export function rinseByMin({ dwellMin, wetSinceMin, endMin }: StageRecord): number | undefined {
  return dwellMin === undefined || wetSinceMin === undefined || endMin !== undefined
    ? undefined
    : wetSinceMin + dwellMin;
}
