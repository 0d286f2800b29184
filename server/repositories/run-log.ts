import { and, asc, eq, max, sql } from 'drizzle-orm';
import type { LogEntry, NewEntry } from '#formats/log';
import type { Db } from '../db/open';
import { runLog } from '../db/schema';

type Row = typeof runLog.$inferSelect;

function logEntry({ seq, id, at, by, recordedAt, deviceAt, entry }: Row): LogEntry {
  return { seq, id, at, recordedAt, entry, ...(deviceAt !== null && { deviceAt }), ...(by !== null && { by }) };
}

/** What was done at each job, in the order it was recorded. */
export function runLogRepository(db: Db) {
  return {
    of: (jobId: string): LogEntry[] =>
      db.select().from(runLog).where(eq(runLog.jobId, jobId)).orderBy(asc(runLog.seq)).all().map(logEntry),
    find(jobId: string, id: string): LogEntry | undefined {
      const row = db
        .select()
        .from(runLog)
        .where(and(eq(runLog.jobId, jobId), eq(runLog.id, id)))
        .get();
      return row && logEntry(row);
    },
    /** Jobs at which a drop was read. */
    withDrops: (): string[] =>
      db
        .selectDistinct({ jobId: runLog.jobId })
        .from(runLog)
        .where(sql`json_extract(entry, '$.type') = 'bead'`)
        .all()
        .map(({ jobId }) => jobId),
    lastSeq: (jobId: string): number =>
      db
        .select({ last: max(runLog.seq) })
        .from(runLog)
        .where(eq(runLog.jobId, jobId))
        .get()?.last ?? 0,
    /** The latest moment at which an entry of any job was recorded: where a clock was set back, not that of the last. */
    latestRecorded: (): string | undefined =>
      db
        .select({ at: max(runLog.recordedAt) })
        .from(runLog)
        .get()?.at ?? undefined,
    append: (jobId: string, entry: NewEntry & { deviceAt?: string }, recordedAt: string, by?: string): LogEntry =>
      logEntry(
        db
          .insert(runLog)
          .values({ ...entry, by: by ?? null, jobId, recordedAt })
          .returning()
          .get(),
      ),
  };
}
