import type { ShelfProduct } from '#formats/job';
import { type MakerSheet, parted, type ProductSheet, type ShopFigures, stocked } from '#formats/shelf';
import type { ProductCues } from '#formats/log';
import { changedPaths } from '#formats/values';
import type { Db } from '../db/open';
import { conflict } from '../http/problem';
import { type KeptProduct, shelfRepository } from '../repositories/shelf';
import type { Computing } from '../computing/computing';
import type { ChangeFeed } from './changes';
import type { RunLogService } from './run-log';
import type { StockService } from './stock';
import { versionGuard } from './versions';

interface Sources {
  readonly runLog: RunLogService;
  readonly stock: StockService;
  readonly computing: Computing;
}

/** The shelf of product sheets. Jobs carry copies, so nothing here changes a job behind anyone's back. */
export function shelfService(db: Db, changes: ChangeFeed, { runLog, stock, computing }: Sources, now: () => Date) {
  const shelf = shelfRepository(db);
  const versions = versionGuard(db, 'product');
  /** With what is in hand of them, and what cues, weighings and hands at all jobs have taught; untaught as it stands. */
  const withShop = (): ((product: KeptProduct) => ShelfProduct) => {
    const inHand = stock.inHand();
    return (product) => ({
      ...product,
      shop: {
        ...product.shop,
        ...runLog.learnedFlash().get(product.id),
        ...runLog.learnedPace().get(product.id),
        ...stock.usage(product.id),
        ...inHand(product.id),
      },
    });
  };
  const kept = (id: string): KeptProduct => {
    const product = shelf.get(id);
    if (!product) throw versions.missing(id);
    return product;
  };
  const check = ({ id, version, sheet }: KeptProduct, edited: number) =>
    versions.require(id, { version, body: sheet }, edited);
  /** On the disk, with its version remembered; told by whoever called. */
  const store = (sheet: MakerSheet, shop: KeptProduct['shop'], version: number): KeptProduct => {
    versions.keep(sheet.id, version, sheet);
    return shelf.put({ id: sheet.id, version, sheet, shop, updatedAt: now().toISOString() });
  };
  /** A new sheet; what its file says is in hand becomes a thing in stock. */
  const begin = (sheet: MakerSheet, { onHand, batch, ...shop }: ShopFigures): KeptProduct => {
    if (onHand > 0) stock.begin(sheet, onHand, batch);
    return store(sheet, shop, 1);
  };
  const tell = ({ id }: KeptProduct): void => changes.tell({ kind: 'product', id });
  return {
    all: (): ShelfProduct[] => shelf.all().map(withShop()),
    /** Every product as a job takes it: its sheet with what is the shop's. */
    products: (): ProductSheet[] => shelf.all().map(withShop()).map(stocked),
    get: (id: string): ShelfProduct => withShop()(kept(id)),
    /** The same, worked out beside the server: after a sheet was written. */
    shown: (id: string): Promise<ShelfProduct> => computing.ask('product', id),
    /** What the cues seen of a product have taught. */
    cuesOf: (id: string): ProductCues => runLog.cuesOf(kept(id).id),
    /** Puts a sheet on the shelf once, however often the same one is sent. */
    add(product: ProductSheet): void {
      const { sheet, shop } = parted(product);
      const known = shelf.get(sheet.id);
      if (!known) tell(db.transaction(() => begin(sheet, shop), { behavior: 'immediate' }));
      else if (changedPaths(sheet, known.sheet).length > 0)
        throw conflict(`There is another product "${sheet.id}" on the shelf.`);
    },
    /** Replaces a sheet; the workshop's own figures stay. */
    update(version: number, product: ProductSheet): void {
      const { sheet } = parted(product);
      const updated = db.transaction(
        () => {
          const standing = kept(sheet.id);
          check(standing, version);
          return store(sheet, standing.shop, version + 1);
        },
        { behavior: 'immediate' },
      );
      tell(updated);
    },
    /** How the shop is supplied with it. It is no part of the sheet, and makes no version of it. */
    setShop(id: string, figures: Pick<ShopFigures, 'deliveryDays'>): void {
      const product = kept(id);
      const shop = { ...product.shop, ...figures };
      shelf.putShop(id, shop);
      tell(product);
    },
    /** Takes a whole shelf in, or nothing of it: new sheets are added, others become the next version of theirs. */
    takeIn(products: readonly ProductSheet[]): { added: number; changed: number; same: number } {
      const counts = { added: 0, changed: 0, same: 0 };
      const news: KeptProduct[] = [];
      db.transaction(
        () => {
          for (const { sheet, shop } of products.map(parted)) {
            const known = shelf.get(sheet.id);
            const isSame = known !== undefined && changedPaths(sheet, known.sheet).length === 0;
            counts[isSame ? 'same' : known ? 'changed' : 'added']++;
            if (!isSame) news.push(known ? store(sheet, known.shop, known.version + 1) : begin(sheet, shop));
          }
        },
        { behavior: 'immediate' },
      );
      // Told when it is on the disk: a shelf that is refused half way is no news.
      news.forEach(tell);
      return counts;
    },
    remove(id: string, version: number): void {
      check(kept(id), version);
      shelf.remove(id);
      changes.tell({ kind: 'product', id });
    },
  };
}
export type ShelfService = ReturnType<typeof shelfService>;
