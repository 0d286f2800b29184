import type { ReadingSource } from '#core/survey/paint';
import type { ObservationEntry, StageEntry } from '#core/prepare/stages';
import type { CheckEntry, FaultEntry } from './checking';
import type { CourseEntry } from './course';
import type { Patch, PatchStart } from './patch';

export { type Patch, patchKey, type PatchStart } from './patch';

/** What was really done, in the order it was done. Nothing is ever changed or taken out: a mistake is undone by a later entry. */
export type RunEntry =
  | { readonly type: 'lay-start'; readonly patch: Patch; readonly start: PatchStart }
  | { readonly type: 'lay-end' | 'cue-seen' | 'level-start' | 'level-end'; readonly patch: Patch }
  | FaultEntry
  | CourseEntry
  | CheckEntry
  | StageEntry
  | ObservationEntry
  | {
      readonly type: 'air';
      readonly airC: number;
      readonly rhPct: number;
      readonly airSpeed: number;
      readonly source?: ReadingSource | undefined;
    }
  | { readonly type: 'undo'; readonly entry: string }
  /** What the job has no place for any more is left out from here on; it stays on record, with the reason. */
  | { readonly type: 'set-aside'; readonly entry: string; readonly reason: string };

export type RunEntryType = RunEntry['type'];

/** An entry with its name and its moment, minutes on the scale of the job (0: its planned start). */
export interface LoggedEntry {
  readonly id: string;
  readonly atMin: number;
  readonly entry: RunEntry;
}
