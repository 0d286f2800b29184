import { METHOD_IDS, type MethodId } from '#core/products/methods';
import { layingHours } from '#core/schedule/hours';
import { layOut } from '#core/lay/run-sheet';
import type { Job } from '#formats/job';
import { planInput } from '#job/plan';

/** One way of laying a product on the whole item: product against minutes. */
export interface MethodCompared {
  readonly method: MethodId;
  /** Laid so now, everywhere it is laid. */
  readonly now: boolean;
  /** To cover nine jobs in ten, units of the product, and what would be bought for it. */
  readonly order: number;
  readonly cost: number;
  /** Of the whole job: work that is paid for, and by the clock. */
  readonly personMin: number;
  readonly elapsedMin: number;
  readonly patches: number;
}

/** Whether something can be sprayed: nothing that is scooped from a tin. */
const goesBy = (method: MethodId, unit: string) => method !== 'sprayed' || unit === 'ml';

/** A product laid on a job by each method, beside one another: what it takes of product and of time. Film has no methods. */
export function compareMethods(job: Job, product: string): MethodCompared[] {
  const sheet = job.products.find(({ id }) => id === product);
  const layers = job.surfaces.flatMap((surface) => surface.layers.filter((layer) => layer.product === product));
  if (!sheet || sheet.unit === 'm2' || layers.length === 0) return [];
  return METHOD_IDS.filter((method) => goesBy(method, sheet.unit)).map((method): MethodCompared => {
    const out = layOut(planInput(laidBy(job, product, method)));
    const { personMin, elapsedMin } = layingHours(out);
    const bought = out.plan.purchases.find((purchase) => purchase.product === product);
    return {
      method,
      now: layers.every((layer) => layer.method === method),
      order: bought?.order ?? 0,
      cost: bought?.cost ?? 0,
      personMin,
      elapsedMin,
      patches: out.actions.filter(({ does, coat }) => does === 'lay' && coat.product.id === product).length,
    };
  });
}

const laidBy = (job: Job, product: string, method: MethodId): Job => ({
  ...job,
  surfaces: job.surfaces.map((surface) => ({
    ...surface,
    layers: surface.layers.map((layer) => (layer.product === product ? { ...layer, method } : layer)),
  })),
});
