import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useEffect, useState } from 'react';
import type { RunEntry } from '#core/work/run';
import { useAppDispatch, useAppStore } from '../../app/store';
import { tapped } from '../../outbox/slice';
import { turnNow } from '../../people/api';
import { nowInstant } from '../../ui/moments';

/** A finger that bounces taps twice: for so long after a tap nothing else is taken, ms. */
const SETTLES_MS = 350;

/**
 * Logs what was done, with the moment of the tap. The screen moves on at once: what has not reached the server yet counts
 * as done here, and is kept on the device.
 */
export function useTap(jobId: string) {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const [settling, setSettling] = useState(false);
  useEffect(() => {
    if (!settling) return;
    const timer = setTimeout(() => setSettling(false), SETTLES_MS);
    return () => clearTimeout(timer);
  }, [settling]);
  const tap = useCallback(
    (entry: RunEntry) => {
      const turn = turnNow(store.getState());
      dispatch(
        tapped({ jobId, entry: { id: nanoid(), at: nowInstant(), entry }, ...(turn !== undefined && { turn }) }),
      );
      setSettling(true);
    },
    [dispatch, store, jobId],
  );
  return { tap, settling };
}
