import { asc, eq, sql } from 'drizzle-orm';
import type { Handover, PassportFile } from '#formats/passport';
import type { Db } from '../db/open';
import { handovers, takenPassports } from '../db/schema';

/** What was signed, and what was taken in from others. Nothing of it is ever changed. */
export function handoverRepository(db: Db) {
  return {
    of: (jobId: string): Handover[] =>
      db
        .select()
        .from(handovers)
        .where(eq(handovers.jobId, jobId))
        .orderBy(asc(handovers.at), asc(handovers.id))
        .all()
        .map(({ jobId: _, ...handover }) => handover),
    get: (id: string) => db.select().from(handovers).where(eq(handovers.id, id)).get(),
    add: (jobId: string, handover: Handover) =>
      void db
        .insert(handovers)
        .values({ jobId, ...handover })
        .run(),
    takenFor: (itemId: string): PassportFile | undefined =>
      db.select().from(takenPassports).where(eq(takenPassports.itemId, itemId)).get()?.file,
    /** Keys of the passports that were taken in, each with the name its workshop gave; no passport is opened for it. */
    signers: () =>
      db
        .select({
          key: sql<string>`json_extract(${takenPassports.file}, '$.signature.key')`,
          shop: sql<string>`json_extract(${takenPassports.file}, '$.passport.shop')`,
        })
        .from(takenPassports)
        .orderBy(asc(takenPassports.at))
        .all(),
    /** An item whose job was removed since begins anew with the passport it comes with. */
    take: ({ itemId, ...row }: typeof takenPassports.$inferInsert): void =>
      void db
        .insert(takenPassports)
        .values({ itemId, ...row })
        .onConflictDoUpdate({ target: takenPassports.itemId, set: row })
        .run(),
  };
}
