import { z } from 'zod';
import { perimeterMm, shapeOutline } from '#core/geometry';
import { clearEstimateUm, judgeReadings } from '#core/paint';
import { surfaceAreaM2 } from '#core/plan';
import {
  FULL_SITE,
  type PanelCase,
  type PrepareSettings,
  removalsToComeUm,
  STEP_KIND_IDS,
  USUAL_SCHOOLS,
} from '#core/prepare';
import type { Job } from './job';

/** Factors on the default hours, by kind of step; kinds nothing is known of are left out. */
export const learnedHoursSchema = z.partialRecord(
  z.enum(STEP_KIND_IDS),
  z.object({ factor: z.number(), sigma: z.number(), observations: z.int() }),
);
export type LearnedHours = z.output<typeof learnedHoursSchema>;

/** Years an item is planned for where nobody says. */
export const USUAL_YEARS = 6;

/** A job's surfaces as preparation sees them: condition, paint, and the protection to come. */
export function panelCases(job: Job): PanelCase[] {
  const judged = judgeReadings(job.surfaces);
  const products = new Map(job.products.map((product) => [product.id, product]));
  const scope = new Map(job.prepare?.scope?.map(({ surface, state, reason }) => [surface, { state, reason }]));
  return job.surfaces.map((surface, index): PanelCase => {
    const { id, substrate, count, curvature = 1, paint } = surface;
    const layers = surface.layers.flatMap(({ product }) => products.get(product) ?? []);
    return {
      id,
      substrate,
      areaM2: surfaceAreaM2({ ...surface, curvature }) * count,
      edgeM: (perimeterMm(shapeOutline(surface.shape)) * count) / 1000,
      count,
      curvature,
      zone: surface.zone,
      marks: surface.marks ?? [],
      paint,
      clearUm: clearEstimateUm(surface.clearUm, paint, judged[index]!.medianUm),
      hardness: surface.hardness?.grade,
      touch: surface.touch,
      iron: surface.iron,
      water: surface.water,
      existing: surface.existing,
      toCome: layers.map(({ family }) => family),
      removalsUm: removalsToComeUm({
        substrate,
        layers: layers.map(({ name, family, ratedMonths }) => ({ name, family, ratedMonths })),
        yearsPlanned: job.prepare?.yearsPlanned ?? USUAL_YEARS,
      }),
      scope: scope.get(id),
    };
  });
}

/** Usual settings with those that were chosen over them; undefined is not chosen. */
function overlaid<T extends object>(usual: T, chosen: { readonly [K in keyof T]?: T[K] | undefined } = {}): T {
  const said = Object.entries(chosen).filter(([, value]) => value !== undefined);
  return { ...usual, ...(Object.fromEntries(said) as Partial<T>) };
}

/** A job's settings of preparation, every one it leaves out as usual. */
export function prepareSettings({ prepare }: Pick<Job, 'prepare'>, learned: LearnedHours = {}): PrepareSettings {
  return {
    learned: Object.fromEntries(Object.entries(learned).map(([kind, { factor }]) => [kind, factor])),
    level: prepare?.level ?? 'one-step',
    schools: overlaid(USUAL_SCHOOLS, prepare?.schools),
    site: overlaid(FULL_SITE, prepare?.site),
    leftOut: new Set(prepare?.leftOut ?? []),
    reserveUm: prepare?.reserveUm,
  };
}
