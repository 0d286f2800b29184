import { DateTime } from 'luxon';
import type { JobRecord, JobSummary } from '#formats/job';
import { calendarFile } from '#formats/calendar';
import type { CalendarJob, CalendarView, ShopCalendar } from '#formats/schedule';
import { changedPaths } from '#formats/values';
import { redraw } from '#core/schedule/calendar';
import { asKept, bayOf, personOf, shopCase, stepName, taskOf, withSaved } from '#job/calendar';
import type { Db } from '../db/open';
import { bayRepository } from '../repositories/bays';
import { notFound, staleWrite } from '../http/problem';
import { calendarRepository } from '../repositories/calendar';
import { jobRepository } from '../repositories/jobs';
import { type KeptSummary, summaryRepository } from '../repositories/summaries';
import type { ChangeFeed } from './changes';
import type { SummaryService } from './summaries';
import type { WorkingService } from './workings';

interface Sources {
  readonly summaries: Pick<SummaryService, 'current' | 'settled'>;
  readonly workings: Pick<WorkingService, 'keptFor'>;
}

/** After so many times a plan that is still not settled is kept as it is: it is off by minutes. */
const MOST_ROUNDS = 4;

/** A job as the calendar has it. */
const asOnCalendar = ({ id, title, bayId, phase, startAt, needsBy, ready, work, costs }: JobSummary): CalendarJob => ({
  id,
  title,
  bayId,
  phase,
  startAt,
  ...(needsBy !== undefined && { needsBy }),
  begun: phase === 'running',
  ready,
  work: work ?? [],
  ...(costs && { costs }),
});

/** A calendar whose jobs are where it has them, and each of those in the draft and the summary it comes to. */
export interface SettledCalendar {
  readonly calendar: ShopCalendar;
  readonly moved: readonly { readonly job: JobRecord; readonly kept: KeptSummary }[];
}

/** The job a step of the calendar is of. */
const jobOf = (task: string): string => task.split('/', 1)[0]!;

/** Whether something was agreed on a day before this one, by the clocks of the workshop. */
const isEarlier = (agreedAt: string | undefined, now: Date): boolean =>
  agreedAt !== undefined && DateTime.fromISO(agreedAt) < DateTime.fromJSDate(now).startOf('day');

