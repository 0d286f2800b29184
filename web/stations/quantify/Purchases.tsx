import { flexRender, tableFeatures, useTable } from '@tanstack/react-table';
import { useMemo } from 'react';
import type { Product } from '#core/products/sheets';
import type { ProductPurchase } from '#core/plan/job';
import { money } from '#formats/values';
import { type CutFilm, cutFilm } from '#job/film';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Working } from '../../ui/Working';
import { percent } from '../../ui/numbers';
import { MaterialCosts } from '../../material/MaterialCosts';
import { Methods } from './Methods';
import { inUnit } from '../../material/product-words';

interface Row {
  readonly product: Product;
  readonly purchase: ProductPurchase;
  /** Of a film that is nested: what is cut of it. */
  readonly cut: CutFilm | undefined;
}

const features = tableFeatures({});

type CellProps = { readonly row: { readonly original: Row } };

// The same for good: cells that are made anew with every look would close what was opened in them.
const COLUMNS = [
  { id: 'product', header: 'Product', cell: ({ row }: CellProps) => <ProductCell row={row.original} /> },
  { id: 'order', header: 'To cover', cell: ({ row }: CellProps) => <OrderCell row={row.original} /> },
  { id: 'packs', header: 'To buy', cell: ({ row }: CellProps) => <PacksCell row={row.original} /> },
];

export function Purchases() {
  const { document, plan, products } = useJob('document', 'plan', 'products');
  const { currency } = document;
  const rows = useMemo(() => {
    const cut = cutFilm(document);
    return plan.purchases.map((purchase): Row => ({
      purchase,
      cut: cut.get(purchase.product),
      product: products.find(({ id }) => id === purchase.product)!,
    }));
  }, [plan.purchases, products, document]);
  const table = useTable({ features, columns: COLUMNS, data: rows });
  const total = plan.purchases.reduce((sum, { cost }) => sum + cost, 0);
  const methodical = rows.flatMap(({ product }) => (product.unit === 'm2' ? [] : [product.id]));
  if (rows.length === 0) {
    return (
      <p className="p-6 text-ink-2">
        Nothing is to be laid yet. Choose products under Layer; amounts follow by themselves.
      </p>
    );
  }
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="label">To buy, after what is in stock</h2>
        <p className="figure text-4xl">{money(total, currency)}</p>
        <p className="text-ink-2">least money, then least left over; covers nine jobs in ten like this</p>
        <MaterialCosts />
      </section>
      <table aria-label="What to buy" className="w-full bg-sheet text-[14px]">
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="label border-b text-left">
              {group.headers.map((header) => (
                <th key={header.id} scope="col" className="px-3 py-1.5 font-normal first:pl-5 last:pr-5">
                  {flexRender(header.column.columnDef.header, header.getContext())}
                </th>
              ))}
            </tr>
          ))}
        </thead>
        <tbody>
          {table.getRowModel().rows.map((row) => (
            <tr key={row.id} className="border-b align-top">
              {row.getAllCells().map((cell) => (
                <td key={cell.id} className="px-3 py-2.5 first:pl-5 last:pr-5">
                  {flexRender(cell.column.columnDef.cell, cell.getContext())}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {methodical.length > 0 && <Methods key={methodical.join()} products={methodical} />}
    </>
  );
}

function ProductCell({ row: { product, purchase, cut } }: { readonly row: Row }) {
  return (
    <>
      <span className="block font-semibold">{product.name}</span>
      <span className="block text-[13px] text-ink-2">
        {cut
          ? 'as it is nested on the roll'
          : product.family === 'film'
            ? 'by area, until it is nested'
            : `${purchase.applicators} ${purchase.applicators === 1 ? 'applicator' : 'applicators'}`}
      </span>
    </>
  );
}

function OrderCell({ row: { product, purchase, cut } }: { readonly row: Row }) {
  const job = useJob('plan', 'stock');
  const laid = job.plan.surfaces
    .flatMap(({ coats }) => coats)
    .filter((coat) => coat.product === product.id)
    .reduce((sum, coat) => sum + (coat.laid?.amount ?? 0), 0);
  const biggest = Math.max(...product.packs.map(({ size }) => size));
  if (cut)
    return (
      <Working
        name={`${product.name} to cut`}
        rows={[
          ['On rolls in stock', inUnit(product, cut.wholeM2 - cut.toBuyM2)],
          ['On rolls to buy', inUnit(product, cut.toBuyM2)],
          ['To cut, waste and all', inUnit(product, cut.wholeM2)],
          ...stockRows(job, product),
          ['For this job', inUnit(product, purchase.onHand)],
        ]}
        rule="Length cut off each roll times its width, as it is nested under Film on the roll."
      >
        <span className="figure text-[17px]">{inUnit(product, purchase.order)}</span>
      </Working>
    );
  return (
    <>
      <Working
        name={`${product.name} to cover`}
        rows={[
          ['On the surfaces', inUnit(product, laid)],
          [
            `Wets ${purchase.applicators} applicators at ${product.prime}`,
            inUnit(product, product.prime * purchase.applicators),
          ],
          ['Stays in the bottle', inUnit(product, product.residue)],
          ['Needed, middle of the estimate', inUnit(product, purchase.need)],
          [`Spread of use, one sigma`, percent(product.usageSigma)],
          ['To cover, nine times in ten', inUnit(product, purchase.order)],
          ...stockRows(job, product),
          ['For this job', inUnit(product, purchase.onHand)],
        ]}
        rule="Area, coverage, surface, method, seams and learned use for each coat; applicators and residue on top; then the 90 % point of the spread."
      >
        <span className="figure text-[17px]">{inUnit(product, purchase.order)}</span>
      </Working>
      <span className="block text-[13px] text-ink-2">
        {product.unit === 'm2'
          ? `of ${inUnit(product, biggest)} a roll`
          : product.unit === 'g' && biggest > 2 * purchase.order
            ? `${Math.floor(biggest / purchase.order)} such items to a ${inUnit(product, biggest)} tin`
            : `${percent(purchase.order / biggest)} of a ${inUnit(product, biggest)} ${product.unit === 'g' ? 'tin' : 'bottle'}`}
      </span>
    </>
  );
}

/** What is in stock of it, what others have set aside, what was drawn already. */
function stockRows({ stock }: Pick<JobView, 'stock'>, product: Product): [string, string][] {
  const kind = stock?.kinds.find(({ of }) => of === product.id);
  if (!kind) return [];
  return [
    ['Good on the day', inUnit(product, kind.inStock)],
    ['Set aside for jobs before it', inUnit(product, -kind.reserved)],
    ['Drawn here already', inUnit(product, kind.drawn)],
  ];
}

function PacksCell({ row: { product, purchase } }: { readonly row: Row }) {
  const { currency } = useJob('document').document;
  const left = `${inUnit(product, purchase.leftover)} left over`;
  if (purchase.packs.length === 0) {
    return (
      <>
        <span className="block font-semibold text-ok">From stock</span>
        <span className="block text-[13px] text-ink-2">{left}</span>
      </>
    );
  }
  return (
    <>
      {purchase.packs.map(({ size, count }) => (
        <span key={size} className="block">
          <strong>{count} ×</strong> {inUnit(product, size)}
        </span>
      ))}
      <span className="block text-[13px] text-ink-2">
        {money(purchase.cost, currency)}; {left}
      </span>
    </>
  );
}
