import { asc, eq } from 'drizzle-orm';
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
    /** All that were taken in. */
    taken: (): PassportFile[] =>
      db
        .select({ file: takenPassports.file })
        .from(takenPassports)
        .all()
        .map(({ file }) => file),
    /** An item whose job was removed since begins anew with the passport it comes with. */
    take: ({ itemId, ...row }: typeof takenPassports.$inferInsert): void =>
      void db
        .insert(takenPassports)
        .values({ itemId, ...row })
        .onConflictDoUpdate({ target: takenPassports.itemId, set: row })
        .run(),
  };
}
