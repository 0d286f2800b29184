import type { OfferRecord } from '#formats/choice';
import type { Db } from '../db/open';
import { conflict } from '../http/problem';
import { offerRepository } from '../repositories/offers';
import type { ChangeFeed } from './changes';
import { versionGuard } from './versions';

/** Named offers of the shop. A job that took one keeps its own stacks. */
export function offerService(db: Db, changes: ChangeFeed) {
  const offers = offerRepository(db);
  const versions = versionGuard(db, 'offer');
  const check = (id: string, version: number) => {
    const standing = offers.get(id);
    versions.require(id, standing && { version: standing.version, body: standing.offer }, version);
    return standing;
  };
  return {
    all: offers.all,
    /** @param version the version that was edited; 0 for a new one */
    put(id: string, version: number, offer: OfferRecord['offer']): OfferRecord {
      if (offer.id !== id) throw conflict('An offer keeps its id; add a new one instead.');
      const stored = db.transaction(
        () => {
          check(id, version);
          versions.keep(id, version + 1, offer);
          return offers.put({ id, version: version + 1, offer });
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'offer', id });
      return stored;
    },
    remove(id: string, version: number): void {
      if (!check(id, version)) throw versions.missing(id);
      offers.remove(id);
      changes.tell({ kind: 'offer', id });
    },
  };
}
export type OfferService = ReturnType<typeof offerService>;
