import type { AmbientSeries } from '#core/air';
import { templateById } from '#core/nets';
import { type Plan, type PlannedJob, planJob } from '#core/plan';
import type { Job, Surface } from './job';
import { minutesBetween, minutesToDay } from './moments';

/** A file's job as the core plans it: instants become minutes from the start of laying. */
export function plannedJob(job: Job): PlannedJob {
  const { startAt, owner } = job;
  const [first, ...rest] = job.ambient;
  const aircraft = isAircraft(job);
  const ambient: AmbientSeries = [first!, ...rest];
  return {
    surfaces: job.surfaces.map((surface) => ({
      ...surface,
      name: surfaceName(surface),
      aircraft,
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

/** Whether a job's item is an aircraft: it is drawn as one, or something on it carries aircraft paint. */
export function isAircraft({ item, surfaces }: Pick<Job, 'item' | 'surfaces'>): boolean {
  const drawnAsOne = item?.template && templateById(item.template.id)?.aircraft;
  return drawnAsOne || surfaces.some(({ substrate }) => substrate === 'aircraft-paint');
}

/** Plans a file's job. */
export function planOf(job: Job): Plan {
  return planJob(plannedJob(job));
}

export function surfaceName({ name, id }: Pick<Surface, 'name' | 'id'>): string {
  return name ?? id;
}
