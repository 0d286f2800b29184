import type { PlanInput } from '#core/plan/job';
import type { LaidOut } from '#core/lay/run-sheet';
import { patchState, type RunRecord } from './record';
import { runSheet } from './sheet';

/** How far a run has come, counted: what a glance at a job needs. */
export interface RunProgress {
  readonly plan: LaidOut['plan'];
  /** Who does what when. */
  readonly out: LaidOut;
  readonly begun: boolean;
  readonly patchesDone: number;
  readonly patchesTotal: number;
  /** Coats that may not be laid. */
  readonly refused: number;
}

/** The run sheet in numbers. */
export function runProgress(job: PlanInput, record: RunRecord, nowMin: number): RunProgress {
  const { plan, out, patches, refused } = runSheet(job, record, nowMin);
  return {
    plan,
    out,
    begun: record.patches.size > 0,
    patchesDone: [...record.patches.values()].filter((patch) => patchState(patch) === 'done').length,
    patchesTotal: patches.length,
    refused: refused.length,
  };
}
