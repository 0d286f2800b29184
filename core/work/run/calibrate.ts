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
import { type CoatCase, cueRatio, type PlannedJob } from '#core/work/plan';
import type { RunRecord } from './record';

/** What a run has taught of one product's flash. */
export interface FlashLesson {
  readonly product: string;
  readonly learned: LearnedFactor;
  /** A cue so far from what was predicted that it may have been a mistaken tap. */
  readonly surprising: boolean;
}

const MINUTES_PER_DAY = 1440;

/** The job with the air as it was measured during the run. */
export function withMeasuredAir(job: PlannedJob, record: RunRecord): PlannedJob {
  return { ...job, ambient: withReadings(job.ambient, record.air) };
}

/**
 * What the cues seen say of each product: observed against predicted time of its flash clock, patch by patch,
 * carried with less certainty from one day to the next.
 */
export function flashLessons(job: PlannedJob, record: RunRecord): FlashLesson[] {
  const { ambient, matteSchool } = withMeasuredAir(job, record);
  return job.products.flatMap((product): FlashLesson[] => {
    let learned = untaught(FLASH_LEARNING);
    let surprising = false;
    let lastDay: number | undefined;
    for (const { patch, start, layStartMin, cueMin } of record.patches.values()) {
      const surface = job.surfaces.find(({ id }) => id === patch.surface);
      if (!surface || cueMin === undefined || start.product !== product.id) continue;
      const coat: CoatCase = { product, substrate: surface.substrate, surfaceC: start.surfaceC, ambient, matteSchool };
      const ratio = cueRatio(coat, layStartMin, cueMin);
      if (ratio === undefined) continue;
      const day = Math.floor(layStartMin / MINUTES_PER_DAY);
      if (lastDay !== undefined && day !== lastDay) learned = onALaterDay(learned);
      lastDay = day;
      surprising = isSurprising(ratio, learned, FLASH_LEARNING);
      learned = learnFactor([ratio], FLASH_LEARNING, learned);
    }
    return learned.observations === 0 ? [] : [{ product: product.id, learned, surprising }];
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
