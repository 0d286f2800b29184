import { asc, eq } from 'drizzle-orm';
import type { ShelfProduct } from '#formats/job';
import type { ShopFigures } from '#formats/shelf';
import type { Db } from '../db/open';
import { products } from '../db/schema';

/** Product sheets as the shop keeps them, each with what is the shop's; a job carries its own copies. */
export function shelfRepository(db: Db) {
  return {
    all: (): ShelfProduct[] => db.select().from(products).orderBy(asc(products.id)).all(),
    get: (id: string): ShelfProduct | undefined => db.select().from(products).where(eq(products.id, id)).get(),
    put(product: ShelfProduct): ShelfProduct {
      db.insert(products).values(product).onConflictDoUpdate({ target: products.id, set: product }).run();
      return product;
    },
    putShop: (id: string, shop: ShopFigures) => void db.update(products).set({ shop }).where(eq(products.id, id)).run(),
    remove(id: string): void {
      db.delete(products).where(eq(products.id, id)).run();
    },
  };
}
