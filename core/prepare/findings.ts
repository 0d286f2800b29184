import type { MarkKindId, MarkSeverity, Outcome } from '../condition';
import { type LearnedFactor, learnFactor, type LearningModel } from '../learning';
import type { Level } from './levels';
import type { StageRecord, StageRef } from './stage-log';

/** What was found out at the item: outcome of each mark, clear really taken. Each entry stands for itself, whatever becomes of the plan. */
export type FindingEntry =
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
  /** What was found while at it: a mark nobody had seen, a part that was loose. */
  | { readonly type: 'stage-found'; readonly stage: StageRef; readonly note: string };

export type MarkOutcome = Extract<FindingEntry, { type: 'mark-outcome' }>;

/** What one outcome says of the share that went. */
const SHARE_OF: Readonly<Record<Outcome, number>> = { removed: 1, reduced: 0.5, hidden: 0, stays: 0 };
/** The trade's figure weighs as much as so many marks of one's own. Engineering default. */
const USUAL_WEIGHS = 3;

export const shareKey = (level: Level, kind: MarkKindId, severity: MarkSeverity): string =>
  `${level}/${kind}/${severity}`;

/** What was seen so far of one kind of mark at one level: how many, and the sum of the shares that went. */
export interface SharesSeen {
  readonly count: number;
  readonly gone: number;
}

/** Outcomes gathered by {@link shareKey}. */
export function sharesSeen(outcomes: readonly Pick<MarkOutcome, 'level' | 'kind' | 'severity' | 'outcome'>[]) {
  const seen = new Map<string, SharesSeen & Pick<MarkOutcome, 'level' | 'kind' | 'severity'>>();
  for (const { level, kind, severity, outcome } of outcomes) {
    const key = shareKey(level, kind, severity);
    const { count, gone } = seen.get(key) ?? { count: 0, gone: 0 };
    seen.set(key, { level, kind, severity, count: count + 1, gone: gone + SHARE_OF[outcome] });
  }
  return seen;
}

/** The usual share, drawn towards what was really seen as more of it is. */
export function learnedShare(usual: number, seen: SharesSeen | undefined): number {
  return seen ? (usual * USUAL_WEIGHS + seen.gone) / (USUAL_WEIGHS + seen.count) : usual;
}

/** People pour differently from sheets. Engineering default. */
const USE_LEARNING: LearningModel = { priorSigma: 0.3, observationSigma: 0.2 };

/** How much more or less of each thing is really used than planned, by its name. */
export function learnedUse(records: readonly StageRecord[]): Map<string, LearnedFactor> {
  const ratios = new Map<string, number[]>();
  for (const { what, predicted, amount } of records.flatMap(({ used }) => used)) {
    if (predicted <= 0 || amount <= 0) continue;
    ratios.set(what, [...(ratios.get(what) ?? []), amount / predicted]);
  }
  return new Map([...ratios].map(([what, own]) => [what, learnFactor(own, USE_LEARNING)]));
}
