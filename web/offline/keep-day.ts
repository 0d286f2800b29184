import { MS_PER_DAY } from '#core/measures';
import { addressOf } from '../app/address-of';
import type { JobRecord, JobSummary, Photo } from '#formats/job';

/** Jobs that begin within this are the day's as well. */
const AHEAD_MS = 2 * MS_PER_DAY;
/** So many are kept at most: a tablet is no archive. */
const MOST_JOBS = 12;

/** What everything at the bay is worked out from. */
const SHARED = ['products', 'bays', 'kit', 'offers', 'learned', 'yardForecast', 'names', 'stock'] as const;
/** What is kept of each job. */
const OF_JOB = ['log', 'ticks', 'jobStock', 'earlierPairs'] as const;

/** The jobs of the day: in the bays, curing, ready, or about to begin. The nearest first. */
export function jobsOfTheDay(jobs: readonly JobSummary[], nowMs: number): JobSummary[] {
  const away = ({ phase, startAt }: JobSummary) =>
    phase === 'running' || phase === 'curing' || phase === 'ready' ? 0 : Date.parse(startAt) - nowMs;
  return jobs
    .filter((job) => job.phase !== 'in-care' && away(job) < AHEAD_MS && away(job) > -AHEAD_MS)
    .sort((a, b) => away(a) - away(b))
    .slice(0, MOST_JOBS);
}

/** Has everything of the day's jobs answered once, so that it is on the device when the network is not. */
export async function keepDay(jobs: readonly JobSummary[], nowMs: number): Promise<void> {
  if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller) return;
  const ask = async <T>(address: string): Promise<T | undefined> => {
    const answer = await fetch(address).catch(() => undefined);
    return answer?.ok ? ((await answer.json().catch(() => undefined)) as T | undefined) : undefined;
  };
  for (const name of SHARED) await ask(addressOf(name));
  for (const { id } of jobsOfTheDay(jobs, nowMs)) {
    const job = await ask<JobRecord>(addressOf('job', { id }));
    for (const name of OF_JOB) await ask(addressOf(name, { id }));
    if (job?.document.item?.id !== undefined) await ask(addressOf('itemHistory', { id: job.document.item.id }));
    for (const photo of (await ask<Photo[]>(addressOf('photos', { id }))) ?? [])
      for (const size of ['thumbnail', 'picture'] as const)
        await fetch(addressOf(size, { id: photo.id })).catch(() => undefined);
  }
}
