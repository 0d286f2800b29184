import { useMemo } from 'react';
import type { LogEntry, NewEntry } from '#formats/log';
import { useAppSelector } from '../app/store';
import { waitingOf } from './slice';

/** Taps of a job that have not reached the server yet, in their order. */
export function useWaitingTaps(jobId: string): readonly NewEntry[] {
  const outbox = useAppSelector((state) => state.outbox);
  return useMemo(() => waitingOf(outbox).flatMap((tap) => (tap.jobId === jobId ? [tap.entry] : [])), [outbox, jobId]);
}

/** A job's log with what waits behind it; what has arrived meanwhile stands once. */
export function withWaiting(
  log: readonly LogEntry[],
  waiting: readonly NewEntry[],
): readonly Pick<LogEntry, 'id' | 'at' | 'entry'>[] {
  if (waiting.length === 0) return log;
  const ids = new Set(log.map(({ id }) => id));
  return [...log, ...waiting.filter(({ id }) => !ids.has(id))];
}
