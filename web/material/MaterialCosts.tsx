import type { Product } from '#core/products/sheets';
import { money } from '#formats/values';
import { useJob } from '../job/job-context';
import type { JobView } from '../job/useJobView';

/** What a unit of a product costs: as was paid for what is taken next, else in the cheapest pack. */
export function unitPrice({ stock }: Pick<JobView, 'stock'>, product: Product): number {
  const next = stock?.kinds
    .find(({ of }) => of === product.id)
    ?.things.find(({ past, paid }) => !past && paid !== undefined);
  if (next?.paid !== undefined) return next.paid / next.size;
  return Math.min(...product.packs.map(({ size, price }) => price / size));
}

/** What a job costs in material: as planned, and as it has become, with what was thrown away. */
export function MaterialCosts() {
  const job = useJob('document', 'plan', 'products', 'stock');
  const { plan, products, stock, document } = job;
  const planned = plan.purchases.reduce((sum, { product, need }) => {
    const sheet = products.find(({ id }) => id === product);
    return sum + (sheet ? need * unitPrice(job, sheet) : 0);
  }, 0);
  const said = (cost: number) => money(Math.round(cost), document.currency);
  const became = stock?.cost;
  return (
    <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 text-[14px]">
      <dt className="text-ink-2">Material this job uses, as planned</dt>
      <dd className="text-right font-semibold">{said(planned)}</dd>
      {became && became.laid > 0 && (
        <>
          <dt className="text-ink-2">
            As it has become so far{became.unpriced > 0 && `, ${became.unpriced} draws without a price`}
          </dt>
          <dd className="text-right font-semibold">{said(became.laid)}</dd>
        </>
      )}
      {became && became.thrownAway > 0 && (
        <>
          <dt className="text-ink-2">Thrown away with something left in it</dt>
          <dd className="text-right font-semibold text-warn">{said(became.thrownAway)}</dd>
        </>
      )}
    </dl>
  );
}
