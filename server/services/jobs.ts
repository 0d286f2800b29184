import { DateTime } from 'luxon';
import type { RunRecord } from '#core/lay/run';
import type { JobDraft, JobRecord } from '#formats/job';
import { changedPaths, type Fault } from '#formats/values';
import type { Db } from '../db/open';
import { conflict, notFound } from '../http/problem';
import { bayRepository } from '../repositories/bays';
import { jobRepository } from '../repositories/jobs';
import { runLogRepository } from '../repositories/run-log';
import { summaryRepository } from '../repositories/summaries';
import type { ChangeFeed } from './changes';
import type { RunLogService } from './run-log';
import { versionGuard } from './versions';
import { summaryToBe } from './workings';

/** How long a job taken away can be brought back. */
const KEPT_DAYS = 30;

/** Jobs: kept in versions, so that no write silently overwrites another's. */
export function jobService(db: Db, changes: ChangeFeed, runLog: RunLogService, now: () => Date) {
  const jobs = jobRepository(db);
  const bays = bayRepository(db);
  const log = runLogRepository(db);
  const summaries = summaryRepository(db);
  const versions = versionGuard(db, 'job');

  const get = (id: string): JobRecord => {
    const job = jobs.get(id);
    if (!job) throw notFound('job', id);
    return job;
  };
  const requireBay = (draft: JobDraft) => {
    if (draft.bayId !== null && !bays.get(draft.bayId)) throw notFound('bay', draft.bayId);
  };
  return {
    isAny: jobs.isAny,
    get,
    /** What stands under that name; undefined where nothing does. */
    find: jobs.get,
    /** Makes a job once, however often the same one is sent. */
    add({ id, ...draft }: JobDraft & { readonly id: string }): JobRecord {
      const known = jobs.everKnown(id);
      if (known) {
        const { removedAt, ...standing } = known;
        if (removedAt !== null) throw conflict(`A job "${id}" was taken away; bring it back, or give another id.`);
        if (changedPaths(draft, draftOf(standing)).length === 0) return standing;
        throw conflict(`There is another job "${id}" already.`);
      }
      requireBay(draft);
      const added = db.transaction(
        () => {
          const job = jobs.add(id, draft, now().toISOString());
          // It is in every list from now on, worked out or not.
          summaries.put(id, summaryToBe(job, now().getTime()));
          return job;
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'job', id });
      return added;
    },
    /**
     * Replaces a job's draft.
     * @param version the version that was edited
     * @throws ProblemError (412) where another stands by now, (409) where it contradicts what was laid
     */
    update(id: string, version: number, draft: JobDraft): JobRecord {
      requireBay(draft);
      db.transaction(
        () => {
          const current = get(id);
          versions.require(id, { version: current.version, body: draftOf(current) }, version);
          const faults = contradictions(current, draft, runLog.record(id));
          if (faults.length > 0) throw conflict('What has been laid cannot be planned away.', faults);
          jobs.update(id, version + 1, draft, now().toISOString(), current);
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'job', id });
      return get(id);
    },
    /** Takes a job away, as long as nothing has been done at it; it can be brought back. */
    remove(id: string, version: number): void {
      db.transaction(
        () => {
          const current = get(id);
          versions.require(id, { version: current.version, body: draftOf(current) }, version);
          if (log.lastSeq(id) > 0) throw conflict('Work has been logged at this job; its record stays.');
          jobs.markRemoved(id, now().toISOString());
        },
        { behavior: 'immediate' },
      );
      changes.tell({ kind: 'job', id });
    },
    /** Deletes for good what was taken away longer ago than it is kept. Only by command. @returns how many */
    tidy: (): number => jobs.clear(DateTime.fromJSDate(now()).minus({ days: KEPT_DAYS }).toUTC().toISO()!),
    bringBack(id: string): JobRecord {
      if (!jobs.everKnown(id)) throw notFound('job', id);
      jobs.markRemoved(id, null);
      changes.tell({ kind: 'job', id });
      return get(id);
    },
  };
}
export type JobService = ReturnType<typeof jobService>;

function draftOf({ document, bayId, airSource }: JobRecord): JobDraft {
  return { document, bayId, airSource };
}

/** Where a new draft would deny what the log says was done. */
function contradictions(current: JobRecord, draft: JobDraft, record: RunRecord): Fault[] {
  if (record.patches.size === 0) return [];
  const { document } = draft;
  const faults: Fault[] = [];
  if (document.startAt !== current.document.startAt) {
    faults.push({ path: 'document.startAt', message: 'laying has begun; its start cannot be moved' });
  }
  const checked = new Set<string>();
  for (const { patch, start } of record.patches.values()) {
    const key = `${patch.surface}/${patch.layer}`;
    if (checked.has(key)) continue;
    checked.add(key);
    const index = document.surfaces.findIndex(({ id }) => id === patch.surface);
    const path = index === -1 ? 'document.surfaces' : `document.surfaces[${index}].layers[${patch.layer}]`;
    if (document.surfaces[index]?.layers[patch.layer]?.product !== start.product) {
      faults.push({
        path,
        message: `${start.product} has been laid on ${patch.surface}; it cannot be taken out of the plan`,
      });
    }
  }
  return faults;
}
