import type { ShelfProduct } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import { changedPaths } from '#formats/values';
import type { Db } from '../db/open';
import { conflict, notFound, staleWrite } from '../http/problem';
import { shelfRepository } from '../repositories/shelf';
import type { ChangeFeed } from './changes';

/** The shelf of product sheets. Jobs carry copies, so nothing here changes a job behind anyone's back. */
export function shelfService(db: Db, changes: ChangeFeed, now: () => Date) {
  const shelf = shelfRepository(db);
  const get = (id: string): ShelfProduct => {
    const product = shelf.get(id);
    if (!product) throw notFound('product', id);
    return product;
  };
  const requireVersion = (current: ShelfProduct, edited: number) => {
    // Only the latest version is kept, so what is told are the parts of the sheet that stand.
    if (current.version !== edited) throw staleWrite(current.version, changedPaths({}, current.sheet));
  };
  const put = (sheet: ProductSheet, version: number) => {
    const stored = shelf.put(sheet, version, now().toISOString());
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
          requireVersion(get(id), version);
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
            shelf.put(sheet, (known?.version ?? 0) + 1, now().toISOString());
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
      requireVersion(get(id), version);
      shelf.remove(id);
      changes.tell({ kind: 'product', id });
    },
  };
}
