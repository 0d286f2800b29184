import { mkdirSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { StartFault } from '../settings';

/**
 * Holds a database for this server alone, by a lock of the operating system on a file beside it: it ends with the process,
 * however that ends. Two servers on one file would not tell each other what has changed.
 * @returns lets go of it
 * @throws StartFault where another server holds it
 */
export function holdAlone(file: string): () => void {
  if (file === ':memory:') return () => undefined;
  mkdirSync(path.dirname(file), { recursive: true, mode: 0o700 });
  const lock = new Database(`${file}-open`, { timeout: 0 });
  try {
    lock.pragma('locking_mode = EXCLUSIVE');
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock.close();
    if ((error as { code?: string }).code !== 'SQLITE_BUSY') throw error;
    throw new StartFault(
      `${file} is open in another server: one at a time. Stop that one first, or set GLAPHYRA_DB to another file.`,
    );
  }
  return () => lock.close();
}
