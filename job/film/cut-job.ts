import { type CutPlan, cutPlanOf } from '#core/film/cut-plan';
import type { Job } from '#formats/job';
import { filmWork } from './film-work';

/** What is cut for a job from one film, and what of its film lies on no roll yet. */
export interface JobCut {
  readonly product: string;
  readonly name: string;
  readonly plan: CutPlan;
  /** Ids of blanks, each copy, that are not on the roll. */
  readonly missing: readonly string[];
}

/** The kept nests of a job as they are cut. What is no blank any more, since the job changed, is left out. */
export function jobCuts(job: Job): JobCut[] {
  const nests = new Map((job.film ?? []).map((nest) => [nest.product, nest]));
  return filmWork(job, (product) => nests.get(product)?.widthMm).flatMap(({ product, blanks, widthMm }) => {
    const nest = nests.get(product.id);
    if (!nest) return [];
    const wanted = blanks.flatMap(({ id, count }) => Array.from({ length: count }, (_, index) => `${id}/${index + 1}`));
    const placements = nest.placements.filter(({ id, copy }) => wanted.includes(`${id}/${copy}`));
    const there = new Set(placements.map(({ id, copy }) => `${id}/${copy}`));
    return [
      {
        product: product.id,
        name: product.name,
        plan: cutPlanOf(blanks, placements, widthMm),
        missing: wanted.filter((each) => !there.has(each)),
      },
    ];
  });
}
