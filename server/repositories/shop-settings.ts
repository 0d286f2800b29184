import { eq } from 'drizzle-orm';
import type { Db } from '../db/open';
import { shopSettings } from '../db/schema';

/** What is set for the whole workshop; each setting is read by whoever knows what it means. */
export function shopSettingsRepository(db: Db) {
  return {
    get: (name: string): unknown =>
      db.select().from(shopSettings).where(eq(shopSettings.name, name)).get()?.value ?? undefined,
    put(name: string, value: unknown): void {
      const row = { name, value };
      db.insert(shopSettings).values(row).onConflictDoUpdate({ target: shopSettings.name, set: row }).run();
    },
  };
}
