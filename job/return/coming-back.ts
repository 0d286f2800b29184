import { clearOnSurfaces, standingSurfaces } from '#core/after/care';
import { foldLog } from '#core/work/run';
import type { Job, Surface } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { instantAfter } from '#formats/values';
import { plannedJob, staysOn } from '#job/plan';
import { clearTakenUm } from '#job/prepare';

/**
 * An item as it comes back: measured as before, with what was laid on it found on it, bottom first, and the marks
 * that were said to stay; its clear coat is what was there less what was taken. Readings, tests and what was planned begin anew.
 * @param log what was really done at the last visit; what was planned and not laid is not on it
 */
export function comingBack(job: Job, log: readonly LogEntry[]): Pick<Job, 'item' | 'surfaces'> {
  const planned = plannedJob(job);
  const record = foldLog(loggedEntries(job.startAt, log));
  const standing = standingSurfaces(planned, record, job.owner ?? {});
  const clear = clearOnSurfaces(planned.surfaces);
  const taken = clearTakenUm(job, record);
  const laidOn = new Map(
    standing.map(({ surface, layers }) => [
      surface.id,
      layers.map(({ product, endMin }) => ({ family: product.family, at: instantAfter(job.startAt, endMin) })),
    ]),
  );
  const surfaces = job.surfaces.map((surface, index): Surface => {
    const {
      touch,
      iron,
      water,
      faultless,
      readingsAt,
      readingsFrom,
      surfaceC,
      clearUm,
      clearBefore,
      existingSince,
      ...known
    } = surface;
    const stayed = staysOn(job, surface);
    const laid = laidOn.get(surface.id) ?? [];
    const tookUm = taken.get(surface.id) ?? 0;
    const hadUm = clear[index];
    const staying = surface.marks?.filter(
      ({ id, outcome }) => (record.outcomes.get(id)?.outcome ?? outcome) !== 'removed',
    );
    return {
      ...known,
      existing: [...stayed, ...laid.map(({ family }) => family)],
      ...(stayed.length + laid.length > 0 && {
        existingSince: [...stayed.map((_, nth) => existingSince?.[nth] ?? null), ...laid.map(({ at }) => at)],
      }),
      readingsUm: [],
      layers: [],
      ...(hadUm !== undefined && {
        clearBefore: {
          um: Math.max(0, hadUm - tookUm),
          on: job.startAt.slice(0, 10),
          takenUm: (clearBefore?.takenUm ?? 0) + tookUm,
        },
      }),
      marks: staying && staying.length > 0 ? staying : undefined,
    };
  });
  return { item: job.item, surfaces };
}
