import {
  type Hours,
  hoursOf,
  inOrder,
  minutesWithin,
  peopleOf,
  preparersOf,
  within,
  withHands,
  without,
} from '#core/plan/crew';
import { layingBegins, layingSetUpMin, openHours, preparedBy, USUAL_WEEK, type Week } from '#core/schedule/hours';
import type { PlanInput } from '#core/plan/job';
import { type Preparation, stageKey, type WorkingDay } from '#core/prepare/stages';
import { patchState, type RunRecord } from '#core/lay/run';
import type { Bay, Job, LostWhy } from '#formats/job';
import { clockShift, minuteOfDay, minutesBetween, weekday } from '#formats/values';

/** When a bay is open: its own week, else the hours it is heated, every day. */
export function weekOf(bay: Pick<Bay, 'climate'> | undefined): Week {
  if (!bay) return USUAL_WEEK;
  const { week, opensAtHour, closesAtHour } = bay.climate;
  return week ?? USUAL_WEEK.map(() => [opensAtHour, closesAtHour] as const);
}

/** Once somebody is at it they stay until what is wet is levelled, whatever the clock says: so long, minutes. */
const STAYS_MIN = 120;
/** Where they had better be gone, they level what is wet and lay no more. */
const LEVELS_MIN = 30;

/** A job as it is worked in a workshop that opens and closes: while it is open, or in hours somebody told of their own. */
export function inOpeningHours(
  planned: PlanInput,
  { startAt, days }: Pick<Job, 'startAt' | 'days'>,
  week: Week,
  { record, nowMin }: { readonly record: RunRecord; readonly nowMin: number },
): PlanInput {
  const lost = lostHours({ startAt, days });
  const open = without(openHours(week, minuteOfDay(startAt), weekday(startAt), clockShift(startAt)), lost);
  const wet = [...record.patches.values()].some((patch) => patchState(patch) !== 'done');
  const staysMin = minutesWithin(lost, nowMin, nowMin + STAYS_MIN) > 0 ? LEVELS_MIN : STAYS_MIN;
  const there = wet ? inOrder([...open, [nowMin - STAYS_MIN, nowMin + staysMin]]) : open;
  // Who told hours of their own is there in those, evenings and closed days as well; everybody else while it is open.
  const own = new Set(peopleOf(planned.crew).flatMap(({ id, hours }) => (hours ? [id] : [])));
  const people = withHands(peopleOf(planned.crew), record.hands).map((person) => ({
    ...person,
    hours: own.has(person.id) ? without(hoursOf(person), lost) : within(hoursOf(person), there),
  }));
  return { ...planned, crew: { ...planned.crew, people } };
}

/** When nobody can work at a job though they are there, for that reason or any, minutes on its scale. */
export const lostHours = ({ startAt, days }: Pick<Job, 'startAt' | 'days'>, reason?: LostWhy): Hours =>
  inOrder(
    (days?.lost ?? [])
      .filter(({ why }) => reason === undefined || why === reason)
      .map(({ from, to }) => [minutesBetween(startAt, from), minutesBetween(startAt, to)]),
  );

/** Minutes after the start beyond which nobody plans: what is not prepared by then is not laid. */
const NEVER_MIN = 1e7;

/**
 * From when on what is still to be done of a job is counted: now, where something has been laid; its start, or now if
 * that is later, where its preparation has begun; else its start, whatever the time is.
 */
export function countsFrom({ patches, stages }: RunRecord, nowMin: number): number {
  if (patches.size > 0) return nowMin;
  return stages.size > 0 ? Math.max(0, nowMin) : 0;
}

/** Setting up before the first panel is laid, minutes: behind it once something has been laid, 0 where nothing is to be. */
export function setUpMin({ surfaces }: Pick<PlanInput, 'surfaces'>, { patches }: Pick<RunRecord, 'patches'>): number {
  const products = new Set(surfaces.flatMap(({ layers }) => layers.map(({ product }) => product)));
  return patches.size > 0 ? 0 : layingSetUpMin(products.size);
}

/**
 * When laying may begin: now, where it has begun; else when the preparation that is still to be done is done and dry and
 * all is set up, in the hours its people are there.
 */
export function layingFrom(
  { crew, surfaces }: PlanInput,
  { stages, minutes }: Pick<Preparation, 'stages' | 'minutes'>,
  day: WorkingDay,
  { record, nowMin }: { readonly record: RunRecord; readonly nowMin: number },
): number {
  const fromMin = countsFrom(record, nowMin);
  if (record.patches.size > 0) return fromMin;
  const left = stages.reduce(
    (sum, stage) => (record.stages.get(stageKey(stage))?.endMin === undefined ? sum + stage.minutes : sum),
    0,
  );
  const people = peopleOf(crew);
  const preparing = preparersOf(people).map(hoursOf);
  const prepared = preparedBy(day, minutes > 0 ? left / minutes : 0, preparing, fromMin);
  return (
    (prepared && layingBegins(people.map(hoursOf), prepared, setUpMin({ surfaces }, record))?.fromMin) ?? NEVER_MIN
  );
}
