import { type LearnedFactor, learnFactor, type LearningModel } from '#core/work/learning';
import type { StageRecord } from './stage-log';

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
