import { type LearnedFactor, learnFactor, type LearningModel } from '#core/measures/learning';
import type { StepKindId } from '#core/prepare/steps';
import { sharesSeen } from './marks-gone';
import type { MarkOutcome } from './observations';
import type { StageRecord } from './stage-log';

/** What one job teaches of preparation: really against planned, and what became of marks. */
export interface PreparationLesson {
  readonly hours: readonly { readonly kind: StepKindId; readonly ratio: number }[];
  readonly uses: readonly { readonly what: string; readonly ratio: number }[];
  readonly outcomes: readonly Pick<MarkOutcome, 'level' | 'kind' | 'severity' | 'outcome'>[];
}

/** Hours of people differ more from the defaults than flash times from a sheet. Engineering default. */
export const HOURS_LEARNING: LearningModel = { priorSigma: 0.4, observationSigma: 0.2, mostRatio: 4 };
/** People pour differently from sheets. Engineering default. */
export const USE_LEARNING: LearningModel = { priorSigma: 0.3, observationSigma: 0.2, mostRatio: 4 };
/** A stage this short says nothing of pace, minutes. */
const LEAST_WORKED_MIN = 1;

/** What a job's finished stages and the marks looked at again teach. */
export function lessonOf(stages: Iterable<StageRecord>, outcomes: Iterable<MarkOutcome>): PreparationLesson {
  const all = [...stages];
  return {
    hours: all.flatMap(({ stage, predictedMin, workedMin, endMin }) =>
      endMin === undefined || predictedMin <= 0 || workedMin < LEAST_WORKED_MIN
        ? []
        : [{ kind: stage.kind, ratio: workedMin / predictedMin }],
    ),
    uses: all
      .flatMap(({ used }) => used)
      .flatMap(({ what, predicted, amount }) =>
        predicted <= 0 || amount <= 0 ? [] : [{ what, ratio: amount / predicted }],
      ),
    outcomes: [...outcomes].map(({ level, kind, severity, outcome }) => ({ level, kind, severity, outcome })),
  };
}

/** How much longer or shorter than the defaults each kind of step really takes. */
export const learnedHours = (lessons: readonly PreparationLesson[]): Partial<Record<StepKindId, LearnedFactor>> =>
  Object.fromEntries(factors(lessons, ({ hours }) => hours.map(({ kind, ratio }) => [kind, ratio]), HOURS_LEARNING));

/** How much more or less of each thing is really used than planned, by its name. */
export const learnedUse = (lessons: readonly PreparationLesson[]): Map<string, LearnedFactor> =>
  factors(lessons, ({ uses }) => uses.map(({ what, ratio }) => [what, ratio]), USE_LEARNING);

/** What becomes of marks, by level, kind and severity. */
export const learnedShares = (lessons: readonly PreparationLesson[]) => [
  ...sharesSeen(lessons.flatMap(({ outcomes }) => outcomes)).values(),
];

function factors<Key extends string>(
  lessons: readonly PreparationLesson[],
  observed: (lesson: PreparationLesson) => readonly (readonly [Key, number])[],
  model: LearningModel,
): Map<Key, LearnedFactor> {
  const ratios = new Map<Key, number[]>();
  for (const [key, ratio] of lessons.flatMap(observed)) {
    const own = ratios.get(key);
    if (own) own.push(ratio);
    else ratios.set(key, [ratio]);
  }
  return new Map([...ratios].map(([key, own]) => [key, learnFactor(own, model)]));
}
