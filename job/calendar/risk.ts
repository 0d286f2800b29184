import { type PlacedTask, type RehearsedDue, rehearseCalendar } from '#core/schedule/calendar';
import { USUAL_UNCERTAINTY } from '#core/schedule/rehearsal';
import type { OperationKind } from '#formats/job';
import { handingOverMin, lastTask, type ShopCase } from './shop-case';

const { preparation, pace, action, flash, cure } = USUAL_UNCERTAINTY;

/**
 * How much longer or shorter a step may take than planned, log-sigma: the day's pace and each action beside it; wet
 * film adds its flash. The same spreads a job's own days are rehearsed with; looking over as work. It is ready before it
 * is explained: how long that takes moves no date.
 */
const SIGMA: Readonly<Record<OperationKind, number>> = {
  clean: preparation,
  correct: preparation,
  wipe: preparation,
  dry: cure,
  lay: Math.hypot(pace, action, flash),
  cure,
  check: Math.hypot(pace, action),
  'hand-over': 0,
};

/** So many weeks are gone through for a risk: it is off by three or four in a hundred at most, mostly. */
const TIMES = 200;

/** What nine weeks in ten come to, of one job. */
export interface JobRisk extends RehearsedDue {
  readonly job: string;
}

/** How likely each job is ready when it is due, and when it is nine times in ten: all steps as long as they may take. */
export function promiseRisks(
  { asked, steps }: Pick<ShopCase, 'asked' | 'steps'>,
  plan: readonly PlacedTask[],
): JobRisk[] {
  const due = new Map(asked.due.map(({ task, byMin }) => [task, byMin]));
  const jobs = new Map([...steps.values()].map(({ job }) => [job.id, job]));
  const placed = new Set(plan.map(({ id }) => id));
  const of = [...jobs.values()].flatMap((job) => {
    const task = lastTask(job);
    return task !== undefined && placed.has(task) ? [{ job, task, byMin: due.get(task) ?? Infinity }] : [];
  });
  const rehearsed = rehearseCalendar(asked, plan, {
    sigmaOf: (task) => {
      const kind = steps.get(task)?.step.kind;
      return kind === undefined ? 0 : SIGMA[kind];
    },
    times: TIMES,
    seed: asked.seed,
    of,
  });
  return rehearsed.map((one, nth) => {
    const { job } = of[nth]!;
    const { nineTenthsMin } = one;
    return {
      ...one,
      job: job.id,
      nineTenthsMin: nineTenthsMin === undefined ? undefined : nineTenthsMin - handingOverMin(job),
    };
  });
}
