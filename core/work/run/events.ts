import type { ReadingSource } from '#core/item/paint';
import type { LayingFault } from '#core/work/laying-faults';
import type { ObservationEntry, StageEntry } from '#core/work/prepare';

/** One section of one coat on one copy of a surface: the smallest thing that is laid in one go. */
export interface Patch {
  readonly surface: string;
  /** Index of the layer on the surface, from 0; coat, copy and section count from 1. */
  readonly layer: number;
  readonly coat: number;
  readonly copy: number;
  readonly section: number;
}

/** What is known of a patch when its laying starts; the log keeps it, whatever becomes of the plan. */
export interface PatchStart {
  readonly product: string;
  /** Sections one copy of this coat is worked in. */
  readonly sections: number;
  readonly areaM2: number;
  readonly amount: number;
  readonly surfaceC?: number | undefined;
  /** Of the bottle it is laid from; absent: nobody said. */
  readonly batch?: string | undefined;
}

/** What was really done, in the order it was done. Nothing is ever changed or taken out: a mistake is undone by a later entry. */
export type RunEntry =
  | { readonly type: 'lay-start'; readonly patch: Patch; readonly start: PatchStart }
  | { readonly type: 'lay-end' | 'cue-seen' | 'level-start' | 'level-end'; readonly patch: Patch }
  | { readonly type: 'fault'; readonly patch: Patch; readonly fault: LayingFault; readonly note?: string | undefined }
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

export function patchKey({ surface, layer, coat, copy, section }: Patch): string {
  return [surface, layer, coat, copy, section].join('/');
}
