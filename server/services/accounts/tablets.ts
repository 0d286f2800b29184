import { MS_PER_MIN } from '#core/measures';
import type { Pairing, Tablet } from '#formats/people';
import { code, digest, token } from '../../accounts/secrets';
import type { Db } from '../../db/open';
import { notFound } from '../../http/problem';
import { type TabletRepository, tabletRepository } from '../../repositories/tablets';
import type { Try } from './attempts';

/** A code that pairs a device holds so long. */
const PAIRING_MS = 10 * MS_PER_MIN;

/** A device of the shop that was not cut off. */
export const pairedTablet =
  (tablets: TabletRepository) =>
  (id: string | undefined): Tablet | undefined => {
    const tablet = id === undefined ? undefined : tablets.get(id);
    return tablet?.cutAt === null ? tablet : undefined;
  };

/** The tablets of the shop: paired by a code, cut off when they are lost. */
export function tablets(db: Db, tried: Try, now: () => Date, tell: () => void) {
  const tablets = tabletRepository(db);
  const nowMs = () => now().getTime();
  const nowText = () => now().toISOString();

  return {
    tablets: tablets.all,
    /** A code that lets one device in, once, within ten minutes. */
    pairing(name: string): Pairing {
      const made = code();
      tablets.offer(digest(made), name.trim(), nowMs() + PAIRING_MS, nowMs());
      return { code: made, until: new Date(nowMs() + PAIRING_MS).toISOString() };
    },
    /** @throws ProblemError (401) for a code that is none, was used, or is too old */
    pair: (said: string, address: string): Promise<Tablet> =>
      tried(
        [['address', address]],
        () => {
          const name = tablets.take(digest(said.trim().toUpperCase()), nowMs());
          if (name === undefined) return undefined;
          const tablet = { id: token(), name, pairedAt: nowText(), seenAt: nowText(), cutAt: null };
          tablets.put(tablet);
          tell();
          return tablet;
        },
        'That code is used, too old or mistyped. Ask for another at the desk: People, Devices.',
      ),
    /** A device that is lost: from now on it is let in no more. */
    cutTablet(id: string): Tablet {
      const tablet = tablets.get(id);
      if (!tablet) throw notFound('device', id);
      const cut = { ...tablet, cutAt: tablet.cutAt ?? nowText() };
      tablets.put(cut);
      tell();
      return cut;
    },
  };
}
