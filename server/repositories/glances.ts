import { and, desc, eq, isNull, max } from 'drizzle-orm';
import type { JobSummary } from '#formats/job';
import type { Db } from '../db/open';
import { jobGlances, jobs, runLog } from '../db/schema';

/** A glance as it is kept. */
export interface KeptGlance {
  readonly version: number;
  readonly lastSeq: number;
  readonly standing: string;
  readonly atMs: number;
  readonly goodUntilMs: number;
  readonly glance: JobSummary;
}

/** A job in a list: which version it is in, how far its log has come, and its glance where one is kept. */
export interface ListedJob {
  readonly id: string;
  readonly version: number;
  readonly lastSeq: number;
  readonly kept: KeptGlance | null;
}

/** Jobs at a glance, kept beside the jobs. */
export function glanceRepository(db: Db) {
  return {
    /** All jobs that are there, last changed first. No document is opened. */
    listed(): ListedJob[] {
      const last = new Map(
        db
          .select({ jobId: runLog.jobId, last: max(runLog.seq) })
          .from(runLog)
          .groupBy(runLog.jobId)
          .all()
          .map(({ jobId, last: seq }) => [jobId, seq ?? 0]),
      );
      return db
        .select({ id: jobs.id, version: jobs.version, kept: jobGlances })
        .from(jobs)
        .leftJoin(jobGlances, eq(jobGlances.jobId, jobs.id))
        .where(isNull(jobs.removedAt))
        .orderBy(desc(jobs.updatedAt))
        .all()
        .map((row) => ({ ...row, lastSeq: last.get(row.id) ?? 0 }));
    },
    /** One of them, as it is now. */
    listedJob(id: string): ListedJob | undefined {
      const row = db
        .select({ id: jobs.id, version: jobs.version, kept: jobGlances })
        .from(jobs)
        .leftJoin(jobGlances, eq(jobGlances.jobId, jobs.id))
        .where(and(eq(jobs.id, id), isNull(jobs.removedAt)))
        .get();
      const last = db
        .select({ last: max(runLog.seq) })
        .from(runLog)
        .where(eq(runLog.jobId, id))
        .get();
      return row && { ...row, lastSeq: last?.last ?? 0 };
    },
    put(jobId: string, kept: KeptGlance): void {
      const row = { jobId, ...kept };
      db.insert(jobGlances).values(row).onConflictDoUpdate({ target: jobGlances.jobId, set: row }).run();
    },
  };
}
