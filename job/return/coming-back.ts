import { clearOnSurfaces, standingSurfaces } from '#core/after/care';
import { foldLog } from '#core/work/run';
import type { Job, Surface } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
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
    standing.map(({ surface, layers }) => [surface.id, layers.map(({ product }) => product.family)]),
  );
  const surfaces = job.surfaces.map((surface, index): Surface => {
    const { touch, iron, water, faultless, readingsAt, readingsFrom, surfaceC, clearUm, clearBefore, ...known } =
      surface;
    const tookUm = taken.get(surface.id) ?? 0;
    const hadUm = clear[index];
    const staying = surface.marks?.filter(
      ({ id, outcome }) => (record.outcomes.get(id)?.outcome ?? outcome) !== 'removed',
    );
    return {
      ...known,
      existing: [...staysOn(job, surface), ...(laidOn.get(surface.id) ?? [])],
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
