import { type CutPlan, cutPlanOf } from '#core/film/cut-plan';
import { notClear, pieceKey, pieceKeys } from '#core/film/nest';
import { grouped } from '#core/stock';
import type { Job } from '#formats/job';
import { filmWork } from './film-work';
import { nestCaseOf, type RollInStock } from './nest-case';

/** What is cut for a job from one film, and what is wrong with the nest it keeps. */
export interface JobCut {
  readonly product: string;
  readonly name: string;
  readonly plan: CutPlan;
  /** The roll in stock it is cut from; absent: one to buy. */
  readonly thing?: string | undefined;
  /** Film in the pieces of each panel, all copies. */
  readonly panels: readonly { readonly surface: string; readonly areaM2: number }[];
  /** Copies of blanks that are on no roll yet. */
  readonly missing: readonly string[];
  /** Copies that do not lie clear any more: the panel was changed, or the roll. */
  readonly notClear: readonly string[];
}

/**
 * The kept nests of a job as they are cut. What is no blank any more, since the job changed, is left out.
 * @param rollOf a roll in stock as it is now
 */
export function jobCuts(job: Job, rollOf: (thing: string) => RollInStock | undefined = () => undefined): JobCut[] {
  const nests = new Map((job.film ?? []).map((nest) => [nest.product, nest]));
  return filmWork(job, (product) => nests.get(product)?.widthMm).flatMap((work) => {
    const { product, blanks, widthMm } = work;
    const nest = nests.get(product.id);
    if (!nest) return [];
    const wanted = pieceKeys(blanks);
    const placements = nest.placements.filter((each) => wanted.includes(pieceKey(each)));
    const there = new Set(placements.map(pieceKey));
    const onRoll = nestCaseOf(work, nest.cutter, nest.thing === undefined ? undefined : rollOf(nest.thing));
    return [
      {
        product: product.id,
        name: product.name,
        thing: nest.thing,
        plan: cutPlanOf(blanks, placements, widthMm),
        panels: [...grouped(blanks, ({ panel }) => panel)].map(([surface, own]) => ({
          surface,
          areaM2: own.reduce((sum, { areaM2, count }) => sum + areaM2 * count, 0),
        })),
        missing: wanted.filter((each) => !there.has(each)),
        notClear: notClear(onRoll, placements).map(pieceKey),
      },
    ];
  });
}
