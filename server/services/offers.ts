import { changedPaths, type OfferRecord } from '#formats';
import type { Db } from '../db/open';
import { conflict, notFound, staleWrite } from '../http/problem';
import { offerRepository } from '../repositories/offers';
import type { ChangeFeed } from './changes';

/** Named offers of the shop. A job that took one keeps its own stacks. */
export function offerService(db: Db, changes: ChangeFeed) {
  const offers = offerRepository(db);
  const requireVersion = (id: string, version: number, isNew: boolean) => {
    const standing = offers.get(id);
    if (!standing && !isNew) throw notFound('offer', id);
    if (standing && standing.version !== version) throw staleWrite(standing.version, changedPaths({}, standing.offer));
  };
  return {
    all: offers.all,
    /** @param version the version that was edited; 0 for a new one */
    put(id: string, version: number, offer: OfferRecord['offer']): OfferRecord {
      if (offer.id !== id) throw conflict('An offer keeps its id; add a new one instead.');
      const stored = db.transaction(
        () => {
          requireVersion(id, version, version === 0);
          return offers.put({ id, version: version + 1, offer });
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'offer', id });
      return stored;
    },
    remove(id: string, version: number): void {
      requireVersion(id, version, false);
      offers.remove(id);
      changes.tell({ kind: 'offer', id });
    },
  };
}
