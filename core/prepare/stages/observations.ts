import type { MarkKindId, MarkSeverity, Outcome } from '#core/survey/condition';
import type { Level } from './levels';
import type { StageRef } from './stage-ref';

/** What was found out at the item: outcome of each mark, clear really taken. Each entry stands for itself, whatever becomes of the plan. */
export type ObservationEntry =
  | {
      readonly type: 'mark-outcome';
      readonly surface: string;
      readonly mark: string;
      readonly kind: MarkKindId;
      readonly severity: MarkSeverity;
      readonly level: Level;
      readonly outcome: Outcome;
    }
  /** Clear measured before and after, µm. */
  | { readonly type: 'clear-taken'; readonly surface: string; readonly um: number }
  /** How much of a thing a stage really used. */
  | {
      readonly type: 'stage-used';
      readonly stage: StageRef;
      readonly what: string;
      readonly unit: string;
      readonly predicted: number;
      readonly amount: number;
    }
  /** A panel is through with it, while the stage goes on at others. */
  | { readonly type: 'stage-panel'; readonly stage: StageRef; readonly surface: string }
  /** What was found while at it: a mark nobody had seen, a part that was loose. */
  | { readonly type: 'stage-found'; readonly stage: StageRef; readonly note: string };

export type MarkOutcome = Extract<ObservationEntry, { type: 'mark-outcome' }>;
