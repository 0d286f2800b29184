import type { AmbientSeries } from '#core/air';
import { type Plan, type PlannedJob, planJob } from '#core/plan';
import type { Job, Surface } from './job';
import { minutesBetween, minutesToDay } from './moments';

/** A file's job as the core plans it: instants become minutes from the start of laying. */
export function plannedJob(job: Job): PlannedJob {
  const { startAt, owner } = job;
  const [first, ...rest] = job.ambient;
  const ambient: AmbientSeries = [first!, ...rest];
  return {
    surfaces: job.surfaces.map((surface) => ({
      ...surface,
      name: surfaceName(surface),
      curvature: surface.curvature ?? 1,
      refinishedAtMin: surface.refinishedOn === undefined ? undefined : minutesToDay(startAt, surface.refinishedOn),
    })),
    products: job.products,
    ambient,
    crew: job.crew,
    matteSchool: job.schools?.matte ?? 'fixed-early',
    room: job.room,
    needsByMin: owner?.needsBy === undefined ? undefined : minutesBetween(startAt, owner.needsBy),
  };
}

/** Plans a file's job. */
export function planOf(job: Job): Plan {
  return planJob(plannedJob(job));
}

export function surfaceName({ name, id }: Pick<Surface, 'name' | 'id'>): string {
  return name ?? id;
}
