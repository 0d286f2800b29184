import type { Job } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { withTakenOff } from '#job/plan';
import { jobAgain } from '#job/return';

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
  const again = jobAgain(job, log, { what: takes === 'all' ? 'taken off' : 'top taken off', startAt });
  const ids = again.surfaces
    .filter(({ id, existing }) => surfaces.includes(id) && existing.length > 0)
    .map(({ id }) => id);
  return ids.length === 0 ? undefined : { ...again, prepare: withTakenOff(again.prepare, ids, takes) };
}
