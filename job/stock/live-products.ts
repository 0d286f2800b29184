import type { Job } from '#formats/job';

type Product = Job['products'][number];
type Usage = Pick<Product, 'usageFactor' | 'usageSigma'>;

/** A job with its sheets as its shop has learned to use them; what nothing was learned of stands. */
export const withUsage = (job: Job, usage: (product: string) => Usage | undefined): Job => ({
  ...job,
  products: job.products.map((product) => ({ ...product, ...usage(product.id) })),
});

/** What a job finds of a product: good on its day and not set aside for a job before it, and what it has drawn itself. */
export interface FoundInStock {
  readonly of: string;
  readonly inStock: number;
  readonly reserved: number;
  readonly drawn: number;
}

/**
 * A job with what there is for it in stock today in place of what its copies of the sheets say. What it has drawn counts
 * as in hand: it is part of what the whole job takes.
 */
export function withStock(job: Job, found: readonly FoundInStock[]): Job {
  const known = new Map(found.map((kind) => [kind.of, kind]));
  return {
    ...job,
    products: job.products.map((product) => {
      const kind = known.get(product.id);
      return kind ? { ...product, onHand: Math.max(0, kind.inStock - kind.reserved) + kind.drawn } : product;
    }),
  };
}
