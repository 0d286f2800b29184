import { standingSurfaces } from '#core/care';
import { foldLog } from '#core/run';
import type { Job, Surface } from './job';
import type { LogEntry } from './log';
import { loggedEntries } from './log';
import { plannedJob } from './planned-job';

/**
 * An item as it comes back: measured as before, with what was laid on it found on it, bottom first, and the marks
 * that were said to stay. Readings, tests and what was planned begin anew.
 * @param log what was really done at the last visit; what was planned and not laid is not on it
 */
export function comingBack(job: Job, log: readonly LogEntry[]): Pick<Job, 'item' | 'surfaces'> {
  const standing = standingSurfaces(plannedJob(job), foldLog(loggedEntries(job.startAt, log)), job.owner ?? {});
  const laidOn = new Map(
    standing.map(({ surface, layers }) => [surface.id, layers.map(({ product }) => product.family)]),
  );
  const surfaces = job.surfaces.map((surface): Surface => {
    const { touch, iron, water, readingsAt, surfaceC, ...known } = surface;
    const staying = surface.marks?.filter(({ outcome }) => outcome !== 'removed');
    return {
      ...known,
      existing: [...surface.existing, ...(laidOn.get(surface.id) ?? [])],
      readingsUm: [],
      layers: [],
      marks: staying && staying.length > 0 ? staying : undefined,
    };
  });
  return { item: job.item, surfaces };
}
