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
    take: (row: typeof takenPassports.$inferInsert) => void db.insert(takenPassports).values(row).run(),
  };
}
