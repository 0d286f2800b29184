import { type StockEntry, stockFault } from '#core/stock';
import type { MakerSheet } from '#formats/shelf';
import { loggedStock, type NewStockEntry, type StockLogEntry, type TakenIn } from '#formats/stock';
import { FaultsError } from '#formats/values';
import type { Db } from '../../db/open';
import { conflict } from '../../http/problem';
import { localInstant } from '../moments';
import { onOurClock, type SentBy } from '../device-clock';
import type { StockReading } from './book';
import { untimely } from './untimely';

/** What is noted by hand, and what comes in. */
export function stockEntries(db: Db, { log, current, store }: StockReading, tell: () => void, now: () => Date) {
  const faultOf = (entry: StockEntry): string | undefined => {
    const { thing, of } = current();
    return stockFault(thing(entry.thing), of(entry.thing), entry);
  };
  return {
    /**
     * Logs an entry once, however often it is sent.
     * @throws ProblemError (409) where it cannot be true of the thing as it stands
     */
    append(tapped: NewStockEntry, { by, deviceMs }: SentBy = {}): StockLogEntry {
      const { stored, isNew } = db.transaction(
        () => {
          const sent = log.find(tapped.id);
          if (sent) return { stored: sent, isNew: false };
          const { nowMs, ...timed } = onOurClock(tapped.at, { nowMs: now().getTime(), deviceMs, lastMs: undefined });
          const entry = { ...tapped, ...timed };
          const fault = faultOf(loggedStock(entry).entry) ?? untimely(entry.at, new Date(nowMs));
          if (fault) throw conflict(`This was not noted: ${fault}.`);
          const [stored] = store([entry], by);
          return { stored: stored!, isNew: true };
        },
        { behavior: 'immediate' },
      );
      if (isNew) tell();
      return stored;
    },
    /** Takes a whole delivery or an older stock in, or nothing of it. */
    takeIn({ things }: TakenIn, by?: string): { added: number } {
      const faults = things.flatMap((each, index) =>
        deliveryFaults(each, current().thing(each.id) !== undefined, now()).map(([key, message]) => ({
          path: `things[${index}].${key}`,
          message,
        })),
      );
      if (faults.length > 0) throw new FaultsError(faults);
      const at = localInstant(now().getTime());
      db.transaction(
        () => {
          for (const { id, remaining, boughtAt, openedAt, ...as } of things) {
            store(
              [
                { id: `in-${id}`, at: boughtAt ?? at, entry: { type: 'bought', thing: id, as } },
                ...(openedAt === undefined
                  ? []
                  : [{ id: `open-${id}`, at: openedAt, entry: { type: 'opened', thing: id } } as const]),
                ...(remaining === undefined || remaining === as.size
                  ? []
                  : [{ id: `count-${id}`, at, entry: { type: 'counted', thing: id, remaining } } as const]),
              ],
              by,
            );
          }
        },
        { behavior: 'immediate' },
      );
      tell();
      return { added: things.length };
    },
    /** What a file of sheets says is in hand of a new product, as one thing; within the transaction of its sheet. */
    begin({ id: of, unit }: Pick<MakerSheet, 'id' | 'unit'>, size: number, batch: string | undefined): void {
      const thing = `first-${log.lastSeq() + 1}`;
      const as = { kind: 'product', of, size, unit, ...(batch?.trim() && { batch: batch.trim() }) } as const;
      store([{ id: thing, at: localInstant(now().getTime()), entry: { type: 'bought', thing, as } }]);
    },
  };
}

/** What cannot be true of a thing that is taken in, by its field. */
function deliveryFaults(
  { id, size, remaining, boughtAt, openedAt }: TakenIn['things'][number],
  isThere: boolean,
  now: Date,
): [key: string, message: string][] {
  const late = ([key, at]: [string, string | undefined]): [string, string][] =>
    at !== undefined && untimely(at, now) !== undefined ? [[key, 'lies in the future']] : [];
  return [
    ...(isThere ? [['id', `"${id}" is in stock already`] as [string, string]] : []),
    ...(remaining !== undefined && remaining > size
      ? [['remaining', `it holds only ${size}`] as [string, string]]
      : []),
    ...late(['boughtAt', boughtAt]),
    ...late(['openedAt', openedAt]),
    ...(openedAt !== undefined && boughtAt !== undefined && Date.parse(openedAt) < Date.parse(boughtAt)
      ? [['openedAt', 'it would have been opened before it was bought'] as [string, string]]
      : []),
  ];
}
