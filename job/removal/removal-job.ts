import type { Job } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { withTakenOff } from '#job/plan';
import { comingBack } from '#job/return';

export interface RemovalWish {
  /** Panels it comes off; those nothing lies on are left out. */
  readonly surfaces: readonly string[];
  readonly takes: 'all' | 'top';
  readonly startAt: string;
}

/**
 * A job in which what lies on some panels is taken off: the item as it comes back, its preparation with the taking off
 * in it. What then is laid is chosen as at any other job.
 * @returns undefined where nothing lies on any of these panels
 */
export function removalJob(
  job: Job,
  log: readonly LogEntry[],
  { surfaces, takes, startAt }: RemovalWish,
): Job | undefined {
  const back = comingBack(job, log);
  const ids = back.surfaces
    .filter(({ id, existing }) => surfaces.includes(id) && existing.length > 0)
    .map(({ id }) => id);
  if (ids.length === 0) return undefined;
  const { format, currency, ambient, room, schools, owner, prepare, crew } = job;
  // What was promised of the earlier visit is not of this one; nor are the hours of those who were there then.
  const lives = owner && { ...owner };
  delete lives?.needsBy;
  const people = crew.people?.map(({ id, layM2PerMin, levelM2PerMin, does }) => ({
    id,
    layM2PerMin,
    levelM2PerMin,
    does,
  }));
  return {
    format,
    currency,
    ambient,
    ...back,
    ...(room && { room }),
    ...(schools && { schools }),
    ...(lives && { owner: lives }),
    crew: { ...crew, ...(people && { people }) },
    title: `${job.item?.name ?? job.title}, ${takes === 'all' ? 'taken off' : 'top taken off'}`,
    startAt,
    products: [],
    prepare: withTakenOff({ ...(prepare?.schools && { schools: prepare.schools }), level: 'none' }, ids, takes),
  };
}
