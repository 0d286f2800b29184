import { asc, eq } from 'drizzle-orm';
import type { ShelfProduct } from '#formats/job';
import { type KeptShop, keptShopSchema } from '#formats/shelf';
import type { Db } from '../db/open';
import { products } from '../db/schema';

/** A product as it is kept: its sheet, and what of the shop's does not follow from anything else. */
export interface KeptProduct extends Omit<ShelfProduct, 'shop'> {
  readonly shop: KeptShop;
}

// What an older version of the application kept is completed.
const complete = (row: KeptProduct): KeptProduct => ({ ...row, shop: keptShopSchema.parse(row.shop) });

/** Product sheets as the shop keeps them, each with what is the shop's; a job carries its own copies. */
export function shelfRepository(db: Db) {
  return {
    all: (): KeptProduct[] => db.select().from(products).orderBy(asc(products.id)).all().map(complete),
    get(id: string): KeptProduct | undefined {
      const row = db.select().from(products).where(eq(products.id, id)).get();
      return row && complete(row);
    },
    put(product: KeptProduct): KeptProduct {
      db.insert(products).values(product).onConflictDoUpdate({ target: products.id, set: product }).run();
      return product;
    },
    putShop: (id: string, shop: KeptShop) => void db.update(products).set({ shop }).where(eq(products.id, id)).run(),
    remove(id: string): void {
      db.delete(products).where(eq(products.id, id)).run();
    },
  };
}
