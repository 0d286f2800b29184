import { asc, eq, gt, max } from 'drizzle-orm';
import type { NewStockEntry, StockLogEntry } from '#formats/stock';
import type { Db } from '../db/open';
import { stockLog } from '../db/schema';

type Row = typeof stockLog.$inferSelect;

function logEntry({ seq, id, at, by, recordedAt, deviceAt, entry }: Row): StockLogEntry {
  return { seq, id, at, recordedAt, entry, ...(deviceAt !== null && { deviceAt }), ...(by !== null && { by }) };
}

/** An entry on its way into the log. */
export type StockAppend = (Pick<StockLogEntry, 'id' | 'at' | 'entry'> | NewStockEntry) & {
  readonly deviceAt?: string;
};

/** What happened to each thing in stock, in the order it was recorded. */
export function stockRepository(db: Db) {
  return {
    after: (seq: number): StockLogEntry[] =>
      db.select().from(stockLog).where(gt(stockLog.seq, seq)).orderBy(asc(stockLog.seq)).all().map(logEntry),
    of: (thing: string): StockLogEntry[] =>
      db.select().from(stockLog).where(eq(stockLog.thing, thing)).orderBy(asc(stockLog.seq)).all().map(logEntry),
    find(id: string): StockLogEntry | undefined {
      const row = db.select().from(stockLog).where(eq(stockLog.id, id)).get();
      return row && logEntry(row);
    },
    lastSeq: (): number =>
      db
        .select({ last: max(stockLog.seq) })
        .from(stockLog)
        .get()?.last ?? 0,
    append({ id, at, entry, deviceAt }: StockAppend, recordedAt: string, by?: string): StockLogEntry {
      const row = { id, at, entry, thing: entry.thing, by: by ?? null, recordedAt, deviceAt: deviceAt ?? null };
      return logEntry(db.insert(stockLog).values(row).returning().get());
    },
  };
}
