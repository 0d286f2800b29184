import { useState } from 'react';
import { type MethodId, METHODS } from '#core/products/methods';
import { money } from '#formats/values';
import { changeDocument } from '#job/edit';
import { errorText, useMethodsQuery } from '../../app/api';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { hours } from '../../ui/hours';
import { SelectField } from '../../ui/SelectField';
import { amountIn } from '../../material/stock-words';

interface Props {
  /** What is laid on the job and has methods to choose from. */
  readonly products: readonly string[];
}

/** A product by each method beside one another: what it takes against how long it takes. */
export function Methods({ products }: Props) {
  const job = useJob('document', 'edit', 'id', 'productName', 'products', 'record');
  const [product, setProduct] = useState(products[0]!);
  const { data, error, isFetching } = useMethodsQuery({ id: job.id, product });
  const sheet = job.products.find(({ id }) => id === product);
  const laid = new Set([...job.record.patches.values()].map(({ start }) => start.product));
  return (
    <section aria-label="Methods beside one another" className="border-t bg-sheet px-5 py-4">
      <h3 className="mb-2 font-semibold">Small block, big mitt, machine</h3>
      <SelectField
        label="Laid"
        value={product}
        options={products.map((id) => [id, job.productName(id)])}
        onChange={setProduct}
      />
      {error && (
        <p role="alert" className="mt-2 text-[14px] text-stop">
          {errorText(error)}
        </p>
      )}
      {data && sheet && (
        <table aria-label="By each method" className={`mt-2 w-full text-[14px] ${isFetching ? 'opacity-60' : ''}`}>
          <thead>
            <tr className="label text-left">
              <th scope="col" className="py-1 font-normal">
                By
              </th>
              <th scope="col" className="py-1 pl-3 text-right font-normal">
                Takes
              </th>
              <th scope="col" className="py-1 pl-3 text-right font-normal">
                Hours of the job
              </th>
              <td />
            </tr>
          </thead>
          <tbody>
            {data.map(({ method, now, order, cost, personMin, patches }) => (
              <tr key={method} className={`border-t ${now ? 'font-semibold' : ''}`}>
                <td className="py-1.5">
                  {METHODS[method].name}
                  <span className="block text-[13px] font-normal text-ink-2">{patches} patches</span>
                </td>
                <td className="py-1.5 text-right">
                  {amountIn(sheet.unit, order)}
                  <span className="block text-[13px] font-normal text-ink-2">
                    {cost > 0 ? `to buy: ${money(cost, job.document.currency)}` : 'from stock'}
                  </span>
                </td>
                <td className="py-1.5 text-right">{hours(personMin)}</td>
                <td className="py-1.5 pl-2 text-right">
                  {!now && (
                    <Button
                      look="quiet"
                      disabled={laid.has(product)}
                      onClick={() => job.edit(layAllBy(job, product, method))}
                    >
                      Take it
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

const layAllBy = ({ document }: Pick<JobView, 'document'>, product: string, method: MethodId) =>
  changeDocument({
    surfaces: document.surfaces.map((surface) => ({
      ...surface,
      layers: surface.layers.map((layer) => (layer.product === product ? { ...layer, method } : layer)),
    })),
  });
