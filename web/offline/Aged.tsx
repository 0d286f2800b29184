import { useEffect, useState } from 'react';
import { api, useJobsOfTheDayQuery } from '../app/api';
import { useAppDispatch, useAppSelector } from '../app/store';
import { Button } from '../ui/Button';
import { moment, span } from '../ui/moments';
import { takeNewEdition } from './install';
import { keepDay } from './keep-day';

/** The day's jobs are kept anew this often while the page is open, ms. */
const KEEP_EVERY_MS = 15 * 60_000;

/** Says where what stands on the screen is old, and that a new edition waits. */
export function Aged({ inBay }: { readonly inBay: boolean }) {
  const { since, newEdition, clockAheadMin } = useAppSelector((state) => state.aged);
  const [isRunning, setRunning] = useState(false);
  useDayKept(inBay);
  return (
    <>
      {since !== undefined && (
        <p role="status" className="shrink-0 border-b-2 border-warn bg-warn-soft px-5 py-1.5">
          <strong>Without the server.</strong> What stands here is as of {moment(since)}, from this device. Taps are
          kept and go in when it is back.
        </p>
      )}
      {clockAheadMin !== undefined && (
        <p role="status" className="shrink-0 border-b-2 border-warn bg-warn-soft px-5 py-1.5">
          <strong>
            The clock of this device is {span(Math.abs(clockAheadMin))} {clockAheadMin > 0 ? 'ahead of' : 'behind'} the
            workshop’s.
          </strong>{' '}
          Set it right. What is tapped meanwhile is recorded by the workshop’s clock, with what this one said.
        </p>
      )}
      {newEdition && !inBay && (
        <div role="status" className="flex shrink-0 items-center gap-4 border-b bg-over-soft px-5 py-1.5">
          <p className="flex-1">
            {isRunning
              ? 'A run is open in another window of this device: the new edition waits until it is closed.'
              : 'A new edition of the application is here. It waits until you take it.'}
          </p>
          <Button onClick={() => takeNewEdition(() => setRunning(true))}>Take it now</Button>
        </div>
      )}
    </>
  );
}

/** Keeps the day's jobs on the device. In the bay their list is asked for only then, not after every tap of anybody. */
function useDayKept(inBay: boolean): void {
  const dispatch = useAppDispatch();
  const { data: listed } = useJobsOfTheDayQuery(undefined, { skip: inBay });
  const ids = listed?.map(({ id, version }) => `${id}/${version}`).join();
  useEffect(() => {
    const keep = async () => {
      if (document.visibilityState !== 'visible') return;
      const { data: jobs } = await dispatch(api.endpoints.jobsOfTheDay.initiate(undefined, { subscribe: false }));
      if (jobs) await keepDay(jobs, Date.now());
    };
    // What is looked at first comes first.
    const soon = setTimeout(() => void keep(), 4000);
    const often = setInterval(() => void keep(), KEEP_EVERY_MS);
    return () => {
      clearTimeout(soon);
      clearInterval(often);
    };
    // Which jobs, in which version; not how far each is.
  }, [dispatch, ids]);
}
