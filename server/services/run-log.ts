import { learnedHours, learnedUse, sharesSeen } from '#core/work/prepare';
import { entryFault, foldLog, type RunRecord } from '#core/work/run';
import { type LearnedPreparation, type LogEntry, loggedEntries, type NewEntry } from '#formats/log';
import type { Db } from '../db/open';
import { conflict, notFound } from '../http/problem';
import { jobRepository } from '../repositories/jobs';
import { runLogRepository } from '../repositories/run-log';
import type { ChangeFeed } from './changes';

/** The append-only record of what was really done at a job. */
export function runLogService(db: Db, changes: ChangeFeed, now: () => Date) {
  const jobs = jobRepository(db);
  const log = runLogRepository(db);

  const startOf = (jobId: string) => {
    const job = jobs.get(jobId);
    if (!job) throw notFound('job', jobId);
    return job.document.startAt;
  };
  const record = (jobId: string): RunRecord => foldLog(loggedEntries(startOf(jobId), log.of(jobId)));
  return {
    of(jobId: string): LogEntry[] {
      startOf(jobId);
      return log.of(jobId);
    },
    /** What the log says has been done. */
    record,
    /** What all jobs teach of preparation: hours, what is used, and what becomes of marks. */
    learnedPreparation(): LearnedPreparation {
      const records = log.jobsWithPreparation().map(record);
      const stages = records.flatMap((each) => [...each.stages.values()]);
      return {
        hours: learnedHours(stages),
        uses: [...learnedUse(stages)].map(([what, learned]) => ({ what, ...learned })),
        shares: [...sharesSeen(records.flatMap(({ outcomes }) => [...outcomes.values()])).values()],
      };
    },
    /**
     * Logs an entry once, however often it is sent; the answer is given only when it is on the disk.
     * @throws ProblemError (409) where it does not fit what was done already, such as the same tap from a second tablet
     */
    append(jobId: string, entry: NewEntry): LogEntry {
      const { stored, isNew } = db.transaction(
        () => {
          const known = log.find(jobId, entry.id);
          if (known) return { stored: known, isNew: false };
          const logged = loggedEntries(startOf(jobId), log.of(jobId));
          const fault = entryFault(foldLog(logged), logged, entry.entry);
          if (fault) throw conflict(`This was not logged: ${fault}.`);
          return { stored: log.append(jobId, entry, now().toISOString()), isNew: true };
        },
        { behavior: 'immediate' },
      );
      if (isNew) changes.tell({ kind: 'log', id: jobId });
      return stored;
    },
  };
}
export type RunLogService = ReturnType<typeof runLogService>;
