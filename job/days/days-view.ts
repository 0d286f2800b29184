import {
  type Agreed,
  begins,
  type DayChange,
  dayChanges,
  ends,
  jobDays,
  type JobDays,
  untilDeadline,
  type UntilDeadline,
} from '#core/schedule/days';
import { type Hours, hoursOf, peopleOf, preparersOf } from '#core/plan/crew';
import { openHours, type Week } from '#core/schedule/hours';
import type { PlanInput } from '#core/plan/job';
import { type Preparation, stageKey, type WorkingDay } from '#core/prepare/stages';
import type { RunRecord } from '#core/lay/run';
import type { LaidOut } from '#core/lay/run-sheet';
import { STEP_KINDS } from '#core/prepare/steps';
import type { Job } from '#formats/job';
import { setUpMin } from '#job/promise';
import { clockShift, instantAfter, minuteOfDay, minutesBetween, weekday } from '#formats/values';

/** Explaining the item to its owner where nobody says how long it takes, minutes. */
export const USUAL_HANDOVER_MIN = 30;

export interface DaysInput {
  readonly document: Job;
  /** In the hours its people are there and the workshop is open. */
  readonly planned: PlanInput;
  readonly preparation: Pick<Preparation, 'stages' | 'minutes'>;
  readonly day: WorkingDay;
  readonly record: RunRecord;
  /** What is left to be laid, and when it has cured. */
  readonly out: Pick<LaidOut, 'actions' | 'plan'>;
  /** Every panel has been looked over, and all there is to answer before it goes. */
  readonly isChecked: boolean;
  /** Counted from here, minutes. */
  readonly fromMin: number;
}

/** The days of a job, what is left until its deadline, and what is otherwise than it was agreed. */
export interface DaysView extends JobDays {
  /** When each of the people is there. */
  readonly people: readonly Hours[];
  /** Absent where nobody waits for it. */
  readonly until?: UntilDeadline;
  /** Minutes it is ready before it is wanted; negative: too late. Undefined where nobody waits, or it is never. */
  readonly spareMin: number | undefined;
  readonly changes: readonly DayChange[];
}

/** The days of a job as it stands. */
export function daysView(input: DaysInput): DaysView {
  const { document, planned, preparation, day, record, out, fromMin, isChecked } = input;
  const there = peopleOf(planned.crew);
  const people = there.map(hoursOf);
  const { agreed, collection } = document.days ?? {};
  const minute = (instant: string) => minutesBetween(document.startAt, instant);
  const laidOn = new Set(planned.surfaces.flatMap(({ id, layers }) => (layers.length > 0 ? [id] : [])));
  const areaM2 = out.plan.surfaces.reduce((sum, surface) => sum + (laidOn.has(surface.id) ? surface.areaM2 : 0), 0);
  const days = jobDays({
    // Where something has been laid its preparation is behind it.
    stages:
      record.patches.size > 0
        ? []
        : preparation.stages.filter((stage) => record.stages.get(stageKey(stage))?.endMin === undefined),
    preparationMin: preparation.minutes,
    day,
    people,
    preparers: preparersOf(there).map(hoursOf),
    startMinuteOfDay: minuteOfDay(document.startAt),
    fromMin,
    actions: out.actions,
    setUpMin: setUpMin(planned, record),
    curedMin: out.plan.handoverMin,
    checkMin: isChecked ? 0 : areaM2 * STEP_KINDS.inspection.pace.min,
    ...(collection !== undefined && { collectionMin: minute(collection) }),
    handoverMin: document.days?.handoverMin ?? USUAL_HANDOVER_MIN,
  });
  const { needsByMin } = planned;
  // The owner is there by then: explaining it comes after.
  const blocks = days.blocks.filter(({ kind }) => kind !== 'hand-over');
  return {
    ...days,
    people,
    ...(needsByMin !== undefined && { until: untilDeadline(blocks, people, fromMin, needsByMin) }),
    spareMin: needsByMin === undefined || days.readyMin === null ? undefined : needsByMin - days.readyMin,
    changes: agreed
      ? dayChanges(
          // What is behind it by now is no change.
          agreed.blocks.flatMap(({ key, from, until }) =>
            minute(until) > fromMin ? [{ key, fromMin: minute(from), untilMin: minute(until) }] : [],
          ),
          agreedOf(days),
        )
      : [],
  };
}

/** When what of a job's days is done, as it is held against another plan: work and hand-over, waits follow from them. */
const agreedOf = ({ blocks }: JobDays): Agreed[] =>
  blocks
    .filter(({ kind }) => kind !== 'wait' && kind !== 'dry' && kind !== 'set-up' && kind !== 'pack-up')
    .map((block) => ({ key: block.key, fromMin: begins(block), untilMin: ends(block) }));

/** A plan as it is told to somebody, to be kept with the job. */
export function asAgreed(
  { startAt }: Pick<Job, 'startAt'>,
  days: JobDays,
  at: string,
): NonNullable<NonNullable<Job['days']>['agreed']> {
  return {
    at,
    ...(days.handedOverMin !== null && { handedOver: instantAfter(startAt, days.handedOverMin) }),
    blocks: agreedOf(days).map(({ key, fromMin, untilMin }) => ({
      key,
      from: instantAfter(startAt, fromMin),
      until: instantAfter(startAt, untilMin),
    })),
  };
}

/**
 * The half days to come in which a workshop is open, each day parted in its middle; the one that has begun counts.
 * @param fromMin counted from here, minutes of the job
 */
export function halfDays(week: Week, startAt: string, fromMin: number, count: number): Hours {
  return openHours(week, minuteOfDay(startAt), weekday(startAt), clockShift(startAt))
    .flatMap(([opens, closes]) => {
      const middle = (opens + closes) / 2;
      return [[opens, middle] as const, [middle, closes] as const];
    })
    .filter(([, to]) => to > fromMin)
    .slice(0, count);
}
