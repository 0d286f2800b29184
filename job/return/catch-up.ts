import type { Job } from '#formats/job';
import { comingBack } from './coming-back';
import type { ItemVisit } from './visits';

/**
 * A job that was planned ahead, brought up to what its item has become since: what lies on it, the clear that is left, and
 * the marks that are still there. What is planned, and what was read or marked for this job, stays.
 * @param last the visit that changed it: see `lastVisit`
 */
export function caughtUp(job: Job, last: ItemVisit): Job {
  const now = new Map(comingBack(last.document, last.log).surfaces.map((surface) => [surface.id, surface]));
  const before = new Map(last.document.surfaces.map((surface) => [surface.id, surface.marks ?? []]));
  return {
    ...job,
    surfaces: job.surfaces.map((surface) => {
      const is = now.get(surface.id);
      if (!is) return surface;
      const known = new Set((before.get(surface.id) ?? []).map(({ id }) => id));
      const marks = [...(is.marks ?? []), ...(surface.marks ?? []).filter(({ id }) => !known.has(id))];
      return {
        ...surface,
        existing: is.existing,
        existingTold: is.existingTold,
        clearBefore: is.clearBefore,
        marks: marks.length > 0 ? marks : undefined,
      };
    }),
  };
}

/** Surfaces of a job on which something else lies than the job was planned over. */
export const changedSince = (job: Job, last: ItemVisit): string[] => {
  const now = new Map(comingBack(last.document, last.log).surfaces.map(({ id, existing }) => [id, existing.join()]));
  return job.surfaces
    .filter(({ id, existing }) => (now.get(id) ?? existing.join()) !== existing.join())
    .map(({ id }) => id);
};
