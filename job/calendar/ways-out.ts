import { MINUTES_PER_HOUR } from '#core/measures';
import { type PlacedTask, redraw, type Redrawn } from '#core/schedule/calendar';
import { instantAfter } from '#formats/values';
import { type CalendarJob, type ShopCalendar, type Skill, SKILLS } from '#formats/schedule';
import { HELPER, hourMoney, longerEvenings, minutesBeyond, onSaturdays, standsIn, workedOnly } from './overtime';
import { lastTask, type ShopCase, shopCase, type ShopSources, skillOf, taskOf } from './shop-case';

/** What may be done so that a promise is kept. */
export type Way =
  /** Everybody who works at it stays so many hours longer, its bay open as long. */
  | { readonly kind: 'overtime'; readonly hours: number }
  /** They come on a Saturday too. */
  | { readonly kind: 'weekend' }
  /** Somebody who is there is called to do what they are not called to do yet. */
  | { readonly kind: 'skill'; readonly person: string; readonly skill: Skill }
  /** Somebody comes in to help for the days until it goes out. */
  | { readonly kind: 'helper' }
  /** It stands in another bay, with the steps it has in its own. */
  | { readonly kind: 'bay'; readonly bay: string }
  /** It is done before whatever has not begun. */
  | { readonly kind: 'first' };

export interface WayOut {
  readonly way: Way;
  /** The calendar with it; to be agreed to. */
  readonly calendar: ShopCalendar;
  /** Where that leaves everything. */
  readonly tasks: readonly PlacedTask[];
  /** Minutes it is late then; 0: kept. */
  readonly lateMin: number;
  /** Minutes it goes out sooner than it would. */
  readonly soonerMin: number;
  /** Jobs that are later for it than they were and than they are due. */
  readonly alsoLate: readonly { readonly job: string; readonly lateMin: number }[];
  readonly moves: number;
  /** Minutes people work beyond their usual hours, or for which somebody comes in. */
  readonly moreMin: number;
  /** What those cost above what the work costs anyway, cents. */
  readonly money: number;
}

/** What makes it sooner by less is no way out, minutes. */
const WORTH_MIN = 15;
/** So much longer nobody stays. */
const MOST_HOURS = 3;

/**
 * Ways to keep a promise that the calendar breaks, or to be surer of one that is tight, each worked out whole: what it
 * comes to for that job and all others, how many steps move, and what it costs. Those that keep it first, the cheapest
 * of them first.
 * @param drawn the calendar as it stands
 */
export function waysOut(sources: ShopSources, shop: ShopCase, drawn: Redrawn, job: CalendarJob): WayOut[] {
  const { calendar } = sources;
  const last = lastTask(job);
  const due = shop.asked.due.find(({ task }) => task === last);
  if (last === undefined || !due) return [];
  const before = drawn.lateMin.get(last) ?? Infinity;
  const endMin = drawn.tasks.find(({ id }) => id === last)?.toMin ?? Infinity;
  const untilMin = Number.isFinite(endMin) ? endMin : due.byMin;
  const moments = new Map(drawn.tasks.map(({ id, fromMin }) => [id, fromMin]));
  const free = new Set(job.work.map(({ key }) => taskOf(job.id, key)));
  const already = minutesBeyond(shop, calendar, drawn.tasks);
  const judged = (way: Way, next: ShopCalendar): WayOut | undefined => {
    const changed = shopCase({ ...sources, calendar: next });
    const after = redraw(changed.asked, drawn.tasks, { free, first: way.kind === 'first' });
    const lateMin = after.lateMin.get(last) ?? Infinity;
    const soonerMin = endMin - (after.tasks.find(({ id }) => id === last)?.toMin ?? Infinity);
    if (lateMin > before || soonerMin < WORTH_MIN) return undefined;
    const alsoLate = [...after.lateMin].flatMap(([task, min]) =>
      task !== last && min > (drawn.lateMin.get(task) ?? 0)
        ? [{ job: changed.steps.get(task)!.job.id, lateMin: min }]
        : [],
    );
    const moreMin = Math.max(0, minutesBeyond(changed, next, after.tasks) - already);
    // Who comes in is paid whole; who stays longer is paid anyway, and the share above it.
    const share = way.kind === 'helper' ? 1 : calendar.overtimeShare;
    return {
      way,
      calendar: workedOnly(changed, next, calendar, after.tasks),
      tasks: after.tasks,
      lateMin,
      soonerMin,
      alsoLate,
      moves: after.tasks.filter(({ id, fromMin }) => changed.steps.has(id) && moments.get(id) !== fromMin).length,
      moreMin,
      money: Math.round((hourMoney(job) * moreMin * share) / MINUTES_PER_HOUR),
    };
  };
  const found: (WayOut | undefined)[] = [];
  for (let hours = 1; hours <= MOST_HOURS; hours += 1) {
    const longer = judged({ kind: 'overtime', hours }, longerEvenings(shop, calendar, job, hours, untilMin));
    if (!longer) continue;
    const better = found[0];
    if (!better || longer.lateMin < better.lateMin) found[0] = longer;
    if (longer.lateMin === 0) break;
  }
  found.push(judged({ kind: 'weekend' }, onSaturdays(shop, calendar, job, untilMin)));
  const wanted = new Set(job.work.filter(({ hands }) => hands > 0).map(skillOf));
  for (const person of calendar.people)
    for (const skill of wanted) {
      if (person.skills.includes(skill)) continue;
      const people = calendar.people.map((each) =>
        each.id === person.id ? { ...each, skills: [...each.skills, skill] } : each,
      );
      found.push(judged({ kind: 'skill', person: person.id, skill }, { ...calendar, people }));
    }
  if (calendar.people.length > 0 && !calendar.people.some(({ id }) => id === HELPER)) {
    const week = calendar.people[0]!.week;
    const helper = { id: HELPER, name: 'A second person', skills: [...SKILLS], week };
    found.push(judged({ kind: 'helper' }, { ...calendar, people: [...calendar.people, helper] }));
  }
  if (!job.begun)
    for (const { id } of sources.bays) {
      if (id === standsIn(shop, job)) continue;
      const told = calendar.promised.find((each) => each.job === job.id);
      const by = instantAfter(shop.startAt, due.byMin);
      const promised = [
        ...calendar.promised.filter((each) => each !== told),
        { ...(told ?? { job: job.id, by, from: job.startAt }), bay: id },
      ];
      found.push(judged({ kind: 'bay', bay: id }, { ...calendar, promised }));
    }
  found.push(judged({ kind: 'first' }, calendar));
  return found
    .flatMap((way) => way ?? [])
    .toSorted(
      (a, b) =>
        a.lateMin - b.lateMin || a.alsoLate.length - b.alsoLate.length || a.money - b.money || a.moves - b.moves,
    );
}
