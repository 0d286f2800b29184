/** The rest of a run laid out anew, beside the interface: hands go on meanwhile by what was tapped. */
import type { PlanInput } from '#core/plan/job';
import { type RunRecord, type RunSheet, runSheet } from '#core/lay/run';
import { serveWorker } from '../work/in-worker';

export interface SheetRequest {
  readonly planned: PlanInput;
  readonly record: RunRecord;
  readonly fromMin: number;
}

serveWorker<SheetRequest, never, RunSheet>(({ planned, record, fromMin }) => runSheet(planned, record, fromMin));