/** The calendar of the workshop: who is there, what is lost, what was agreed, over all jobs that are still to be done. */
export function calendarService(db: Db, changes: ChangeFeed, { summaries, workings }: Sources, now: () => Date) {
  const bays = bayRepository(db);
  const kept = calendarRepository(db);
  const jobs = jobRepository(db);
  const keptSummaries = summaryRepository(db);
  /** By the clocks on the wall: opening hours are counted from it. */
  const nowHere = (): string => DateTime.fromJSDate(now()).toISO({ suppressMilliseconds: true })!;
  const onIt = (among = summaries.current()): JobSummary[] =>
    among.filter(({ phase, work }) => phase !== 'in-care' && (work ?? []).length > 0);
  /** Jobs as a calendar has them: when each begins and where, when it is collected, and what its owner was told. */
  const reached = (
    calendar: ShopCalendar,
    onCalendar: readonly JobSummary[],
    moved: Map<string, JobRecord>,
  ): string[] => {
    const [at, known] = [now().toISOString(), bays.all()];
    return onCalendar.flatMap((summary) => {
      const current = moved.get(summary.id) ?? jobs.get(summary.id);
      if (!current) return [];
      const { document, bayId, airSource } = current;
      const draft = { document, bayId, airSource };
      const saved = withSaved(draft, asOnCalendar(summary), { calendar, bays: known, now: at });
      if (saved === draft) return [];
      moved.set(summary.id, { ...current, ...saved });
      return [summary.id];
    });
  };
  const service = {
    /** After what was moved just now. */
    async view(): Promise<CalendarView> {
      await summaries.settled();
      return service.current();
    },
    current(): CalendarView {
      const standing = kept.get();
      const { version, calendar } = standing;
      const day = summaries.current();
      const pending = day.filter((job) => job.pending).length;
      // What stands may itself be of an earlier day: then nothing was agreed to today.
      const earlier = isEarlier(standing.at, now()) ? standing : kept.earlier();
      return {
        version,
        calendar,
        now: nowHere(),
        ...(earlier?.at !== undefined && { earlier: { at: earlier.at, plan: earlier.calendar.plan } }),
        jobs: onIt(day).map(asOnCalendar),
        ...(pending > 0 && { pending }),
      };
    },
    /**
     * A calendar with its jobs moved to where it has them. In other air, at another hour, what a job takes is a little
     * otherwise: the plan follows until both agree. Nothing is written.
     */
    settled(saved: ShopCalendar): SettledCalendar {
      const moved = new Map<string, JobRecord>();
      const stood = new Map(onIt().map((summary) => [summary.id, summary]));
      const kept = new Map<string, KeptSummary>();
      let calendar = saved;
      for (let round = 0; round < MOST_ROUNDS; round += 1) {
        const ids = reached(calendar, [...stood.values()], moved);
        if (ids.length === 0) break;
        for (const id of ids) {
          kept.set(id, workings.keptFor(moved.get(id)!));
          stood.set(id, kept.get(id)!.summary);
        }
        const shop = shopCase({
          calendar,
          jobs: [...stood.values()].map(asOnCalendar),
          bays: bays.all(),
          now: nowHere(),
        });
        const plan = asKept(shop, redraw(shop.asked, shop.stood).tasks, calendar.plan);
        // What was not placed by whoever saved it is not placed for them.
        const placed = new Set(saved.plan.map(({ task }) => jobOf(task)));
        calendar = { ...calendar, plan: plan.filter(({ task }) => placed.has(jobOf(task))) };
      }
      return { calendar, moved: [...moved.values()].map((job) => ({ job, kept: kept.get(job.id)! })) };
    },
    /**
     * Saves a settled calendar, and with it when each job on it begins, where, and when it is collected.
     * @param edited the version that was edited; 0: there was none
     * @throws ProblemError (412) where it, or a job it moves, has changed since
     */
    put(edited: number, { calendar, moved }: SettledCalendar): CalendarView {
      db.transaction(
        () => {
          const standing = kept.get();
          if (standing.version !== edited) {
            const before = kept.before();
            throw staleWrite(
              standing.version,
              before?.version === edited ? changedPaths(before.calendar, standing.calendar) : ['all of it'],
            );
          }
          const at = now().toISOString();
          for (const { job, kept: summary } of moved) {
            const { id, version, document, bayId, airSource } = job;
            const current = jobs.get(id);
            if (current?.version !== version) throw staleWrite(standing.version, [`job ${document.title}`]);
            jobs.update(id, version + 1, { document, bayId, airSource }, at, current);
            keptSummaries.put(id, {
              ...summary,
              version: version + 1,
              summary: { ...summary.summary, version: version + 1 },
            });
          }
          kept.put({ version: edited + 1, calendar, at }, isEarlier(standing.at, now()));
        },
        { behavior: 'immediate' },
      );
      for (const { job } of moved) changes.tell({ kind: 'job', id: job.id });
      changes.tell({ kind: 'calendar', id: 'calendar' });
      return service.current();
    },
    /** What was agreed for one bay or one person, as an iCalendar file. */
    feedOf(what: string): string {
      const { version, calendar } = kept.get();
      const names = new Map([
        ...bays.all().map(({ id, name }) => [bayOf(id), name] as const),
        ...calendar.people.map(({ id, name }) => [personOf(id), name] as const),
      ]);
      const name = names.get(what);
      if (name === undefined) throw notFound('calendar', what);
      const steps = new Map(
        onIt().flatMap(({ id, title, work }) =>
          (work ?? []).map((step) => [taskOf(id, step.key), { title, step }] as const),
        ),
      );
      return calendarFile(
        name,
        calendar.plan.flatMap(({ task, from, to, uses }) => {
          const of = steps.get(task);
          return of && uses.includes(what)
            ? [{ key: task, title: `${of.title}: ${stepName(of.step)}`, from, until: to }]
            : [];
        }),
        { id: what, edition: version, at: now() },
      );
    },
  };
  return service;
}
