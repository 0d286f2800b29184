import { mkdirSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { eq, sql } from 'drizzle-orm';
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { ROOT } from '../root';
import { StartFault } from '../settings';
import { holdAlone } from './alone';
import { databaseFault } from './check';
import { closeToOthers } from './private';
import * as schema from './schema';

const { shopSettings } = schema;

/** Whoever meets another that writes waits so long, ms. */
const BUSY_MS = 5000;
const MIGRATIONS = path.join(ROOT, 'server', 'migrations');

export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };

export interface OpenDatabase {
  readonly db: Db;
  close(): void;
}

/**
 * Opens the workshop's one file and brings it up to date.
 * Write-ahead logging lets readers go on while one writes; `FULL` makes an acknowledged entry outlive a
 * power cut, which a run log is for.
 * @param file path, made with its folder where missing; `:memory:` for a passing one
 * @throws StartFault for a file that cannot be the workshop's; it is not written to
 */
export function openDatabase(file: string, migrationsFolder = MIGRATIONS): OpenDatabase {
  const fault = databaseFault(file, migrationsFolder);
  if (fault !== undefined) throw new StartFault(fault);
  if (file !== ':memory:') mkdirSync(path.dirname(file), { recursive: true });
  const connection = new Database(file);
  connection.pragma('journal_mode = WAL');
  connection.pragma('synchronous = FULL');
  connection.pragma('foreign_keys = ON');
  connection.pragma(`busy_timeout = ${BUSY_MS}`);
  // What is removed is gone from the file as well.
  connection.pragma('secure_delete = ON');
  const db = drizzle(connection, { schema });
  migrate(db, { migrationsFolder });
  return { db, close: () => connection.close() };
}

/**
 * The same for a server that serves it alone, and for whatever must not meet one: held until it is closed.
 * @throws StartFault for a file that cannot be the workshop's, or that another server holds
 */
export function openAlone(file: string): OpenDatabase {
  const fault = databaseFault(file, MIGRATIONS);
  if (fault !== undefined) throw new StartFault(fault);
  const letGo = holdAlone(file);
  try {
    const { db, close } = openDatabase(file);
    closeToOthers(file, photoFolder(file));
    if (!db.select().from(shopSettings).where(eq(shopSettings.name, SWEPT)).get()) {
      db.run(sql`vacuum`);
      db.insert(shopSettings).values({ name: SWEPT, value: true }).run();
      forgetWhatWasFreed(db);
    }
    return {
      db,
      close() {
        close();
        letGo();
      },
    };
  } catch (error) {
    letGo();
    throw error;
  }
}

/**
 * What was removed goes from the write-ahead log too, where nobody reads it just now; nobody is kept waiting for that.
 * @returns whether it has
 */
export function forgetWhatWasFreed(db: Db): boolean {
  db.get(sql`pragma busy_timeout = 0`);
  const { busy } = db.get<{ readonly busy: number }>(sql`pragma wal_checkpoint(truncate)`);
  db.get(sql.raw(`pragma busy_timeout = ${BUSY_MS}`));
  return busy === 0;
}

/** Set where a file holds nothing any more of what was removed before removing did so by itself. */
const SWEPT = 'free-pages-swept';

/** A database that is open to be read, beside the server that writes it. */
export interface OpenReader {
  readonly db: Db;
  /** Reads all of it as it stands when the first of it is read, whatever is written meanwhile. */
  asOfNow<T>(work: () => T | Promise<T>): Promise<T>;
}

/** Opens a database that is up to date to be read only. */
export function openReader(file: string): OpenReader {
  const connection = new Database(file, { readonly: true, fileMustExist: true });
  connection.pragma(`busy_timeout = ${BUSY_MS}`);
  return {
    db: drizzle(connection, { schema }),
    async asOfNow(work) {
      connection.exec('begin');
      try {
        return await work();
      } finally {
        connection.exec('commit');
      }
    },
  };
}

/** Where the pictures of a database lie: in a folder of its name beside it. */
export function photoFolder(file: string): string {
  const { dir, name } = path.parse(file);
  return path.join(dir, `${name}-pictures`);
}
