import { asc, eq } from 'drizzle-orm';
import type { KitRecord } from '#formats/shelf';
import type { Db } from '../db/open';
import { kit } from '../db/schema';

/** Sheets and things of preparation. */
export function kitRepository(db: Db) {
  return {
    all: (): KitRecord[] => db.select().from(kit).orderBy(asc(kit.id)).all(),
    get: (id: string): KitRecord | undefined => db.select().from(kit).where(eq(kit.id, id)).get(),
    put(record: KitRecord): KitRecord {
      db.insert(kit).values(record).onConflictDoUpdate({ target: kit.id, set: record }).run();
      return record;
    },
    remove: (id: string) => void db.delete(kit).where(eq(kit.id, id)).run(),
  };
}
