import { nanoid } from '@reduxjs/toolkit';
import { useCallback } from 'react';
import type { RunEntry } from '#core/work/run';
import { useAppDispatch, useAppSelector } from '../../app/store';
import { tapped } from '../../outbox/slice';
import { nowInstant } from '../../ui/moments';

/** Logs what was done, with the moment of the tap; the screen moves on when it is in the database. */
export function useTap(jobId: string) {
  const dispatch = useAppDispatch();
  const waiting = useAppSelector((state) => state.outbox.waiting.filter((tap) => tap.jobId === jobId).length);
  const tap = useCallback(
    (entry: RunEntry) => {
      dispatch(tapped({ jobId, entry: { id: nanoid(), at: nowInstant(), entry } }));
    },
    [dispatch, jobId],
  );
  return { tap, waiting };
}
