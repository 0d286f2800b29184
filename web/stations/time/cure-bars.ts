import { NINE_IN_TEN_SIGMAS } from '#core/measures';
import { latestMoment } from '#core/time/clocks';
import { curingCoats, curedIn } from '#core/lay/cure';
import { handoverOf, type Plan, type PlanInput, waterSafeOf } from '#core/plan/job';
import type { ProductSheet } from '#formats/shelf';

/** One product on the cure timeline, all its coats together. Minutes from the job's start; null: never in this air. */
export interface CureBar {
  readonly name: string;
  readonly startMin: number;
  readonly endMin: number;
  readonly waterSafeMin: number | null;
  readonly handoverMin: number | null;
  /** Hand-over in air as warm, and as cold, as it is on one day in twenty each. */
  readonly handoverRangeMin: readonly [early: number | null, late: number | null];
}

/**
 * From its first stroke to the last moment it cures, for each product of a plan.
 * @param airK how far the air may be off its forecast, one sigma
 */
export function cureBars(planned: PlanInput, plan: Plan, products: readonly ProductSheet[], airK: number): CureBar[] {
  const curing = curingCoats(planned, plan);
  return products.flatMap(({ id, name }): CureBar[] => {
    const coats = plan.surfaces
      .flatMap(({ coats: own }) => own)
      .flatMap(({ product, laid }) => (product === id && laid ? [laid] : []));
    if (coats.length === 0) return [];
    const own = curing.filter(({ product }) => product.id === id);
    const off = NINE_IN_TEN_SIGMAS * airK;
    return [
      {
        name,
        startMin: Math.min(...coats.map(({ startMin }) => startMin)),
        endMin: Math.max(...coats.map(({ endMin }) => endMin)),
        waterSafeMin: latestMoment(coats.map(waterSafeOf)),
        handoverMin: latestMoment(coats.map(handoverOf)),
        handoverRangeMin: [curedIn(planned, own, off).readyMin, curedIn(planned, own, -off).readyMin],
      },
    ];
  });
}
