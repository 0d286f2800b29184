import { asc, eq } from 'drizzle-orm';
import type { ShelfProduct } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import type { Db } from '../db/open';
import { products } from '../db/schema';

/** Product sheets as the shop keeps them; a job carries its own copies. */
export function shelfRepository(db: Db) {
  return {
    all: (): ShelfProduct[] => db.select().from(products).orderBy(asc(products.id)).all(),
    get: (id: string): ShelfProduct | undefined => db.select().from(products).where(eq(products.id, id)).get(),
    put(sheet: ProductSheet, version: number, updatedAt: string): ShelfProduct {
      const row = { id: sheet.id, version, sheet, updatedAt };
      db.insert(products).values(row).onConflictDoUpdate({ target: products.id, set: row }).run();
      return row;
    },
    remove(id: string): void {
      db.delete(products).where(eq(products.id, id)).run();
    },
  };
}
