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
    const changes = [
      ...column('jobs', 'max(updated_at)'),
      ...column('products', 'max(updated_at)'),
      ...column('run_log', 'max(recorded_at)'),
      ...column('stock_log', 'max(recorded_at)'),
    ].filter((at) => typeof at === 'string');
    return {
      fault: sound === 'ok' ? undefined : sound,
      lastChange: changes.toSorted((a, b) => Date.parse(a) - Date.parse(b)).at(-1) ?? null,
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
