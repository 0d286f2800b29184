import { MINUTES_PER_DAY } from '#core/measures';
import type { PlacedTask } from '#core/schedule/calendar';
import { type Hours, inOrder, minutesWithin, within } from '#core/plan/crew';
import { openHours, type Week } from '#core/schedule/hours';
import { clockShift, instantAfter, minuteOfDay, minutesBetween, weekday } from '#formats/values';
import { weekOf } from '#job/promise';
import { asChanged, bayAmong, bayOf, type FarJob, personOf, type ShopCase, type ShopSources } from './shop-case';

const WEEK_MIN = 7 * MINUTES_PER_DAY;

/** How much of a week's hours is taken; undefined where it has none. */
export interface Load {
  /** `bay:…` or `person:…`. */
  readonly what: string;
  readonly weeks: readonly (number | undefined)[];
}

/**
 * Load of each bay and each person, week by week: of a bay, in how much of its open hours something stands in it; of a
 * person, how much of their hours they work. Jobs far ahead stand in their bays; who works at them nobody knows yet.
 * @param mondays when the weeks begin, local midnights by the clocks of their own day
 */
export function loads(
  { calendar, bays }: ShopSources,
  { startAt, asked, far }: ShopCase,
  tasks: readonly PlacedTask[],
  mondays: readonly string[],
): Load[] {
  const minute = (at: string) => minutesBetween(startAt, at);
  /** Hours somebody is there in one week, minutes of the calendar. */
  const there = (week: Week, what: string, at: string): Hours => {
    const own = openHours(week, minuteOfDay(at), weekday(at), clockShift(at)).map(
      ([from, to]) => [from + minute(at), to + minute(at)] as const,
    );
    return within(asChanged(own, calendar, what, minute), [[minute(at), minute(at) + WEEK_MIN]]);
  };
  const load = (what: string, week: Week, taken: Hours): Load => ({
    what,
    weeks: mondays.map((at) => {
      const hours = there(week, what, at);
      const whole = hours.reduce((sum, [from, to]) => sum + to - from, 0);
      if (whole === 0) return undefined;
      return hours.reduce((sum, [from, to]) => sum + minutesWithin(taken, from, to), 0) / whole;
    }),
  });
  const standing = new Map<string, [number, number][]>();
  const stand = (what: string, from: number, to: number) =>
    standing.set(what, [...(standing.get(what) ?? []), [from, to]]);
  const placed = new Map(tasks.map((task) => [task.id, task]));
  for (const { tasks: ids } of asked.stays ?? []) {
    const own = ids.flatMap((id) => placed.get(id) ?? []);
    const bay = bayAmong(own[0]?.uses ?? []);
    if (bay !== undefined) stand(bayOf(bay), own[0]!.fromMin, own.at(-1)!.toMin);
  }
  for (const { uses, fromMin, toMin } of tasks) for (const used of uses) stand(used, fromMin, toMin);
  for (const { bay, from, to } of far) if (bay !== null) stand(bayOf(bay), minute(from), minute(to));
  return [
    ...bays.map((bay) => load(bayOf(bay.id), weekOf(bay), inOrder(standing.get(bayOf(bay.id)) ?? []))),
    ...calendar.people.map(({ id, week }) => load(personOf(id), week, inOrder(standing.get(personOf(id)) ?? []))),
  ];
}

/** Where each job stands over the months: from its first step to its last, or as one block where it is far ahead. */
export function blocks(
  { startAt, steps, far }: Pick<ShopCase, 'startAt' | 'steps' | 'far'>,
  tasks: readonly PlacedTask[],
): (Pick<FarJob, 'job' | 'bay' | 'from' | 'to'> & { readonly isFar: boolean })[] {
  const near = new Map<string, { job: FarJob['job']; bay: string | null; fromMin: number; toMin: number }>();
  for (const { id, fromMin, toMin, uses } of tasks) {
    const job = steps.get(id)?.job;
    if (!job) continue;
    const bay = bayAmong(uses) ?? null;
    const known = near.get(job.id);
    near.set(job.id, {
      job,
      bay: known?.bay ?? bay,
      fromMin: Math.min(known?.fromMin ?? fromMin, fromMin),
      toMin: Math.max(known?.toMin ?? toMin, toMin),
    });
  }
  return [
    ...[...near.values()].map(({ job, bay, fromMin, toMin }) => ({
      job,
      bay,
      from: instantAfter(startAt, fromMin),
      to: instantAfter(startAt, toMin),
      isFar: false,
    })),
    ...far.map(({ job, bay, from, to }) => ({ job, bay, from, to, isFar: true })),
  ];
}
