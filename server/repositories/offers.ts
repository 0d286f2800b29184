import { asc, eq } from 'drizzle-orm';
import type { OfferRecord } from '#formats/choice';
import type { Db } from '../db/open';
import { offers } from '../db/schema';

/** Named offers, as the shop keeps them. */
export function offerRepository(db: Db) {
  const read = (row: typeof offers.$inferSelect) => row as OfferRecord;
  return {
    all: (): OfferRecord[] => db.select().from(offers).orderBy(asc(offers.id)).all().map(read),
    get(id: string): OfferRecord | undefined {
      const row = db.select().from(offers).where(eq(offers.id, id)).get();
      return row && read(row);
    },
    put(record: OfferRecord): OfferRecord {
      db.insert(offers).values(record).onConflictDoUpdate({ target: offers.id, set: record }).run();
      return record;
    },
    remove: (id: string) => void db.delete(offers).where(eq(offers.id, id)).run(),
  };
}
