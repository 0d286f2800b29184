import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';
import { type Hours, inOrder, workedIn } from '#core/plan/crew';

/** When a workshop is open on a day, local hours; null: it stays closed. */
export type OpenDay = readonly [opensAtHour: number, closesAtHour: number] | null;
/** Monday to Sunday. */
export type Week = readonly OpenDay[];

export const DAYS_OF_WEEK = 7;
/** Where nobody says otherwise. */
export const USUAL_WEEK: Week = Array.from({ length: DAYS_OF_WEEK }, () => [8, 18] as const);
/** As far ahead as work is planned, days: what is later than that nobody promises. */
const DAYS_AHEAD = 60;

/**
 * Opening hours as stretches on the scale of a job.
 * @param startMinuteOfDay local minutes since midnight at the job's zero
 * @param startWeekday 1 Monday to 7 Sunday
 * @param shiftMin by how many minutes the clocks on the wall have been put forward since, at a moment
 */
export function openHours(
  week: Week,
  startMinuteOfDay: number,
  startWeekday: number,
  shiftMin: (tMin: number) => number = () => 0,
): Hours {
  const stretches: [number, number][] = [];
  for (let day = 0; day < DAYS_AHEAD; day++) {
    const open = week[(startWeekday - 1 + day) % DAYS_OF_WEEK];
    if (!open) continue;
    const midnightMin = day * MINUTES_PER_DAY - startMinuteOfDay;
    const [from, to] = open.map((hour) => midnightMin + hour * MINUTES_PER_HOUR);
    stretches.push([from! - shiftMin(from!), to! - shiftMin(to!)]);
  }
  return inOrder(stretches);
}

/**
 * When so many minutes of work have been done within some hours, each stretch of them begun with some that are not work;
 * null: never in these.
 */
export function workedBy(hours: Hours, fromMin: number, workMin: number, firstMin: number): number | null {
  if (workMin <= 0) return fromMin;
  const [stretches] = workedIn(hours, fromMin, [workMin], firstMin);
  return stretches?.at(-1)?.[1] ?? null;
}
