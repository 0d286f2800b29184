import type { ShelfProduct } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import { changedPaths } from '#formats/values';
import type { Db } from '../db/open';
import { conflict } from '../http/problem';
import { shelfRepository } from '../repositories/shelf';
import type { ChangeFeed } from './changes';
import { versionGuard } from './versions';

/** The shelf of product sheets. Jobs carry copies, so nothing here changes a job behind anyone's back. */
export function shelfService(db: Db, changes: ChangeFeed, now: () => Date) {
  const shelf = shelfRepository(db);
  const versions = versionGuard(db, 'product');
  const get = (id: string): ShelfProduct => {
    const product = shelf.get(id);
    if (!product) throw versions.missing(id);
    return product;
  };
  const check = (current: ShelfProduct, edited: number) =>
    versions.require(current.id, { version: current.version, body: current.sheet }, edited);
  /** On the disk, with its version remembered; told by whoever called. */
  const store = (sheet: ProductSheet, version: number) => {
    versions.keep(sheet.id, version, sheet);
    return shelf.put(sheet, version, now().toISOString());
  };
  const put = (sheet: ProductSheet, version: number) => {
    const stored = store(sheet, version);
    changes.tell({ kind: 'product', id: sheet.id });
    return stored;
  };
  return {
    all: shelf.all,
    get,
    add(sheet: ProductSheet): ShelfProduct {
      const known = shelf.get(sheet.id);
      if (!known) return put(sheet, 1);
      if (changedPaths(sheet, known.sheet).length === 0) return known;
      throw conflict(`There is another product "${sheet.id}" on the shelf.`);
    },
    update(id: string, version: number, sheet: ProductSheet): ShelfProduct {
      return db.transaction(
        () => {
          check(get(id), version);
          if (sheet.id !== id) throw conflict('A product keeps its id; add a new one instead.');
          return put(sheet, version + 1);
        },
        { behavior: 'immediate' },
      );
    },
    /** Takes a whole shelf in, or nothing of it: new sheets are added, others become the next version of theirs. */
    takeIn(sheets: readonly ProductSheet[]): { added: number; changed: number; same: number } {
      const counts = { added: 0, changed: 0, same: 0 };
      const news: string[] = [];
      db.transaction(
        () => {
          for (const sheet of sheets) {
            const known = shelf.get(sheet.id);
            const isSame = known !== undefined && changedPaths(sheet, known.sheet).length === 0;
            counts[isSame ? 'same' : known ? 'changed' : 'added']++;
            if (isSame) continue;
            store(sheet, (known?.version ?? 0) + 1);
            news.push(sheet.id);
          }
        },
        { behavior: 'immediate' },
      );
      // Told when it is on the disk: a shelf that is refused half way is no news.
      for (const id of news) changes.tell({ kind: 'product', id });
      return counts;
    },
    remove(id: string, version: number): void {
      check(get(id), version);
      shelf.remove(id);
      changes.tell({ kind: 'product', id });
    },
  };
}
