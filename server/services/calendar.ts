import { DateTime } from 'luxon';
import type { JobSummary } from '#formats/job';
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
import type { ChangeFeed } from './changes';
import type { SummaryService } from './summaries';

interface Sources {
  readonly summaries: Pick<SummaryService, 'list' | 'of'>;
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

/** The job a step of the calendar is of. */
const jobOf = (task: string): string => task.split('/', 1)[0]!;

/** Whether something was agreed on a day before this one, by the clocks of the workshop. */
const isEarlier = (agreedAt: string | undefined, now: Date): boolean =>
  agreedAt !== undefined && DateTime.fromISO(agreedAt) < DateTime.fromJSDate(now).startOf('day');

/** The calendar of the workshop: who is there, what is lost, what was agreed, over all jobs that are still to be done. */
export function calendarService(db: Db, changes: ChangeFeed, { summaries }: Sources, now: () => Date) {
  const bays = bayRepository(db);
  const kept = calendarRepository(db);
  const jobs = jobRepository(db);
  /** By the clocks on the wall: opening hours are counted from it. */
  const nowHere = (): string => DateTime.fromJSDate(now()).toISO({ suppressMilliseconds: true })!;
  const onIt = (): JobSummary[] =>
    summaries.list().filter(({ phase, work }) => phase !== 'in-care' && (work ?? []).length > 0);
  /** What was saved reaches the jobs: when each begins and where, when it is collected, and what its owner was told. */
  const reachJobs = (calendar: ShopCalendar, onCalendar: readonly JobSummary[]): string[] => {
    const [at, known] = [now().toISOString(), bays.all()];
    return onCalendar.flatMap((summary) => {
      const current = jobs.get(summary.id);
      if (!current) return [];
      const { document, bayId, airSource } = current;
      const draft = { document, bayId, airSource };
      const saved = withSaved(draft, asOnCalendar(summary), { calendar, bays: known, now: at });
      if (saved === draft) return [];
      jobs.update(summary.id, current.version + 1, saved, at, current);
      return [summary.id];
    });
  };
  /**
   * The calendar with its jobs moved to where it has them. In other air, at another hour, what a job takes is a little
   * otherwise: the plan follows until both agree.
   */
  const settle = (saved: ShopCalendar, onCalendar: readonly JobSummary[]) => {
    const moved = new Set<string>();
    let calendar = saved;
    let stood = onCalendar;
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      const reached = reachJobs(calendar, stood);
      if (reached.length === 0) break;
      for (const id of reached) moved.add(id);
      stood = stood.map((summary) => (reached.includes(summary.id) ? summaries.of(jobs.get(summary.id)!) : summary));
      const shop = shopCase({ calendar, jobs: stood.map(asOnCalendar), bays: bays.all(), now: nowHere() });
      const plan = asKept(shop, redraw(shop.asked, shop.stood).tasks, calendar.plan);
      // What was not placed by whoever saved it is not placed for them.
      const placed = new Set(saved.plan.map(({ task }) => jobOf(task)));
      calendar = { ...calendar, plan: plan.filter(({ task }) => placed.has(jobOf(task))) };
    }
    return { calendar, moved: [...moved] };
  };
  const service = {
    view(): CalendarView {
      const standing = kept.get();
      const { version, calendar } = standing;
      // What stands may itself be of an earlier day: then nothing was agreed to today.
      const earlier = isEarlier(standing.at, now()) ? standing : kept.earlier();
      return {
        version,
        calendar,
        now: nowHere(),
        ...(earlier?.at !== undefined && { earlier: { at: earlier.at, plan: earlier.calendar.plan } }),
        jobs: onIt().map(asOnCalendar),
      };
    },
    /**
     * Saves the calendar, and with it when each job on it begins, where, and when it is collected.
     * @param edited the version that was edited; 0: there was none
     * @throws ProblemError (412) where it has changed since
     */
    put(edited: number, calendar: ShopCalendar): CalendarView {
      const onCalendar = onIt();
      const moved = db.transaction(
        () => {
          const standing = kept.get();
          if (standing.version !== edited) {
            const before = kept.before();
            throw staleWrite(
              standing.version,
              before?.version === edited ? changedPaths(before.calendar, standing.calendar) : ['all of it'],
            );
          }
          const settled = settle(calendar, onCalendar);
          kept.put(
            { version: edited + 1, calendar: settled.calendar, at: now().toISOString() },
            isEarlier(standing.at, now()),
          );
          return settled.moved;
        },
        { behavior: 'immediate' },
      );
      for (const id of moved) changes.tell({ kind: 'job', id });
      changes.tell({ kind: 'calendar', id: 'calendar' });
      return service.view();
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
