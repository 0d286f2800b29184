import { asc, eq, lt } from 'drizzle-orm';
import type { Tablet } from '#formats/people';
import type { Db } from '../db/open';
import { pairings, tablets } from '../db/schema';

/** Devices of the shop, and the codes that let one in. */
export function tabletRepository(db: Db) {
  return {
    all: (): Tablet[] => db.select().from(tablets).orderBy(asc(tablets.name)).all(),
    get: (id: string): Tablet | undefined => db.select().from(tablets).where(eq(tablets.id, id)).get(),
    put(tablet: Tablet): void {
      db.insert(tablets).values(tablet).onConflictDoUpdate({ target: tablets.id, set: tablet }).run();
    },
    offer(codeHash: string, name: string, expiresMs: number, nowMs: number): void {
      db.delete(pairings).where(lt(pairings.expiresMs, nowMs)).run();
      db.insert(pairings).values({ codeHash, name, expiresMs }).run();
    },
    /** Takes a code: it is there once. @returns the name it was made for, while it holds */
    take(codeHash: string, nowMs: number): string | undefined {
      const [taken] = db.delete(pairings).where(eq(pairings.codeHash, codeHash)).returning().all();
      return taken && taken.expiresMs > nowMs ? taken.name : undefined;
    },
  };
}
export type TabletRepository = ReturnType<typeof tabletRepository>;
