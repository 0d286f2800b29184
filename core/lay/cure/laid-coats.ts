import type { SubstrateId } from '#core/item/substrates';
import type { Product } from '#core/products/sheets';
import { type AmbientSeries, warmerBy } from '#core/time/air';
import { latestMoment } from '#core/time/clocks';
import {
  type CoatMilestones,
  coatMilestones,
  handoverOf,
  type Plan,
  type PlanInput,
  waterSafeOf,
} from '#core/plan/job';

/** What cures alike: a product on one kind of surface, from its last stroke. */
export interface CuringCoat {
  readonly product: Product;
  readonly substrate: SubstrateId;
  readonly startMin: number;
  readonly endMin: number;
}

/** Everything of a plan that is or will be laid, once for what cures alike: the youngest of it decides. */
export function curingCoats({ products }: PlanInput, { surfaces }: Pick<Plan, 'surfaces'>): CuringCoat[] {
  const sheets = new Map(products.map((product) => [product.id, product]));
  const coats = new Map<string, CuringCoat>();
  for (const { coats: own } of surfaces) {
    for (const { product: id, substrate, laid } of own) {
      if (!laid) continue;
      const key = `${id} ${substrate}`;
      const known = coats.get(key);
      if (!known || laid.endMin > known.endMin)
        coats.set(key, { product: sheets.get(id)!, substrate, startMin: laid.startMin, endMin: laid.endMin });
    }
  }
  return [...coats.values()];
}

/** When all of it may get wet and be handed over. Minutes of the job; null: never in this air. */
export interface Cured {
  readonly waterSafeMin: number | null;
  readonly readyMin: number | null;
}

/** The same coats in air that is warmer or colder by so much all through. */
export function curedIn({ ambient, matteSchool }: PlanInput, coats: readonly CuringCoat[], byK: number): Cured {
  const air: AmbientSeries = byK === 0 ? ambient : warmerBy(ambient, byK);
  const moments = coats.map((coat): { milestones: CoatMilestones; endMin: number } => ({
    milestones: coatMilestones({ ...coat, ambient: air, matteSchool }, coat.startMin, coat.endMin),
    endMin: coat.endMin,
  }));
  return { waterSafeMin: latestMoment(moments.map(waterSafeOf)), readyMin: latestMoment(moments.map(handoverOf)) };
}
