import { and, desc, eq, lte } from 'drizzle-orm';
import type { JobDraft, JobRecord } from '#formats';
import type { Db } from '../db/open';
import { jobs, jobVersions } from '../db/schema';

/** Versions kept of each job. */
const VERSIONS_KEPT = 20;

/** Jobs in their latest version, and the few before it. */
export function jobRepository(db: Db) {
  const keepVersion = (id: string, version: number, draft: JobDraft) => {
    db.insert(jobVersions).values({ jobId: id, version, draft }).run();
    db.delete(jobVersions)
      .where(and(eq(jobVersions.jobId, id), lte(jobVersions.version, version - VERSIONS_KEPT)))
      .run();
  };
  return {
    all: (): JobRecord[] => db.select().from(jobs).orderBy(desc(jobs.updatedAt)).all(),
    get: (id: string): JobRecord | undefined => db.select().from(jobs).where(eq(jobs.id, id)).get(),
    version: (id: string, version: number): JobDraft | undefined =>
      db
        .select({ draft: jobVersions.draft })
        .from(jobVersions)
        .where(and(eq(jobVersions.jobId, id), eq(jobVersions.version, version)))
        .get()?.draft,
    add(id: string, draft: JobDraft, at: string): JobRecord {
      const record = { id, version: 1, ...draft, createdAt: at, updatedAt: at };
      db.insert(jobs).values(record).run();
      keepVersion(id, 1, draft);
      return record;
    },
    update(id: string, version: number, draft: JobDraft, at: string): void {
      db.update(jobs)
        .set({ ...draft, version, updatedAt: at })
        .where(eq(jobs.id, id))
        .run();
      keepVersion(id, version, draft);
    },
    remove(id: string): void {
      db.delete(jobs).where(eq(jobs.id, id)).run();
    },
  };
}
