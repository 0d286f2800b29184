import { type Plan, planJob, type PlannedJob } from '#core/work/plan';
import { calibrated } from './calibrate';
import { patchState, type RunRecord } from './record';
import { coatRecords } from './sheet';

/** How far a run has come, counted and not laid out: what a glance at a job needs. */
export interface RunProgress {
  readonly plan: Plan;
  readonly begun: boolean;
  readonly patchesDone: number;
  readonly patchesTotal: number;
  /** Coats that may not be laid. */
  readonly refused: number;
}

/** The same plan as the run sheet's, without its patches. */
export function runProgress(job: PlannedJob, record: RunRecord, nowMin: number): RunProgress {
  const plan = planJob(calibrated(job, record), { nowMin, done: coatRecords(job, record) });
  const coats = plan.surfaces.flatMap((surface, index) =>
    surface.coats.map((coat) => ({ coat, copies: job.surfaces[index]!.count })),
  );
  return {
    plan,
    begun: record.patches.size > 0,
    patchesDone: [...record.patches.values()].filter((patch) => patchState(patch) === 'done').length,
    patchesTotal: coats.reduce((sum, { coat, copies }) => sum + copies * (coat.laid?.sectionsPerCopy ?? 0), 0),
    refused: coats.filter(({ coat }) => !coat.laid).length,
  };
}
