import type { Job } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { comingBack } from './coming-back';

/**
 * A new job at the same item: as it comes back, by the same schools, with the same hands. What was promised of the
 * earlier visit is not of this one; nor are the hours of those who were there then. Nothing is corrected or laid yet.
 */
export function jobAgain(
  job: Job,
  log: readonly LogEntry[],
  { what, startAt }: { readonly what: string; readonly startAt: string },
): Job {
  const { format, currency, ambient, room, schools, owner, prepare, crew, care } = job;
  const lives = owner && { ...owner };
  delete lives?.needsBy;
  const people = crew.people?.map(({ id, layM2PerMin, levelM2PerMin, does, prepares }) => ({
    id,
    layM2PerMin,
    levelM2PerMin,
    does,
    ...(prepares !== undefined && { prepares }),
  }));
  return {
    format,
    currency,
    ambient,
    ...comingBack(job, log),
    ...(room && { room }),
    ...(schools && { schools }),
    ...(lives && { owner: lives }),
    ...(care && { care }),
    crew: { ...crew, ...(people && { people }) },
    title: `${job.item?.name ?? job.title}, ${what}`,
    startAt,
    products: [],
    prepare: { ...(prepare?.schools && { schools: prepare.schools }), level: 'none' },
  };
}
