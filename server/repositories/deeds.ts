import { and, desc, eq, lt, type SQL } from 'drizzle-orm';
import type { Db } from '../db/open';
import { deeds, runLog, stockLog } from '../db/schema';

export interface NewAuditEntry {
  readonly at: string;
  readonly by: string | null;
  readonly tablet: string | null;
  readonly deed: string;
  readonly ofKind: string | null;
  readonly ofId: string | null;
}

/** How far back somebody has read: in what was changed, in the run log and in the stock log. */
export interface AuditPlace {
  readonly deed: number;
  readonly run: number;
  readonly stock: number;
}
export const LATEST: AuditPlace = { deed: Infinity, run: Infinity, stock: Infinity };

/** Who did what. */
export function auditRepository(db: Db) {
  const where = (before: number, seq: Parameters<typeof lt>[0], by: SQL | undefined) =>
    and(Number.isFinite(before) ? lt(seq, before) : undefined, by);
  return {
    add: (deed: NewAuditEntry) => void db.insert(deeds).values(deed).run(),
    /** The latest of each log before a place, of one person where that is asked. */
    before(place: AuditPlace, most: number, person: string | undefined) {
      const of = (by: typeof deeds.by | typeof runLog.by | typeof stockLog.by) =>
        person === undefined ? undefined : eq(by, person);
      return {
        deeds: db
          .select()
          .from(deeds)
          .where(where(place.deed, deeds.seq, of(deeds.by)))
          .orderBy(desc(deeds.seq))
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
