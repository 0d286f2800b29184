import { templateById } from '#core/item/nets';
import { isWorn } from '#core/survey/condition';
import type { FoundId } from '#core/products/families';
import { FIRST_WASH_DAYS, HALF_ARM_M2 } from '#core/products/schools';
import { type AmbientSeries, withoutHeating } from '#core/time/air';
import { inOrder } from '#core/plan/crew';
import { type Plan, type PlanInput } from '#core/plan/job';
import { layOut } from '#core/lay/run-sheet';
import { type Job, type Surface, surfaceName, wantedBy } from '#formats/job';
import { cutFilm } from '#job/film';
import { foundTold, type ToldLayer, toldInMinutes } from './found';
import { lostHours } from '#job/promise';
import { bySchoolsOf, excludedFrom, layingSchools } from '#job/terms';
import { minuteOfDay, minutesBetween, minutesToDay } from '#formats/values';

/** A file's job as the core plans it: instants become minutes from the start of laying. */
export function planInput(job: Job): PlanInput {
  const { startAt } = job;
  const deadline = wantedBy(job);
  const schools = layingSchools(job);
  const [first, ...rest] = job.ambient;
  const aircraft = isAircraft(job);
  // Without power nobody heats: it cools, and what is laid cures the slower.
  const ambient: AmbientSeries = withoutHeating([first!, ...rest], lostHours(job, 'power'));
  const excluded = excludedFrom(job);
  const cut = cutFilm(job);
  return {
    // What is marked on a panel is polished or not, and laid over all the same: but for paint that lets go.
    // Nothing is laid by a mark or a note: an edit of them moves no plan.
    surfaces: job.surfaces.map(({ marks = [], note, ...surface }) => {
      const found = staying(job, surface);
      return {
        ...surface,
        existing: found.map(({ family }) => family),
        existingTold: found.map(({ told }) => toldInMinutes(job, told)),
        layers: excluded.has(surface.id) ? [] : surface.layers,
        name: surfaceName(surface),
        aircraft,
        ...(isWorn(marks) && { worn: true }),
        curvature: surface.curvature ?? 1,
        tone: surface.colour?.tone,
        refinishedAtMin: surface.refinishedOn === undefined ? undefined : minutesToDay(startAt, surface.refinishedOn),
      };
    }),
    products: bySchoolsOf(job, job.products).map((product) => ({ ...product, cut: cut.get(product.id) })),
    ambient,
    crew: { ...job.crew, people: people(job), ...(schools.section === 'half-arm' && { mostSectionM2: HALF_ARM_M2 }) },
    matteSchool: job.schools?.matte ?? 'fixed-early',
    handover: { school: schools.handover, startMinuteOfDay: minuteOfDay(startAt) },
    firstWashDays: FIRST_WASH_DAYS[schools.firstWash],
    makersDays: schools.makersDays,
    room: job.room,
    needsByMin: deadline === undefined ? undefined : minutesBetween(startAt, deadline),
    moves: job.moves,
  };
}

type Found = Pick<Surface, 'id' | 'existing' | 'existingTold' | 'water' | 'substrate'>;

/** How many of the layers found on a surface stay on it: all, none, or all but the one on top. */
const layersStaying = ({ prepare }: Pick<Job, 'prepare'>, id: string, found: number): number => {
  if (prepare?.strip?.includes(id)) return 0;
  return prepare?.renewTop?.includes(id) ? Math.max(0, found - 1) : found;
};

/** Preparation with what comes off some surfaces decided: all that is found, the layer on top alone, or nothing. */
export function withTakenOff(
  prepare: Job['prepare'],
  ids: readonly string[],
  takes: 'all' | 'top' | 'nothing',
): NonNullable<Job['prepare']> {
  const others = (decided: readonly string[] = []) => decided.filter((id) => !ids.includes(id));
  const [strip, renewTop] = [others(prepare?.strip), others(prepare?.renewTop)];
  return {
    ...prepare,
    strip: takes === 'all' ? [...strip, ...ids] : strip,
    renewTop: takes === 'top' ? [...renewTop, ...ids] : renewTop,
  };
}

/** What is found on a surface and stays there, bottom first: nothing, where it is decided that it comes off first. */
export function staying(job: Pick<Job, 'prepare' | 'surfaces'>, surface: Found): readonly ToldLayer[] {
  const found = foundTold(job, surface);
  return found.slice(0, layersStaying(job, surface.id, found.length));
}

/** The same by family alone. */
export const staysOn = (job: Pick<Job, 'prepare' | 'surfaces'>, surface: Found): readonly FoundId[] =>
  staying(job, surface).map(({ family }) => family);

/** What is found on a surface and is decided to come off first, bottom first. */
export function comesOff(job: Pick<Job, 'prepare' | 'surfaces'>, surface: Found): readonly ToldLayer[] {
  const found = foundTold(job, surface);
  return found.slice(layersStaying(job, surface.id, found.length));
}

/** Who works on it, each at their own pace or the crew's, in the hours they are there. */
const people = ({ startAt, crew }: Job): PlanInput['crew']['people'] =>
  crew.people?.map(({ id, does, layM2PerMin, levelM2PerMin, hours, prepares }) => ({
    id,
    does,
    layM2PerMin: layM2PerMin ?? crew.layM2PerMin,
    levelM2PerMin: levelM2PerMin ?? crew.levelM2PerMin,
    ...(prepares !== undefined && { prepares }),
    hours: hours && inOrder(hours.map(([from, to]) => [minutesBetween(startAt, from), minutesBetween(startAt, to)])),
  }));

/** A surface whose outline is a part of the unfolded item, in its place; none for one that was measured alone. */
export const lyingOnSheet = ({ id, zone, piece, shape, measuredBy, onSheet }: Surface) =>
  shape.kind === 'polygon' && (measuredBy === 'template' || onSheet)
    ? [{ id, zone, piece, outlineMm: shape.pointsMm }]
    : [];

/** Whether a job's item is an aircraft: it is drawn as one, or something on it carries aircraft paint. */
export function isAircraft({ item, surfaces }: Pick<Job, 'item' | 'surfaces'>): boolean {
  const drawnAsOne = item?.template && templateById(item.template.id)?.aircraft;
  return drawnAsOne || surfaces.some(({ substrate }) => substrate === 'aircraft-paint');
}

/** A file's job as it is laid: what a person is shown, quoted and promised. */
export function planOf(job: Job): Plan {
  return layOut(planInput(job)).plan;
}
