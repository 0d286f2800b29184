import { latestMoment } from '#core/time/clocks';
import { handoverOf, type Plan, waterSafeOf } from '#core/work/plan';
import type { ProductSheet } from '#formats/shelf';

/** One product on the cure timeline, all its coats together. Minutes from the job's start; null: never in this air. */
export interface CureBar {
  readonly name: string;
  readonly startMin: number;
  readonly endMin: number;
  readonly waterSafeMin: number | null;
  readonly handoverMin: number | null;
}

/** From its first stroke to the last moment it ripens, for each product of a plan. */
export function cureBars(plan: Plan, products: readonly ProductSheet[]): CureBar[] {
  return products.flatMap(({ id, name }): CureBar[] => {
    const coats = plan.surfaces
      .flatMap(({ coats: own }) => own)
      .flatMap(({ product, laid }) => (product === id && laid ? [laid] : []));
    if (coats.length === 0) return [];
    return [
      {
        name,
        startMin: Math.min(...coats.map(({ startMin }) => startMin)),
        endMin: Math.max(...coats.map(({ endMin }) => endMin)),
        waterSafeMin: latestMoment(coats.map(waterSafeOf)),
        handoverMin: latestMoment(coats.map(handoverOf)),
      },
    ];
  });
}
