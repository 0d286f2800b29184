import { MINUTES_PER_DAY } from '#core/measures';
import type { Product } from '#core/products/sheets';
import { withReadings } from '#core/time/air';
import {
  FLASH_LEARNING,
  isSurprising,
  type LearnedFactor,
  learnFactor,
  onALaterDay,
  predictiveSigma,
  untaught,
} from '#core/work/learning';
import { type CoatCase, cueRatio, type PlannedJob, substrateUnder } from '#core/work/plan';
import type { RunRecord } from './record';

/** What a run has taught of one product's flash. */
export interface FlashLesson {
  readonly product: string;
  readonly learned: LearnedFactor;
  /** A cue so far from what was predicted that it may have been a mistaken tap. */
  readonly surprising: boolean;
}

/** The job with the air as it was measured during the run. */
export function withMeasuredAir(job: PlannedJob, record: RunRecord): PlannedJob {
  return { ...job, ambient: withReadings(job.ambient, record.air) };
}

/** Cues seen beside the product's own sheet, patch by patch, in the order laying started; 1: just as the sheet says. */
export function cueRatios(
  job: PlannedJob,
  record: RunRecord,
): { readonly product: string; readonly ratio: number; readonly day: number }[] {
  const { ambient, matteSchool } = withMeasuredAir(job, record);
  const products = new Map(job.products.map((product) => [product.id, product]));
  const surfaces = new Map(job.surfaces.map((surface) => [surface.id, surface]));
  return [...record.patches.values()].flatMap(({ patch, start, layStartMin, cueMin }) => {
    const [product, surface] = [products.get(start.product), surfaces.get(patch.surface)];
    if (!product || !surface || cueMin === undefined) return [];
    const substrate = substrateUnder(surface, patch.layer, products);
    const coat: CoatCase = { product, substrate, surfaceC: start.surfaceC, ambient, matteSchool };
    const ratio = cueRatio(coat, layStartMin, cueMin);
    return ratio === undefined ? [] : [{ product: product.id, ratio, day: Math.floor(layStartMin / MINUTES_PER_DAY) }];
  });
}

/**
 * What the cues seen say of each product: observed against predicted time of its flash clock, patch by patch,
 * carried with less certainty from one day to the next.
 */
export function flashLessons(job: PlannedJob, record: RunRecord): FlashLesson[] {
  const seen = cueRatios(job, record);
  return [...new Set(seen.map(({ product }) => product))].map((product): FlashLesson => {
    let learned = untaught(FLASH_LEARNING);
    let surprising = false;
    let lastDay: number | undefined;
    for (const { ratio, day } of seen.filter((cue) => cue.product === product)) {
      if (lastDay !== undefined && day !== lastDay) learned = onALaterDay(learned);
      lastDay = day;
      surprising = isSurprising(ratio, learned, FLASH_LEARNING);
      learned = learnFactor([ratio], FLASH_LEARNING, learned);
    }
    return { product, learned, surprising };
  });
}

/** The job as the rest of the run should be planned: measured air, and flash times as learned. */
export function calibrated(job: PlannedJob, record: RunRecord): PlannedJob {
  const lessons = new Map(flashLessons(job, record).map((lesson) => [lesson.product, lesson.learned]));
  return {
    ...withMeasuredAir(job, record),
    products: job.products.map((product) => {
      const learned = lessons.get(product.id);
      if (!learned) return product;
      return {
        ...product,
        flashFactor: product.flashFactor * learned.factor,
        flashSigma: predictiveSigma(learned, FLASH_LEARNING),
      };
    }),
  };
}

/**
 * What the cues of several jobs teach of a product's flash for the next one: job after job, less certain each time a
 * day has passed, and one more before the next.
 * @param jobs ratios of observed to the sheet's own minutes, job by job, the first one first; none may be empty
 */
export function learnedFlash(jobs: readonly (readonly number[])[]): Pick<Product, 'flashFactor' | 'flashSigma'> {
  const learned = jobs.reduce(
    (before, ratios) => onALaterDay(learnFactor(ratios, FLASH_LEARNING, before)),
    untaught(FLASH_LEARNING),
  );
  return { flashFactor: learned.factor, flashSigma: predictiveSigma(learned, FLASH_LEARNING) };
}
