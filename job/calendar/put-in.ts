import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';
import { type PlacedTask, redraw, type Redrawn } from '#core/schedule/calendar';
import type { ShopCalendar } from '#formats/schedule';
import { instantAfter } from '#formats/values';
import { hourMoney, longerEvenings, minutesBeyond, onSaturdays, workedOnly } from './overtime';
import { promiseRisks } from './risk';
import { handingOverMin, lastTask, shopCase, type ShopSources, taskOf } from './shop-case';
import { toldAt } from './told';

/** When a job could come in and go out, what that is likely worth as a promise, and what it costs. */
export interface DateOffered {
  readonly kind: 'soonest' | 'as-it-goes' | 'week-later' | 'two-weeks-later';
  readonly bay: string;
  readonly from: string;
  /** Ready for collection then if all goes as planned, and in which share of the times. */
  readonly readyAt: string;
  readonly kept: number;
  /** Ready by then nine times in ten, at an hour when somebody is there. */
  readonly promiseAt: string;
  /** Of those promised already, the one that loses most by it: shares before and with it. */
  readonly other?: { readonly job: string; readonly before: number; readonly kept: number };
  /** Its material and its hours, and what is worked beyond the usual ones, cents. */
  readonly money: number;
  readonly moreMin: number;
  /** The calendar with it, but for the promise itself. */
  readonly calendar: ShopCalendar;
  readonly tasks: readonly PlacedTask[];
}

/** Hours in the evening, and Saturdays, where it is to be done as soon as it can be. */
const SOONEST_HOURS = 2;
const WEEK_MIN = 7 * MINUTES_PER_DAY;

/**
 * Three dates for a job that nobody was promised yet, from a moment on: as soon as it can be with longer evenings and
 * Saturdays, as the calendar has room, and a week after that; two weeks after it where nothing makes it sooner. All that
 * stands, stays; each in the bay where it is done first. A promise is what nine times in ten holds.
 */
export function datesFor(sources: ShopSources, jobId: string, earliest: string): DateOffered[] {
  const job = sources.jobs.find(({ id }) => id === jobId);
  if (!job || job.work.length === 0) return [];
  const own = new Set(job.work.map(({ key }) => taskOf(job.id, key)));
  const bare: ShopCalendar = {
    ...sources.calendar,
    promised: sources.calendar.promised.filter((each) => each.job !== job.id),
    plan: sources.calendar.plan.filter(({ task }) => !own.has(task)),
  };
  const without = shopCase({ ...sources, calendar: bare, jobs: sources.jobs.filter((each) => each !== job) });
  const standing = redraw(without.asked, without.stood);
  const risksBefore = new Map(promiseRisks(without, standing.tasks).map((risk) => [risk.task, risk]));
  const last = lastTask(job)!;

  /** In the bay where it is done first, nobody else moved. */
  const placed = (from: string, hours: number) => {
    let best: { bay: string; calendar: ShopCalendar; drawn: Redrawn; endMin: number } | undefined;
    for (const { id: bay } of sources.bays) {
      const promised = [...bare.promised, { job: job.id, by: from, from, bay }];
      const usual = { ...bare, promised };
      const shop = shopCase({ ...sources, calendar: usual });
      const first = redraw(shop.asked, standing.tasks);
      const firstEnd = first.tasks.find(({ id }) => id === last)?.toMin;
      const calendar =
        hours > 0 && firstEnd !== undefined
          ? onSaturdays(shop, longerEvenings(shop, usual, job, hours, firstEnd), job, firstEnd)
          : usual;
      const drawn = calendar === usual ? first : redraw(shopCase({ ...sources, calendar }).asked, standing.tasks);
      const endMin = drawn.tasks.find(({ id }) => id === last)?.toMin;
      if (endMin !== undefined && (!best || endMin < best.endMin)) best = { bay, calendar, drawn, endMin };
    }
    return best;
  };
  const beginOf = ({ tasks }: Redrawn) =>
    tasks.reduce((least, { id, fromMin }) => (own.has(id) ? Math.min(least, fromMin) : least), Infinity);
  const offered: DateOffered[] = [];
  const asItGoes = placed(earliest, 0);
  if (!asItGoes) return [];
  const soonest = placed(earliest, SOONEST_HOURS);
  const isSooner = soonest !== undefined && soonest.endMin < asItGoes.endMin;
  const later = (weeks: number) => placed(instantAfter(without.startAt, beginOf(asItGoes.drawn) + weeks * WEEK_MIN), 0);
  const weekLater = later(1);
  for (const [kind, each] of [
    ['soonest', isSooner ? soonest : undefined],
    ['as-it-goes', asItGoes],
    ['week-later', weekLater],
    ['two-weeks-later', isSooner ? undefined : later(2)],
  ] as const) {
    if (!each) continue;
    const { bay, drawn, endMin, calendar } = each;
    const readyAt = instantAfter(without.startAt, endMin - handingOverMin(job));
    const promised = calendar.promised.map((promise) =>
      promise.job === job.id ? { ...promise, by: readyAt } : promise,
    );
    const shop = shopCase({ ...sources, calendar: { ...calendar, promised } });
    const risks = promiseRisks(shop, drawn.tasks);
    const mine = risks.find(({ task }) => task === last);
    if (mine?.nineTenthsMin === undefined) continue;
    const due = new Set(shop.asked.due.map(({ task }) => task));
    const [worst] = risks
      .flatMap(({ task, kept, job: of }) => {
        const before = risksBefore.get(task)?.kept ?? 0;
        return task !== last && due.has(task) && kept < before ? [{ job: of, before, kept }] : [];
      })
      .toSorted((a, b) => a.kept - a.before - (b.kept - b.before));
    const moreMin = minutesBeyond(shop, calendar, drawn.tasks);
    const rate = hourMoney(job);
    const work = job.work.reduce((sum, { min, hands }) => sum + min * hands, 0);
    offered.push({
      kind,
      bay,
      from: instantAfter(shop.startAt, beginOf(drawn)),
      readyAt,
      kept: mine.kept,
      promiseAt: toldAt(shop, drawn.tasks, job, mine.nineTenthsMin),
      ...(worst && { other: worst }),
      moreMin,
      money: Math.round(
        (job.costs?.materialMoney ?? 0) + (rate * (work + moreMin * bare.overtimeShare)) / MINUTES_PER_HOUR,
      ),
      calendar: workedOnly(shop, calendar, bare, drawn.tasks),
      tasks: drawn.tasks,
    });
  }
  return offered;
}
