import { createContext, use, useLayoutEffect, useState } from 'react';
import { shallowEqual } from 'react-redux';
import { useSyncExternalStoreWithSelector } from 'use-sync-external-store/with-selector';
import type { JobView } from './useJobView';

/** The job that is open, outside React: whoever reads a part of it is told when that part is another. */
interface OpenJob {
  readonly get: () => JobView;
  readonly set: (view: JobView) => void;
  readonly subscribe: (listener: () => void) => () => void;
}

function openJob(first: JobView): OpenJob {
  let view = first;
  const listeners = new Set<() => void>();
  return {
    get: () => view,
    set(next) {
      view = next;
      for (const listener of listeners) listener();
    },
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

export const JobContext = createContext<OpenJob | undefined>(undefined);

/** Given as `JobContext`, what is within it reads the job that is open. A new view renders none of it by itself. */
export function useOpenJob(view: JobView | undefined): OpenJob | undefined {
  const [job, open] = useState<OpenJob>();
  if (!job && view) open(openJob(view));
  useLayoutEffect(() => {
    if (job && view && !shallowEqual(job.get(), view)) job.set(view);
  }, [job, view]);
  return job;
}

/** What is made of the job of this station; rendered again only when that says something else. */
export function useOfJob<T>(select: (job: JobView) => T): T {
  const job = use(JobContext);
  if (!job) throw new Error('there is no job here: the component is not within a JobContext');
  return useSyncExternalStoreWithSelector(job.subscribe, job.get, job.get, select, shallowEqual);
}

/** The job as it is when it is asked: for what is done at a tap, and shown nowhere. */
export function useJobThen(): () => JobView {
  const job = use(JobContext);
  if (!job) throw new Error('there is no job here: the component is not within a JobContext');
  return job.get;
}

/** These parts of the job of this station, and nothing else: rendered again only when one of them is another. */
export function useJob<Key extends keyof JobView>(...keys: Key[]): Pick<JobView, Key> {
  return useOfJob((job) => Object.fromEntries(keys.map((key) => [key, job[key]])) as unknown as Pick<JobView, Key>);
}
