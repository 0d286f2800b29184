import { asc, eq } from 'drizzle-orm';
import type { Bay } from '#formats/job';
import type { Db } from '../db/open';
import { bays } from '../db/schema';

/** Bays, each with a climate of its own. */
export function bayRepository(db: Db) {
  return {
    all: (): Bay[] => db.select().from(bays).orderBy(asc(bays.name)).all(),
    get: (id: string): Bay | undefined => db.select().from(bays).where(eq(bays.id, id)).get(),
    put(bay: Bay): Bay {
      db.insert(bays).values(bay).onConflictDoUpdate({ target: bays.id, set: bay }).run();
      return bay;
    },
    remove: (id: string) => void db.delete(bays).where(eq(bays.id, id)).run(),
  };
}
