import { firstRenewMin, firstWashMin, phaseOf, standingSurfaces } from '#core/after/care';
import { foldLog, runProgress } from '#core/work/run';
import type { JobRecord, JobSummary } from '#formats/job';
import { loggedEntries } from '#formats/log';
import { instantAfter, minutesBetween } from '#formats/values';
import { plannedJob } from '#job/plan';
import { remindersOf } from '#job/prepare';
import { inOpeningHours, layingFrom, weekOf } from '#job/promise';
import { preparedWith } from '#job/view';
import type { Db } from '../db/open';
import { bayRepository } from '../repositories/bays';
import { runLogRepository } from '../repositories/run-log';
import type { QuoteService } from './quotes';

/** A glance at a job is computed again after this long, since time itself moves it on. */
const FRESH_FOR_MS = 30_000;

interface Kept {
  readonly version: number;
  readonly lastSeq: number;
  readonly atMs: number;
  readonly summary: JobSummary;
}

/** Jobs at a glance: computed from the plan and the log, kept until either changes. */
export function summaryService(db: Db, now: () => Date, { settingsOf }: Pick<QuoteService, 'settingsOf'>) {
  const log = runLogRepository(db);
  const bays = bayRepository(db);
  const kept = new Map<string, Kept>();
  return {
    of(job: JobRecord): JobSummary {
      const lastSeq = log.lastSeq(job.id);
      const atMs = now().getTime();
      const known = kept.get(job.id);
      if (known && known.version === job.version && known.lastSeq === lastSeq && atMs - known.atMs < FRESH_FOR_MS) {
        return known.summary;
      }
      const summary = summarise(job, atMs);
      kept.set(job.id, { version: job.version, lastSeq, atMs, summary });
      return summary;
    },
  };

  function summarise({ id, version, bayId, document }: JobRecord, atMs: number): JobSummary {
    const { startAt, item, owner } = document;
    const record = foldLog(loggedEntries(startAt, log.of(id)));
    const nowMin = minutesBetween(startAt, new Date(atMs).toISOString());
    const week = weekOf(bayId === null ? undefined : bays.get(bayId));
    const planned = inOpeningHours(plannedJob(document), document, week, { record, nowMin });
    const { preparation, day } = preparedWith(document, settingsOf(document));
    // Until it begins, a job is judged at the time it is planned for, its preparation done.
    const progress = runProgress(planned, record, layingFrom(planned, preparation, day, { record, nowMin }));
    const { plan, patchesDone, patchesTotal } = progress;
    const standing = standingSurfaces(planned, record, owner ?? {});
    const at = (minutes: number | null) => (minutes === null ? null : instantAfter(startAt, minutes));
    return {
      id,
      version,
      title: document.title,
      bayId,
      startAt,
      phase: phaseOf(progress, standing, nowMin),
      areaM2: plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0),
      patchesDone,
      patchesTotal,
      stops: plan.findings.filter(({ severity }) => severity === 'stop').length,
      waterSafe: at(plan.waterSafeMin),
      handover: at(plan.handoverMin),
      firstWash: at(firstWashMin(standing)),
      renew: at(firstRenewMin(standing)),
      reminders: remindersOf(document),
      ...(item && {
        itemName: item.name,
        ...(item.id && { itemId: item.id }),
        ...(item.ownerName && { ownerName: item.ownerName }),
      }),
      ...(owner?.needsBy && { needsBy: owner.needsBy }),
    };
  }
}
