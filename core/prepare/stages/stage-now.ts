import { isDone } from './panel-case';
import { rinseByMin, type StageRecord, stageState } from './stage-log';
import { stageKey } from './stage-ref';
import type { PrepStage } from './item';

/** The stage to be at, and which of all it is, from 1. */
export interface StageNow {
  readonly stage: PrepStage;
  readonly nth: number;
  readonly of: number;
  /** How many are not finished yet. */
  readonly open: number;
}

/**
 * The stage to be at: what dwells first, paused or not, then what runs, what is paused, and what comes next in the order of work.
 * @returns undefined where all is done, or nothing is to be
 */
export function stageNow(all: readonly PrepStage[], records: ReadonlyMap<string, StageRecord>): StageNow | undefined {
  const stages = all.filter(({ steps }) => steps.some(isDone));
  const rank = (stage: PrepStage): number => {
    const own = records.get(stageKey(stage));
    const state = stageState(own);
    if (own && rinseByMin(own) !== undefined) return 0;
    if (state === 'running') return 1;
    return state === 'paused' ? 2 : state === 'todo' ? 3 : 4;
  };
  const [stage] = [...stages].sort((a, b) => rank(a) - rank(b));
  if (!stage || rank(stage) === 4) return undefined;
  const open = stages.filter((each) => rank(each) < 4).length;
  return { stage, nth: stages.indexOf(stage) + 1, of: stages.length, open };
}
