import { and, desc, eq, lt, type SQL } from 'drizzle-orm';
import type { Db } from '../db/open';
import { auditEntries, runLog, stockLog } from '../db/schema';

export interface NewAuditEntry {
  readonly at: string;
  readonly by: string | null;
  readonly tablet: string | null;
  readonly what: string;
  readonly ofKind: string | null;
  readonly ofId: string | null;
}

/** How far back somebody has read: in what was changed, in the run log and in the stock log. */
export interface AuditPlace {
  readonly change: number;
  readonly run: number;
  readonly stock: number;
}
export const LATEST: AuditPlace = { change: Infinity, run: Infinity, stock: Infinity };

/** Who did what. */
export function auditRepository(db: Db) {
  const where = (before: number, seq: Parameters<typeof lt>[0], by: SQL | undefined) =>
    and(Number.isFinite(before) ? lt(seq, before) : undefined, by);
  return {
    add: (entry: NewAuditEntry) => void db.insert(auditEntries).values(entry).run(),
    /** The latest of each log before a place, of one person where that is asked. */
    before(place: AuditPlace, most: number, person: string | undefined) {
      const of = (by: typeof auditEntries.by | typeof runLog.by | typeof stockLog.by) =>
        person === undefined ? undefined : eq(by, person);
      return {
        changes: db
          .select()
          .from(auditEntries)
          .where(where(place.change, auditEntries.seq, of(auditEntries.by)))
          .orderBy(desc(auditEntries.seq))
          .limit(most)
          .all(),
        run: db
          .select()
          .from(runLog)
          .where(where(place.run, runLog.seq, of(runLog.by)))
          .orderBy(desc(runLog.seq))
          .limit(most)
          .all(),
        stock: db
          .select()
          .from(stockLog)
          .where(where(place.stock, stockLog.seq, of(stockLog.by)))
          .orderBy(desc(stockLog.seq))
          .limit(most)
          .all(),
      };
    },
  };
}
