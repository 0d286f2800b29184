import { accessSync, closeSync, constants, existsSync, openSync, readFileSync, readSync, statSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';

const MAGIC = 'SQLite format 3\0';

/**
 * Why a file cannot be the workshop's database, in a sentence with the remedy; undefined where it can, or where it
 * is yet to be made. The file is only read.
 */
export function databaseFault(file: string, migrationsFolder: string): string | undefined {
  if (file === ':memory:') return undefined;
  if (!existsSync(file)) return folderFault(path.dirname(file));
  if (statSync(file).isDirectory()) return `${file} is a folder; set GLAPHYRA_DB to a file in it.`;
  if (!mayWrite(file)) return `${file} may not be written; give this user the right to, or copy it elsewhere.`;
  if (!mayWrite(path.dirname(file))) {
    return `${path.dirname(file)} may not be written, and a database writes beside its file; give this user the right to.`;
  }
  if (statSync(file).size === 0) return undefined;
  if (!beginsAsDatabase(file)) return `${file} is no database; move it away, or set GLAPHYRA_DB to another file.`;
  return contentFault(file, migrationsFolder);
}

function folderFault(folder: string): string | undefined {
  let above = folder;
  while (!existsSync(above)) above = path.dirname(above);
  if (!statSync(above).isDirectory()) return `${above} is a file, so nothing can be kept under it; set GLAPHYRA_DB.`;
  return mayWrite(above) ? undefined : `${above} may not be written; give this user the right to, or set GLAPHYRA_DB.`;
}

function mayWrite(place: string): boolean {
  try {
    accessSync(place, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

function beginsAsDatabase(file: string): boolean {
  const head = Buffer.alloc(MAGIC.length);
  const handle = openSync(file, 'r');
  try {
    readSync(handle, head, 0, head.length, 0);
  } finally {
    closeSync(handle);
  }
  return head.toString('latin1') === MAGIC;
}

const LARGE_BYTES = 200e6;
const PUT_BACK =
  'Put back a copy of it with its -wal file, or set GLAPHYRA_DB to another file; this one was not touched.';

function contentFault(file: string, migrationsFolder: string): string | undefined {
  let connection: Database.Database | undefined;
  try {
    connection = new Database(file, { readonly: true });
    // Reading all of a large file takes longer than a start may: that one is checked whole by each day's backup.
    const sound = statSync(file).size > LARGE_BYTES ? 'ok' : connection.pragma('quick_check(1)', { simple: true });
    if (sound !== 'ok') return `${file} is damaged (${String(sound)}). ${PUT_BACK}`;
    return schemaFault(connection, file, migrationsFolder);
  } catch (error) {
    return `${file} cannot be read (${error instanceof Error ? error.message : String(error)}). ${PUT_BACK}`;
  } finally {
    connection?.close();
  }
}

function schemaFault(connection: Database.Database, file: string, migrationsFolder: string): string | undefined {
  const tables = connection.prepare(`select name from sqlite_master where type = 'table'`).pluck().all();
  if (tables.length === 0) return undefined;
  if (!tables.includes('__drizzle_migrations')) {
    return `${file} is a database of something else; set GLAPHYRA_DB to another file.`;
  }
  const last = connection.prepare('select max(created_at) from __drizzle_migrations').pluck().get();
  const journal = JSON.parse(readFileSync(path.join(migrationsFolder, 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  const known = Math.max(...journal.entries.map(({ when }) => when));
  return Number(last) > known
    ? `${file} was written by a newer version of this application; update it, or open an older copy of the file.`
    : undefined;
}
