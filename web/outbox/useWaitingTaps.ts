import { useMemo } from 'react';
import type { LogEntry, NewEntry } from '#formats/log';
import type { JobStock, NewStockEntry, StockRow } from '#formats/stock';
import { useAppSelector } from '../app/store';
import { waitingOf } from './slice';

/** Taps of a job that have not reached the server yet, in their order. */
export function useWaitingTaps(jobId: string): readonly NewEntry[] {
  const outbox = useAppSelector((state) => state.outbox);
  return useMemo(
    () => waitingOf(outbox).flatMap((tap) => (tap.jobId === jobId && tap.kind === undefined ? [tap.entry] : [])),
    [outbox, jobId],
  );
}

/** Lines ticked here that have not reached the server yet: the last word of each. */
export function useWaitingTicks(jobId: string): ReadonlyMap<string, boolean> {
  const outbox = useAppSelector((state) => state.outbox);
  return useMemo(
    () =>
      new Map(
        waitingOf(outbox).flatMap((tap) =>
          tap.jobId === jobId && tap.kind === 'tick' ? [[tap.entry.line, tap.entry.ticked] as const] : [],
        ),
      ),
    [outbox, jobId],
  );
}

/** Bottles taken in hand here, put back or emptied, where that has not reached the server yet. */
export function useWaitingStock(jobId: string): readonly NewStockEntry['entry'][] {
  const outbox = useAppSelector((state) => state.outbox);
  return useMemo(
    () => waitingOf(outbox).flatMap((tap) => (tap.jobId === jobId && tap.kind === 'stock' ? [tap.entry.entry] : [])),
    [outbox, jobId],
  );
}

/** What a job finds in stock, with what was tapped here and has not arrived. */
export function withWaitingStock(
  stock: JobStock | undefined,
  waiting: readonly NewStockEntry['entry'][],
  jobId: string,
): JobStock | undefined {
  if (!stock || waiting.length === 0) return stock;
  const inHand = new Map(waiting.map(({ type, thing }) => [thing, type === 'taken' ? jobId : undefined]));
  const gone = new Set(waiting.flatMap(({ type, thing }) => (type === 'thrown-away' ? [thing] : [])));
  const now = ({ inHand: _, ...row }: StockRow): StockRow => {
    const job = inHand.get(row.id);
    return { ...row, ...(job !== undefined && { inHand: job }) };
  };
  return {
    ...stock,
    kinds: stock.kinds.map((kind) => ({
      ...kind,
      things: kind.things.filter(({ id }) => !gone.has(id)).map((thing) => (inHand.has(thing.id) ? now(thing) : thing)),
    })),
  };
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
