import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import Database from 'better-sqlite3';
import { z } from 'zod';
import { instant, object } from '#formats/values';

export const BACKUP_FORMAT = 'glaphyra.copy/1';
export const MANIFEST = 'manifest.json';
export const DATABASE = 'workshop.sqlite';
export const PICTURES = 'pictures';

/** What a backup holds, so that it can be checked without trusting it. */
export const manifestSchema = object({
  format: z.literal(BACKUP_FORMAT),
  at: instant(),
  /** The last thing that was entered before it was made. */
  lastChange: instant().nullable(),
  counts: object({ jobs: z.int(), entries: z.int(), pictures: z.int() }),
  /** Pictures the database knows whose files were gone already. */
  missing: z.array(z.string()),
  files: z.array(object({ path: z.string(), bytes: z.int(), sha256: z.string() })),
});
export type Manifest = z.output<typeof manifestSchema>;

export async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Whether nothing was entered yet. The file is only read, and little of it. */
export function isEmpty(file: string): boolean {
  const connection = new Database(file, { readonly: true });
  try {
    return ['jobs', 'run_log'].every(
      (table) => connection.prepare(`select 1 from ${table} limit 1`).get() === undefined,
    );
  } finally {
    connection.close();
  }
}

/** When something was entered last. */
export function lastChangeOf(file: string): string | null {
  const connection = new Database(file, { readonly: true });
  try {
    return lastChangeIn(connection);
  } finally {
    connection.close();
  }
}

function lastChangeIn(connection: Database.Database): string | null {
  const tables = new Set(connection.prepare(`select name from sqlite_master where type = 'table'`).pluck().all());
  const changes = [
    ['jobs', 'updated_at'],
    ['products', 'updated_at'],
    ['run_log', 'recorded_at'],
    ['stock_log', 'recorded_at'],
  ].flatMap(([table, column]) =>
    tables.has(table!) ? connection.prepare(`select max(${column}) from ${table}`).pluck().all() : [],
  );
  return (
    changes
      .filter((at) => typeof at === 'string')
      .toSorted((a, b) => Date.parse(a) - Date.parse(b))
      .at(-1) ?? null
  );
}

/** What a database holds, and whether it is sound. The file is only read. */
export function looked(file: string): {
  readonly fault: string | undefined;
  readonly lastChange: string | null;
  readonly counts: { readonly jobs: number; readonly entries: number };
  readonly pictures: readonly string[];
} {
  const connection = new Database(file, { readonly: true });
  try {
    const tables = new Set(connection.prepare(`select name from sqlite_master where type = 'table'`).pluck().all());
    const column = (table: string, ask: string): unknown[] =>
      tables.has(table) ? connection.prepare(`select ${ask} from ${table}`).pluck().all() : [];
    const sound = String(connection.pragma('integrity_check(1)', { simple: true }));
    return {
      fault: sound === 'ok' ? undefined : sound,
      lastChange: lastChangeIn(connection),
      counts: {
        jobs: Number(column('jobs', 'count(*)')[0] ?? 0),
        entries: Number(column('run_log', 'count(*)')[0] ?? 0),
      },
      pictures: column('photos', 'id').map(String),
    };
  } finally {
    connection.close();
  }
}
