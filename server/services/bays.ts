import type { Bay } from '#formats/job';
import type { Db } from '../db/open';
import { notFound } from '../http/problem';
import { bayRepository } from '../repositories/bays';
import type { ChangeFeed } from './changes';
import { requireVersion } from './versions';

/** Bays and how their air runs through a day. */
export function bayService(db: Db, changes: ChangeFeed) {
  const bays = bayRepository(db);
  return {
    all: bays.all,
    get(id: string): Bay {
      const bay = bays.get(id);
      if (!bay) throw notFound('bay', id);
      return bay;
    },
    /** @param version the version that was edited; 0 for a new bay */
    put(id: string, version: number, draft: Omit<Bay, 'id' | 'version'>): Bay {
      const bay = db.transaction(
        () => {
          const standing = bays.get(id);
          const body = standing && { name: standing.name, climate: standing.climate };
          requireVersion('bay', id, standing && { version: standing.version, body: body! }, version, draft);
          return bays.put({ ...draft, id, version: version + 1 });
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'bay', id });
      return bay;
    },
  };
}
