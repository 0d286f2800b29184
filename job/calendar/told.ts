import { MINUTES_PER_DAY } from '#core/measures';
import { type Hours, nextFit, within } from '#core/plan/crew';
import type { PlacedTask } from '#core/schedule/calendar';
import type { CalendarJob } from '#formats/schedule';
import { instantAfter, minutesBetween, onTheClock } from '#formats/values';
import { handingOverMin, lastTask, readyIn, type ShopCase } from './shop-case';

/** Owners are told full and half hours. */
const TOLD_MIN = 30;
const ALWAYS: Hours = [[-Infinity, Infinity]];
/** Nobody looks further for an hour at which somebody is there. */
const LOOKED_FOR_MIN = 60 * MINUTES_PER_DAY;

/**
 * The date an owner is told where a job is ready at a moment, never before it is ready as planned: the next full or half
 * hour at which its bay is open and whoever hands it over is there for long enough.
 */
export function toldAt(
  { asked, startAt }: Pick<ShopCase, 'asked' | 'startAt'>,
  tasks: readonly PlacedTask[],
  job: Pick<CalendarJob, 'id' | 'work'>,
  readyMin: number,
): string {
  const uses = tasks.find(({ id }) => id === lastTask(job))?.uses ?? [];
  const hours = asked.resources
    .filter(({ id }) => uses.includes(id))
    .reduce<Hours>((common, each) => (each.hours ? within(common, each.hours) : common), ALWAYS);
  const rounded = (min: number) => minutesBetween(startAt, onTheClock(instantAfter(startAt, Math.ceil(min)), TOLD_MIN));
  let min = rounded(Math.max(readyMin, readyIn(tasks, job) ?? readyMin));
  while (min < readyMin + LOOKED_FOR_MIN) {
    const fits = nextFit(hours, min, handingOverMin(job));
    if (fits === null || fits === min) break;
    min = rounded(fits);
  }
  return instantAfter(startAt, min);
}
