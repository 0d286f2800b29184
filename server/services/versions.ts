import { changedPaths } from '#formats/values';
import type { Db } from '../db/open';
import type { VersionedKind } from '../db/schema';
import { notFound, staleWrite } from '../http/problem';
import { formerVersionRepository } from '../repositories/former-versions';

/** What each kind of thing is called where it is not found. */
const NAMES: Readonly<Record<VersionedKind, string>> = {
  job: 'job',
  product: 'product',
  offer: 'offer',
  kit: 'entry of the preparation shelf',
  bay: 'bay',
};

interface Standing {
  readonly version: number;
  readonly body: object;
}

/** Watches over the versions of one kind of thing, and remembers the earlier ones. */
export function versionGuard(db: Db, kind: VersionedKind) {
  const former = formerVersionRepository(db, kind);
  return {
    keep: former.keep,
    /**
     * Refuses a write that was made to another version than the one that stands, and says what has changed since.
     * @param edited the version that was edited; 0 for something new
     * @throws ProblemError (404) where there is nothing to change, (412) where it has changed since
     */
    require(id: string, standing: Standing | undefined, edited: number): void {
      if (!standing && edited > 0) throw notFound(NAMES[kind], id);
      if (!standing || standing.version === edited) return;
      const base = former.get(id, edited);
      throw staleWrite(standing.version, base ? changedPaths(base, standing.body) : ['all of it']);
    },
    missing: (id: string) => notFound(NAMES[kind], id),
  };
}
