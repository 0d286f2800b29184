import { and, eq, sql } from 'drizzle-orm';
import type { JobLesson } from '#job/learn';
import type { Db } from '../db/open';
import { jobLessons, runLog } from '../db/schema';
import { MODEL_EDITION } from '../model-edition';

/** What a job teaches, and the entry of its log it was worked out at. */
export interface NewLesson {
  readonly jobId: string;
  readonly lastSeq: number;
  readonly lesson: JobLesson;
}

/** What each job teaches, kept with the entry of its log it was worked out at. */
export function lessonRepository(db: Db) {
  return {
    all: (): (JobLesson & { readonly jobId: string })[] =>
      db
        .select({ jobId: jobLessons.jobId, lesson: jobLessons.lesson })
        .from(jobLessons)
        .orderBy(jobLessons.lastSeq)
        .all()
        .map(({ jobId, lesson }) => ({ ...lesson, jobId })),
    /** Jobs whose log has grown since their lesson was worked out, or whose lesson is by other models. */
    outdated: (): string[] =>
      db
        .select({ jobId: runLog.jobId })
        .from(runLog)
        .leftJoin(jobLessons, eq(jobLessons.jobId, runLog.jobId))
        .groupBy(runLog.jobId)
        .having(
          sql`max(${runLog.seq}) > coalesce(${jobLessons.lastSeq}, 0) or max(${jobLessons.model}) <> ${MODEL_EDITION}`,
        )
        .all()
        .map(({ jobId }) => jobId),
    /** The log has grown by something that teaches nothing; a lesson that was outdated before stays so. */
    follow: (jobId: string, from: number, lastSeq: number) =>
      void db
        .update(jobLessons)
        .set({ lastSeq })
        .where(and(eq(jobLessons.jobId, jobId), eq(jobLessons.lastSeq, from)))
        .run(),
    put(learned: NewLesson): void {
      const row = { ...learned, model: MODEL_EDITION };
      db.insert(jobLessons).values(row).onConflictDoUpdate({ target: jobLessons.jobId, set: row }).run();
    },
  };
}
