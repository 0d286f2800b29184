import { type CutPlan, cutPlanOf } from '#core/film/cut-plan';
import { grouped } from '#core/stock';
import type { Job } from '#formats/job';
import { filmWork } from './film-work';

/** What is cut for a job from one film, and what of its film lies on no roll yet. */
export interface JobCut {
  readonly product: string;
  readonly name: string;
  readonly plan: CutPlan;
  /** The roll in stock it is cut from; absent: one to buy. */
  readonly thing?: string | undefined;
  /** Film in the pieces of each panel, all copies. */
  readonly panels: readonly { readonly surface: string; readonly areaM2: number }[];
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
        thing: nest.thing,
        panels: [...grouped(blanks, ({ panel }) => panel)].map(([surface, own]) => ({
          surface,
          areaM2: own.reduce((sum, { areaM2, count }) => sum + areaM2 * count, 0),
        })),
        plan: cutPlanOf(blanks, placements, widthMm),
        missing: wanted.filter((each) => !there.has(each)),
      },
    ];
  });
}
