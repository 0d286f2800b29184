import Database from 'better-sqlite3';
import type { Db } from '../db/open';
import { shopSettingsRepository } from '../repositories/shop-settings';

/** Under which exports are remembered: they hold what is removed here later. */
const EXPORTS = 'exports';

interface Exported {
  readonly file: string;
  readonly at: string;
}

/** Remembers where the whole workshop was exported to. */
export function rememberExport(db: Db, file: string, at: Date): void {
  const settings = shopSettingsRepository(db);
  const before = ((settings.get(EXPORTS) ?? []) as Exported[]).filter((each) => each.file !== file);
  settings.put(EXPORTS, [...before, { file, at: at.toISOString() }]);
}

/** Where a workshop was exported to. The file is only read. */
export function exportedFrom(file: string): Exported[] {
  const connection = new Database(file, { readonly: true });
  try {
    const kept = connection.prepare('select value from shop_settings where name = ?').pluck().get(EXPORTS);
    return typeof kept === 'string' ? (JSON.parse(kept) as Exported[]) : [];
  } finally {
    connection.close();
  }
}
