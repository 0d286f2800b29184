import { isSheet, type KitEntry, type KitRecord } from '#formats/shelf';
import type { Db } from '../db/open';
import { conflict } from '../http/problem';
import { kitRepository } from '../repositories/kit';
import type { ChangeFeed } from './changes';
import { versionGuard } from './versions';

/** The preparation shelf: what is cleaned and polished with, and the pads and machines in hand. */
export function kitService(db: Db, changes: ChangeFeed) {
  const kit = kitRepository(db);
  const versions = versionGuard(db, 'kit');
  const check = (id: string, version: number) => {
    const standing = kit.get(id);
    versions.require(id, standing && { version: standing.version, body: standing.entry }, version);
    return standing;
  };
  /** A thing is one of a sheet; a pad belongs to one liquid for good. */
  const requireFits = (entry: KitEntry, standing: KitRecord | undefined) => {
    if (standing && standing.entry.kind !== entry.kind) throw conflict(`There is another thing "${entry.id}" here.`);
    if (isSheet(entry)) return;
    const wanted = entry.kind === 'pad-in-use' ? 'pad' : 'machine';
    if (kit.get(entry.sheet)?.entry.kind !== wanted) throw conflict(`There is no ${wanted} sheet "${entry.sheet}".`);
    if (entry.kind !== 'pad-in-use') return;
    if (entry.liquid !== undefined && kit.get(entry.liquid)?.entry.kind !== 'liquid') {
      throw conflict(`There is no liquid sheet "${entry.liquid}".`);
    }
    const before = standing?.entry.kind === 'pad-in-use' ? standing.entry.liquid : undefined;
    if (before !== undefined && before !== entry.liquid) {
      throw conflict(`This pad belongs to "${before}": residues of two liquids mix and scratch. Take a new pad.`);
    }
  };
  return {
    all: kit.all,
    /** @param version the version that was edited; 0 for a new one */
    put(id: string, version: number, entry: KitEntry): KitRecord {
      if (entry.id !== id) throw conflict('It keeps its id; add a new one instead.');
      const stored = db.transaction(
        () => {
          const standing = check(id, version);
          requireFits(entry, standing);
          versions.keep(id, version + 1, entry);
          return kit.put({ id, version: version + 1, entry });
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'kit', id });
      return stored;
    },
    remove(id: string, version: number): void {
      db.transaction(
        () => {
          if (!check(id, version)) throw versions.missing(id);
          const used = kit
            .all()
            .filter(({ entry }) => !isSheet(entry))
            .find(
              ({ entry }) => 'sheet' in entry && (entry.sheet === id || ('liquid' in entry && entry.liquid === id)),
            );
          if (used) throw conflict(`"${used.id}" is one of these: take that away first.`);
          kit.remove(id);
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'kit', id });
    },
  };
}
export type KitService = ReturnType<typeof kitService>;
