import isEqual from 'fast-deep-equal';
import type { Job, JobDraft } from '#formats/job';
import type { CalendarJob } from '#formats/schedule';
import { instantAfter, minutesBetween, onTheClock } from '#formats/values';
import { moveToBay, startAt } from '#job/edit';
import { bayOf, handingOverMin, lastTask, type ShopSources, stands, taskOf } from './shop-case';

/** A start that is off by less is the same, minutes. */
const SAME_START_MIN = 1;

/**
 * A job as it stands once the workshop's calendar is saved: it begins with its first step there, in the bay it was told,
 * unless somebody is at it already; it is collected when its last step stands, and wanted when its owner was promised. When
 * its bay is lost, nobody works at it, and without power it cools there as well.
 * @returns the very same draft where nothing of it is otherwise
 */
export function withSaved(
  draft: JobDraft,
  job: Pick<CalendarJob, 'id' | 'phase' | 'begun' | 'work'>,
  { calendar, bays, now }: Omit<ShopSources, 'jobs'>,
): JobDraft {
  const told = calendar.promised.find((each) => each.job === job.id && stands(each, now));
  const places = new Map(calendar.plan.map((place) => [place.task, place]));
  const own = job.work.flatMap(({ key }) => places.get(taskOf(job.id, key)) ?? []);
  const last = places.get(lastTask(job) ?? '');
  const begins = own.toSorted((a, b) => minutesBetween(b.from, a.from))[0]?.from;
  const isToCome = !job.begun && (job.phase === 'survey' || job.phase === 'planned');
  let next = draft;
  const bay = isToCome && told?.bay !== draft.bayId ? bays.find(({ id }) => id === told?.bay) : undefined;
  if (bay) next = moveToBay(bay)(next);
  if (isToCome && begins !== undefined && Math.abs(minutesBetween(draft.document.startAt, begins)) >= SAME_START_MIN)
    next = startAt(
      begins,
      bays.find(({ id }) => id === next.bayId),
    )(next);
  const collection = last && onTheClock(instantAfter(last.to, -handingOverMin(job)), TOLD_BY_MIN);
  const promised = told?.expires === undefined ? told?.by : undefined;
  const { days } = next.document;
  const lost = lostWith(days?.lost ?? [], calendar, next.bayId);
  if (isSame(days?.collection, collection) && isSame(days?.promised, promised) && isEqual(lost, days?.lost ?? []))
    return next;
  const { collection: _, promised: __, lost: ___, ...others } = days ?? {};
  const after = {
    ...others,
    ...(lost.length > 0 && { lost }),
    ...(collection && { collection }),
    ...(promised && { promised }),
  };
  return { ...next, document: { ...next.document, days: after } };
}

type Lost = NonNullable<NonNullable<Job['days']>['lost']>;

/** What is lost of a job's hours, with the hours its bay is lost as the calendar has them now. */
const lostWith = (own: Lost, { lost }: Pick<ShopSources['calendar'], 'lost'>, bay: string | null): Lost => [
  ...own.filter(({ calendar }) => calendar === undefined),
  ...lost.flatMap(({ id, what, from, to, why }) =>
    bay !== null && what === bayOf(bay) ? [{ from, to, why, calendar: id }] : [],
  ),
];

/** Owners are told no odd minutes: the next five of them. */
const TOLD_BY_MIN = 5;

const isSame = (a: string | undefined, b: string | undefined): boolean =>
  a === undefined || b === undefined ? a === b : Date.parse(a) === Date.parse(b);
