import type { ShelfProduct } from '#formats/job';
import { type MakerSheet, parted, type ProductSheet, type ShopFigures, stocked } from '#formats/shelf';
import { changedPaths } from '#formats/values';
import type { Db } from '../db/open';
import { conflict } from '../http/problem';
import { shelfRepository } from '../repositories/shelf';
import type { ChangeFeed } from './changes';
import type { RunLogService } from './run-log';
import { versionGuard } from './versions';

/** The shelf of product sheets. Jobs carry copies, so nothing here changes a job behind anyone's back. */
export function shelfService(db: Db, changes: ChangeFeed, runLog: RunLogService, now: () => Date) {
  const shelf = shelfRepository(db);
  const versions = versionGuard(db, 'product');
  /** With what the cues seen at all jobs have taught of its flash; untaught as it stands. */
  const taught = (product: ShelfProduct): ShelfProduct => {
    const flash = runLog.learnedFlash().get(product.id);
    return flash ? { ...product, shop: { ...product.shop, ...flash } } : product;
  };
  const get = (id: string): ShelfProduct => {
    const product = shelf.get(id);
    if (!product) throw versions.missing(id);
    return taught(product);
  };
  const check = ({ id, version, sheet }: ShelfProduct, edited: number) =>
    versions.require(id, { version, body: sheet }, edited);
  /** On the disk, with its version remembered; told by whoever called. */
  const store = (sheet: MakerSheet, shop: ShopFigures, version: number): ShelfProduct => {
    versions.keep(sheet.id, version, sheet);
    return shelf.put({ id: sheet.id, version, sheet, shop, updatedAt: now().toISOString() });
  };
  const told = (product: ShelfProduct): ShelfProduct => {
    changes.tell({ kind: 'product', id: product.id });
    return taught(product);
  };
  return {
    all: (): ShelfProduct[] => shelf.all().map(taught),
    /** Every product as a job takes it: its sheet with what is the shop's. */
    products: (): ProductSheet[] => shelf.all().map(taught).map(stocked),
    get,
    add(product: ProductSheet): ShelfProduct {
      const { sheet, shop } = parted(product);
      const known = shelf.get(sheet.id);
      if (!known) return told(store(sheet, shop, 1));
      if (changedPaths(sheet, known.sheet).length === 0) return taught(known);
      throw conflict(`There is another product "${sheet.id}" on the shelf.`);
    },
    update(id: string, version: number, sheet: MakerSheet): ShelfProduct {
      return db.transaction(
        () => {
          const standing = get(id);
          check(standing, version);
          if (sheet.id !== id) throw conflict('A product keeps its id; add a new one instead.');
          return told(store(sheet, standing.shop, version + 1));
        },
        { behavior: 'immediate' },
      );
    },
    /** What is in hand and in use. It is no part of the sheet, and makes no version of it. */
    setShop(id: string, figures: Pick<ShopFigures, 'onHand' | 'batch'>): ShelfProduct {
      const { shop, ...product } = get(id);
      const { batch: _, ...rest } = shop;
      shelf.putShop(id, { ...rest, ...figures });
      return told({ ...product, shop: { ...rest, ...figures } });
    },
    /** Takes a whole shelf in, or nothing of it: new sheets are added, others become the next version of theirs. */
    takeIn(products: readonly ProductSheet[]): { added: number; changed: number; same: number } {
      const counts = { added: 0, changed: 0, same: 0 };
      const news: ShelfProduct[] = [];
      db.transaction(
        () => {
          for (const { sheet, shop } of products.map(parted)) {
            const known = shelf.get(sheet.id);
            const isSame = known !== undefined && changedPaths(sheet, known.sheet).length === 0;
            counts[isSame ? 'same' : known ? 'changed' : 'added']++;
            if (!isSame) news.push(store(sheet, known?.shop ?? shop, (known?.version ?? 0) + 1));
          }
        },
        { behavior: 'immediate' },
      );
      // Told when it is on the disk: a shelf that is refused half way is no news.
      news.forEach(told);
      return counts;
    },
    remove(id: string, version: number): void {
      check(get(id), version);
      shelf.remove(id);
      changes.tell({ kind: 'product', id });
    },
  };
}
export type ShelfService = ReturnType<typeof shelfService>;
