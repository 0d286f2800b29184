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
} from '#core/measures/learning';
import { type CoatCase, coatWindow, cueRatio, type PlanInput, substrateUnder } from '#core/plan/job';
import type { RunRecord } from './record';

/** What a run has taught of one product's flash. */
export interface FlashLesson {
  readonly product: string;
  readonly learned: LearnedFactor;
  /** A cue so far from what was predicted that it may have been a mistaken tap. */
  readonly surprising: boolean;
}

/** The job with the air as it was measured during the run. */
export function withMeasuredAir(job: PlanInput, record: RunRecord): PlanInput {
  return { ...job, ambient: withReadings(job.ambient, record.air) };
}

/** A cue as it was seen. Minutes on the scale of the job. */
export interface CueSeen {
  readonly product: string;
  readonly surface: string;
  /** The entry of the log that noted it. */
  readonly entry: string;
  readonly atMin: number;
  /** Minutes after laying began: seen, and by the product's own sheet in this air; null: the sheet has it never. */
  readonly seenMin: number;
  readonly expectedMin: number | null;
  /** Seen against the sheet in the clock's own time; 1: just as the sheet says. */
  readonly ratio: number;
  readonly day: number;
  /** Of the bottle; absent: nobody said. */
  readonly batch?: string | undefined;
}

/** Cues seen beside the product's own sheet, patch by patch, in the order laying started. */
export function cueRatios(job: PlanInput, record: RunRecord): CueSeen[] {
  const { ambient, matteSchool } = withMeasuredAir(job, record);
  const products = new Map(job.products.map((product) => [product.id, product]));
  const surfaces = new Map(job.surfaces.map((surface) => [surface.id, surface]));
  return [...record.patches.values()].flatMap(({ patch, start, layStartMin, cueMin, cueEntry }): CueSeen[] => {
    const [product, surface] = [products.get(start.product), surfaces.get(patch.surface)];
    if (!product || !surface || cueMin === undefined || cueEntry === undefined) return [];
    const substrate = substrateUnder(surface, patch.layer, products);
    const coat: CoatCase = { product, substrate, surfaceC: start.surfaceC, ambient, matteSchool };
    const ratio = cueRatio(coat, layStartMin, cueMin);
    if (ratio === undefined) return [];
    const { cueMin: byCue, levelFromMin } = coatWindow(coat, layStartMin, 0);
    return [
      {
        product: product.id,
        surface: surface.id,
        entry: cueEntry,
        atMin: cueMin,
        seenMin: cueMin - layStartMin,
        expectedMin: byCue === undefined ? levelFromMin : byCue,
        ratio,
        day: Math.floor(layStartMin / MINUTES_PER_DAY),
        batch: start.batch,
      },
    ];
  });
}

/**
 * What the cues seen say of each product: observed against predicted time of its flash clock, patch by patch,
 * carried with less certainty from one day, and from one batch, to the next.
 */
export function flashLessons(job: PlanInput, record: RunRecord): FlashLesson[] {
  const seen = cueRatios(job, record);
  return [...new Set(seen.map(({ product }) => product))].map((product): FlashLesson => {
    let learned = untaught(FLASH_LEARNING);
    let surprising = false;
    let last: CueSeen | undefined;
    for (const cue of seen.filter((each) => each.product === product)) {
      const { ratio } = cue;
      // Another batch is as strange as another day.
      if (last && (cue.day !== last.day || cue.batch !== last.batch)) learned = onALaterDay(learned);
      last = cue;
      surprising = isSurprising(ratio, learned, FLASH_LEARNING);
      learned = learnFactor([ratio], FLASH_LEARNING, learned);
    }
    return { product, learned, surprising };
  });
}

/** The job as the rest of the run should be planned: measured air, and flash times as learned. */
export function calibrated(job: PlanInput, record: RunRecord): PlanInput {
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
 * What is believed of a product's flash before each of several jobs, and before the one after them: job after job, less
 * certain each time a day has passed.
 * @param jobs ratios of observed to the sheet's own minutes, job by job, the first one first; none may be empty
 */
export const flashBeliefs = (jobs: readonly (readonly number[])[]): Pick<Product, 'flashFactor' | 'flashSigma'>[] =>
  jobs
    .reduce<LearnedFactor[]>(
      (beliefs, ratios) => [...beliefs, onALaterDay(learnFactor(ratios, FLASH_LEARNING, beliefs.at(-1)))],
      [untaught(FLASH_LEARNING)],
    )
    .map((learned) => ({ flashFactor: learned.factor, flashSigma: predictiveSigma(learned, FLASH_LEARNING) }));

/** What the cues of several jobs teach of a product's flash for the next one. */
export const learnedFlash = (jobs: readonly (readonly number[])[]): Pick<Product, 'flashFactor' | 'flashSigma'> =>
  flashBeliefs(jobs).at(-1)!;
