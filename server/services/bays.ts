import type { Bay } from '#formats/job';
import type { Db } from '../db/open';
import { conflict } from '../http/problem';
import { bayRepository } from '../repositories/bays';
import { jobRepository } from '../repositories/jobs';
import type { ChangeFeed } from './changes';
import { versionGuard } from './versions';

/** What of a bay is edited. */
const draftOf = ({ name, climate, room }: Bay): Omit<Bay, 'id' | 'version'> => ({ name, climate, room });

/** Bays and how their air runs through a day. */
export function bayService(db: Db, changes: ChangeFeed) {
  const bays = bayRepository(db);
  const jobs = jobRepository(db);
  const versions = versionGuard(db, 'bay');
  return {
    all: bays.all,
    get(id: string): Bay {
      const bay = bays.get(id);
      if (!bay) throw versions.missing(id);
      return bay;
    },
    /** @param version the version that was edited; 0 for a new bay */
    put(id: string, version: number, draft: Omit<Bay, 'id' | 'version'>): Bay {
      const bay = db.transaction(
        () => {
          const standing = bays.get(id);
          const body = standing && draftOf(standing);
          versions.require(id, standing && { version: standing.version, body: body! }, version);
          versions.keep(id, version + 1, draft);
          return bays.put({ ...draft, id, version: version + 1 });
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'bay', id });
      return bay;
    },
    /** Takes a bay away in which no job stands. */
    remove(id: string, version: number): void {
      db.transaction(
        () => {
          const standing = bays.get(id);
          if (!standing) throw versions.missing(id);
          versions.require(id, { version: standing.version, body: draftOf(standing) }, version);
          const here = jobs.titlesInBay(id);
          if (here.length > 0) {
            const more = here.length > 1 ? ` and ${here.length - 1} more` : '';
            throw conflict(`"${here[0]}"${more} stands in this bay; move it first.`);
          }
          bays.remove(id);
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'bay', id });
    },
  };
}
