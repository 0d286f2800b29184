import { DateTime } from 'luxon';
import type { JobSummary } from '#formats/job';
import { calendarFile } from '#formats/calendar';
import type { CalendarView, ShopCalendar } from '#formats/schedule';
import { changedPaths } from '#formats/values';
import { bayOf, personOf, stepName, taskOf } from '#job/calendar';
import type { Db } from '../db/open';
import { bayRepository } from '../repositories/bays';
import { notFound, staleWrite } from '../http/problem';
import { calendarRepository } from '../repositories/calendar';
import type { ChangeFeed } from './changes';
import type { SummaryService } from './summaries';

interface Sources {
  readonly summaries: Pick<SummaryService, 'list'>;
}

/** Whether something was agreed on a day before this one, by the clocks of the workshop. */
const isEarlier = (agreedAt: string | undefined, now: Date): boolean =>
  agreedAt !== undefined && DateTime.fromISO(agreedAt) < DateTime.fromJSDate(now).startOf('day');

/** The calendar of the workshop: who is there, what is lost, what was agreed, over all jobs that are still to be done. */
export function calendarService(db: Db, changes: ChangeFeed, { summaries }: Sources, now: () => Date) {
  const bays = bayRepository(db);
  const kept = calendarRepository(db);
  const onIt = (): JobSummary[] =>
    summaries.list().filter(({ phase, work }) => phase !== 'in-care' && (work ?? []).length > 0);
  const service = {
    view(): CalendarView {
      const standing = kept.get();
      const { version, calendar } = standing;
      // What stands may itself be of an earlier day: then nothing was agreed to today.
      const earlier = isEarlier(standing.at, now()) ? standing : kept.earlier();
      return {
        version,
        calendar,
        // By the clocks on the wall: opening hours are counted from it.
        now: DateTime.fromJSDate(now()).toISO({ suppressMilliseconds: true })!,
        ...(earlier?.at !== undefined && { earlier: { at: earlier.at, plan: earlier.calendar.plan } }),
        jobs: onIt().map(({ id, title, bayId, phase, startAt, needsBy, work, costs }) => ({
          id,
          title,
          bayId,
          phase,
          startAt,
          ...(needsBy !== undefined && { needsBy }),
          begun: phase === 'running',
          work: work ?? [],
          ...(costs && { costs }),
        })),
      };
    },
    /**
     * @param edited the version that was edited; 0: there was none
     * @throws ProblemError (412) where it has changed since
     */
    put(edited: number, calendar: ShopCalendar): CalendarView {
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
          kept.put({ version: edited + 1, calendar, at: now().toISOString() }, isEarlier(standing.at, now()));
        },
        { behavior: 'immediate' },
      );
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
