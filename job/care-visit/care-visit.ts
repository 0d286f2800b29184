import { usualMethod } from '#core/products/methods';
import type { FamilyId } from '#core/products/families';
import type { Job } from '#formats/job';
import type { LogEntry } from '#formats/log';
import type { ProductSheet } from '#formats/shelf';
import { judgeLayers } from '#job/judge';
import { planInput } from '#job/plan';
import { jobAgain } from '#job/return';

/** What is laid over a standing coat at a visit of minutes: it lifts water and gloss, and takes wear first. */
const TOPPERS: readonly FamilyId[] = ['topper', 'spray-coating', 'sealant'];

export const isTopper = ({ family }: Pick<ProductSheet, 'family'>): boolean => TOPPERS.includes(family);

/** Panels of an item as it comes back that something already lies on and that a product may go over. */
export function panelsFor(back: Job, product: ProductSheet): string[] {
  return planInput({ ...back, products: [product] }).surfaces.flatMap((surface) =>
    surface.existing.length > 0 &&
    judgeLayers(surface, [{ product: product.id, coats: 1 }], [product]).every(({ answer }) => answer === 'yes')
      ? [surface.id]
      : [],
  );
}

/**
 * A care visit as a job: the item as it comes back, washed, looked at and read by drops, and a topper where one is
 * wanted and may go over what lies there. What it finds speaks for the life of what was laid before.
 */
export function careVisitJob(
  job: Job,
  log: readonly LogEntry[],
  { startAt, topper }: { readonly startAt: string; readonly topper?: ProductSheet | undefined },
): Job {
  const back = jobAgain(job, log, { what: 'care visit', startAt });
  const again: Job = { ...back, prepare: { ...back.prepare, forCare: true } };
  if (!topper) return again;
  const on = new Set(panelsFor(again, topper));
  return {
    ...again,
    products: on.size > 0 ? [topper] : [],
    surfaces: again.surfaces.map((surface) =>
      on.has(surface.id)
        ? { ...surface, layers: [{ product: topper.id, coats: 1, method: usualMethod(topper) }] }
        : surface,
    ),
  };
}
