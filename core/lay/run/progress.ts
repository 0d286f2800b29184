import type { LaidOut } from '#core/lay/run-sheet';
import { patchState, type RunRecord } from './record';
import type { RunSheet } from './sheet';

/** How far a run has come, counted. */
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
export function progressOf({ plan, out, patches, refused }: RunSheet, record: RunRecord): RunProgress {
  return {
    plan,
    out,
    begun: record.patches.size > 0,
    patchesDone: [...record.patches.values()].filter((patch) => patchState(patch) === 'done').length,
    patchesTotal: patches.length,
    refused: refused.length,
  };
}
