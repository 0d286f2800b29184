import { firstRenewMin, firstWashMin, phaseOf } from '#core/after/care';
import { NO_KIT } from '#core/work/kit';
import type { PickGroup } from '#core/work/pick-list';
import { foldLog, runProgress } from '#core/work/run';
import type { LaidOut } from '#core/work/runsheet';
import type { JobRecord, JobSummary } from '#formats/job';
import { loggedEntries } from '#formats/log';
import { instantAfter, minutesBetween } from '#formats/values';
import { pickListOf } from '#job/pick';
import { calendarFile } from '#formats/calendar';
import { daysView, leavesMin, outdoorsOf, ownerDates, ripening } from '#job/days';
import { plannedJob } from '#job/plan';
import { remindersOf } from '#job/prepare';
import { countsFrom, inOpeningHours, layingFrom, weekOf } from '#job/promise';
import { withUsage } from '#job/stock';
import { preparedWith, standingView } from '#job/view';
import type { Db } from '../db/open';
import type { YardForecastService } from '../devices/yard-forecast';
import { bayRepository } from '../repositories/bays';
import { runLogRepository } from '../repositories/run-log';
import type { QuoteService } from './quotes';
import type { StockService } from './stock';

/** A glance at a job is computed again after this long, since time itself moves it on. */
const FRESH_FOR_MS = 30_000;

interface Kept {
  readonly version: number;
  readonly lastSeq: number;
  readonly atMs: number;
  readonly summary: JobSummary;
  /** Units of each product that the job takes, so that nine jobs in ten like it are covered; none once all is laid. */
  readonly demand: ReadonlyMap<string, number>;
  /** The lessons of weighings it was worked out with. */
  readonly lessons: string;
}

interface Sources extends Pick<QuoteService, 'settingsOf'> {
  readonly stock: Pick<StockService, 'usage' | 'lessonsStanding'>;
  readonly weather: YardForecastService;
}

/** Jobs at a glance: computed from the plan and the log, kept until either changes. */
export function summaryService(db: Db, now: () => Date, { settingsOf, stock, weather }: Sources) {
  const log = runLogRepository(db);
  const bays = bayRepository(db);
  const kept = new Map<string, Kept>();
  /** What is known of a job, no older than asked for. */
  const keptOf = (job: JobRecord, freshForMs: number): Kept => {
    const lastSeq = log.lastSeq(job.id);
    const lessons = stock.lessonsStanding();
    const atMs = now().getTime();
    const known = kept.get(job.id);
    const stands = known?.version === job.version && known.lastSeq === lastSeq && known.lessons === lessons;
    if (known && stands && atMs - known.atMs < freshForMs) return known;
    const fresh = { version: job.version, lastSeq, lessons, atMs, ...summarise(job, atMs) };
    kept.set(job.id, fresh);
    return fresh;
  };
  return {
    of: (job: JobRecord): JobSummary => keptOf(job, FRESH_FOR_MS).summary,
    /** What a job takes, and when: it does not change with the time of day. */
    demandOf: (job: JobRecord): ReadonlyMap<string, number> => keptOf(job, Infinity).demand,
    /** The dates of a job that matter to its owner, as an iCalendar file. */
    calendarOf(job: JobRecord): string {
      const atMs = now().getTime();
      const { document, planned, preparation, day, record, progress, nowMin } = lookAt(job, atMs);
      const fromMin = countsFrom(record, nowMin);
      const days = daysView({ document, planned, preparation, day, record, out: progress.out, fromMin });
      const outdoors = outdoorsOf(document, leavesMin(days, progress.plan, nowMin), weather.forecast(now()));
      const dates = ownerDates(document, progress.plan, days, ripening(planned, progress.plan, outdoors));
      return calendarFile(document.title, dates, { id: job.id, edition: job.version, at: now() });
    },
    /** What is left to be laid of a job: who does what when. */
    runSheetOf: (job: JobRecord): LaidOut => lookAt(job, now().getTime()).progress.out,
    /** Everything a job still wants at hand, in the order of work. */
    pickList(job: JobRecord): PickGroup[] {
      const { document, progress, ...look } = lookAt(job, now().getTime());
      return pickListOf(document, { ...look, plan: progress.plan, nowMs: now().getTime() });
    },
  };

  /** A job as it stands: what was done, what is left to do and when, with what weighings have taught. */
  function lookAt({ id, bayId, document: own }: JobRecord, atMs: number) {
    const document = withUsage(own, stock.usage);
    const { startAt } = document;
    const record = foldLog(loggedEntries(startAt, log.of(id)));
    const nowMin = minutesBetween(startAt, new Date(atMs).toISOString());
    const week = weekOf(bayId === null ? undefined : bays.get(bayId));
    const planned = inOpeningHours(plannedJob(document), document, week, { record, nowMin });
    const { preparation, day, settings } = preparedWith(document, settingsOf(document));
    // Until it begins, a job is judged at the time it is planned for, its preparation done.
    const progress = runProgress(planned, record, layingFrom(planned, preparation, day, { record, nowMin }));
    return { document, record, nowMin, planned, preparation, day, progress, kit: settings.kit ?? NO_KIT };
  }

  function summarise(job: JobRecord, atMs: number): Pick<Kept, 'summary' | 'demand'> {
    const { id, version, bayId } = job;
    const { document, record, nowMin, planned, progress, preparation, day } = lookAt(job, atMs);
    const { startAt, item, owner } = document;
    const { plan, patchesDone, patchesTotal } = progress;
    const at = (minutes: number | null) => (minutes === null ? null : instantAfter(startAt, minutes));
    const laid = patchesTotal > 0 && patchesDone === patchesTotal;
    const fromMin = countsFrom(record, nowMin);
    const days = daysView({ document, planned, preparation, day, record, out: progress.out, fromMin });
    const outdoors = outdoorsOf(document, leavesMin(days, plan, nowMin), weather.forecast(now()));
    const standing = standingView(planned, record, owner, outdoors);
    const demand = new Map(laid ? [] : plan.purchases.map(({ product, order }) => [product, order]));
    const summary: JobSummary = {
      id,
      version,
      title: document.title,
      bayId,
      startAt,
      phase: phaseOf(progress, standing, nowMin),
      areaM2: plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0),
      patchesDone,
      patchesTotal,
      stops: plan.findings.filter(({ severity }) => severity === 'stop').length,
      waterSafe: at(plan.waterSafeMin),
      handover: at(plan.handoverMin),
      firstWash: at(firstWashMin(standing)),
      renew: at(firstRenewMin(standing)),
      reminders: remindersOf(document),
      dusty: days.blocks.flatMap(({ kind, stretches }) =>
        kind === 'correct'
          ? stretches.map(([from, until]) => ({
              from: instantAfter(startAt, from),
              until: instantAfter(startAt, until),
            }))
          : [],
      ),
      ...(item && {
        itemName: item.name,
        ...(item.id && { itemId: item.id }),
        ...(item.ownerName && { ownerName: item.ownerName }),
      }),
      ...(owner?.needsBy && { needsBy: owner.needsBy }),
    };
    return { summary, demand };
  }
}
export type SummaryService = ReturnType<typeof summaryService>;
