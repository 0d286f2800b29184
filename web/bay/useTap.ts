import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useEffect, useState } from 'react';
import type { RunEntry } from '#core/lay/run';
import { useHandIn } from '../outbox/useHandIn';
import { tappedHere } from './hand';

/** A finger that bounces taps twice: for so long after a tap nothing else is taken, ms. */
const SETTLES_MS = 350;

/**
 * Logs what was done, with the moment of the tap. The screen moves on at once: what has not reached the server yet counts
 * as done here, and is kept on the device.
 */
export function useTap(jobId: string) {
  const handIn = useHandIn();
  const [settling, setSettling] = useState(false);
  useEffect(() => {
    if (!settling) return;
    const timer = setTimeout(() => setSettling(false), SETTLES_MS);
    return () => clearTimeout(timer);
  }, [settling]);
  const tap = useCallback(
    (entry: RunEntry) => {
      const id = nanoid();
      tappedHere(id, entry);
      handIn(({ at }) => ({ jobId, entry: { id, at, entry } }));
      setSettling(true);
    },
    [handIn, jobId],
  );
  return { tap, settling };
}
