import { USUAL_WISHES } from '#core/choose/stacks';
import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';
import type { PlacedTask } from '#core/schedule/calendar';
import { type Hours, inOrder, minutesWithin, without } from '#core/plan/crew';
import type { CalendarJob, ShopCalendar } from '#formats/schedule';
import { instantAfter, minutesBetween, weekday } from '#formats/values';
import { bayAmong, bayOf, openOf, personOf, type ShopCase, skillOf, taskOf } from './shop-case';

/** Called in for the days until a job goes out, in usual hours. */
export const HELPER = 'helper';
const SATURDAY = 6;
/** What an hour of work at a job costs, cents; the usual rate where nobody says. */
export const hourMoney = ({ costs }: CalendarJob): number => costs?.hourRate ?? USUAL_WISHES.hourRate;

/** Where it stands, bay's own name; undefined: nowhere. */
export const standsIn = ({ asked }: ShopCase, job: CalendarJob): string | undefined => {
  const own = new Set(job.work.map(({ key }) => taskOf(job.id, key)));
  const stay = (asked.stays ?? []).find(({ tasks }) => tasks.some((id) => own.has(id)));
  return bayAmong(stay?.anyOf ?? []);
};

/** People who may do any of what is left of a job. */
function handsOf({ people }: ShopCalendar, { work }: CalendarJob): ShopCalendar['people'] {
  const wanted = new Set(work.filter(({ hands }) => hands > 0).map(skillOf));
  return people.filter(({ skills }) => skills.some((skill) => wanted.has(skill)));
}

/** Each of a job's people, and its bay, so many hours longer on every evening until it goes out. */
export function longerEvenings(
  shop: ShopCase,
  calendar: ShopCalendar,
  job: CalendarJob,
  hours: number,
  untilMin: number,
): ShopCalendar {
  return withMore(shop, calendar, job, (own) =>
    evenings(own).flatMap((end): Hours => (end < untilMin ? [[end, end + hours * MINUTES_PER_HOUR]] : [])),
  );
}

/** Each of them on the Saturdays until then, as long as on the Friday before. */
export function onSaturdays(shop: ShopCase, calendar: ShopCalendar, job: CalendarJob, untilMin: number): ShopCalendar {
  return withMore(shop, calendar, job, (own) =>
    own.flatMap(([from, to]) => {
      const next = [from + MINUTES_PER_DAY, to + MINUTES_PER_DAY] as const;
      return weekday(instantAfter(shop.startAt, next[0])) === SATURDAY && from < untilMin ? [next] : [];
    }),
  );
}

/** A pause in between is no evening, minutes. */
const NIGHT_MIN = 6 * MINUTES_PER_HOUR;

/** When the days in some hours end. */
const evenings = (hours: Hours): number[] =>
  inOrder(hours).flatMap(([, to], nth, all) => ((all[nth + 1]?.[0] ?? Infinity) - to > NIGHT_MIN ? [to] : []));

function withMore(
  shop: ShopCase,
  calendar: ShopCalendar,
  job: CalendarJob,
  added: (hours: Hours) => Hours,
): ShopCalendar {
  const hoursOf = new Map(shop.asked.resources.map(({ id, hours }) => [id, hours ?? []]));
  const bay = standsIn(shop, job);
  const hands = handsOf(calendar, job).map(({ id }) => personOf(id));
  const put = (what: string, those: Hours): ShopCalendar['more'] =>
    without(those, hoursOf.get(what) ?? []).map(([from, to]) => ({
      id: `${what}/${instantAfter(shop.startAt, from)}`,
      what: bay !== undefined && what === openOf(bay) ? bayOf(bay) : what,
      from: instantAfter(shop.startAt, from),
      to: instantAfter(shop.startAt, to),
    }));
  const people = hands.map((what) => [what, added(hoursOf.get(what) ?? [])] as const);
  // The bay is open for whoever stays.
  const open = inOrder(people.flatMap(([, those]) => those));
  return {
    ...calendar,
    more: [
      ...calendar.more,
      ...people.flatMap(([what, those]) => put(what, those)),
      ...(bay === undefined ? [] : put(openOf(bay), open)),
    ],
  };
}

/** Minutes of work in the hours beyond the usual, and those of who comes in. */
export function minutesBeyond(shop: ShopCase, { more }: ShopCalendar, tasks: readonly PlacedTask[]): number {
  const minute = (at: string) => minutesBetween(shop.startAt, at);
  const beyondOf = new Map<string, [number, number][]>();
  for (const { what, from, to } of more)
    beyondOf.set(what, [...(beyondOf.get(what) ?? []), [minute(from), minute(to)]]);
  return tasks.reduce(
    (sum, { id, fromMin, toMin, uses }) =>
      sum +
      uses.reduce((own, what) => {
        if (what === personOf(HELPER)) return own + (shop.steps.get(id)?.step.min ?? 0);
        return own + minutesWithin(inOrder(beyondOf.get(what) ?? []), fromMin, toMin);
      }, 0),
    0,
  );
}

/** Of the hours that were added to a calendar, those in which somebody works, in that bay or by that person. */
export function workedOnly(
  { startAt }: ShopCase,
  calendar: ShopCalendar,
  before: ShopCalendar,
  tasks: readonly PlacedTask[],
): ShopCalendar {
  const isWorked = ({ what, from, to }: ShopCalendar['more'][number]) => {
    const [fromMin, toMin] = [minutesBetween(startAt, from), minutesBetween(startAt, to)];
    const bay = bayAmong([what]);
    const takes = bay === undefined ? what : openOf(bay);
    return tasks.some((task) => task.uses.includes(takes) && task.fromMin < toMin && task.toMin > fromMin);
  };
  return { ...calendar, more: calendar.more.filter((each) => before.more.includes(each) || isWorked(each)) };
}
