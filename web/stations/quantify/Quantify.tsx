import { flexRender, tableFeatures, useTable } from '@tanstack/react-table';
import { useMemo } from 'react';
import { shapeShortSideM } from '#core/item/geometry';
import { substrateFactors } from '#core/item/substrates';
import { METHODS } from '#core/products/methods';
import { millilitres, type Product } from '#core/products/sheets';
import type { ProductPurchase } from '#core/work/plan';
import {
  applicatorCount,
  COATING_TOWEL_M2,
  consumablesFor,
  GLOVES_MIN,
  seamFactor,
  TOWEL_ROLES,
  wetFilmUm,
} from '#core/work/quantity';
import { money } from '#formats/values';
import { PanelHead, Part, Station } from '../../job/Station';
import { type JobView, useJob } from '../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import type { Fill } from '../../net/fills';
import { Working } from '../../ui/Working';
import { percent } from '../../ui/numbers';
import { m2, millilitresSaid, um } from '../../ui/measures';
import { amountInHand, inUnit } from './words';

const STEPS: readonly (readonly [upToMl: number, fill: Fill, text: string])[] = [
  [0, 'blank', 'nothing'],
  [2, 'tint-1', 'up to 2 ml'],
  [6, 'tint-2', 'up to 6 ml'],
  [12, 'tint-3', 'up to 12 ml'],
  [Infinity, 'tint-4', 'more'],
];
const LEGEND: readonly LegendEntry[] = STEPS.map(([, fill, text]) => ({ fill, text }));

/** How much of everything: per panel and coat, and what to buy for the whole. */
export function Component() {
  const job = useJob();
  const lens = useMemo(() => amountLens(job), [job]);
  return (
    <Station lens={lens} legend={LEGEND} lensName="by how much it takes">
      {job.chosen ? <Panel job={job} /> : <Purchases job={job} />}
    </Station>
  );
}

function amountLens({ plan, document }: JobView) {
  const products = new Map(document.products.map((product) => [product.id, product]));
  const paints = new Map(
    plan.surfaces.map(({ id, coats }): [string, PanelPaint] => {
      const ml = coats.reduce((sum, { product, laid }) => {
        const sheet = products.get(product);
        return sum + (laid && sheet ? millilitres(sheet, laid.amount) : 0);
      }, 0);
      const filmM2 = coats.reduce(
        (sum, { product, laid }) => sum + (laid && products.get(product)?.unit === 'm2' ? laid.amount : 0),
        0,
      );
      const [, fill] = STEPS.find(([upTo]) => ml <= upTo)!;
      const caption = ml > 0 ? `${millilitresSaid(ml)}` : filmM2 > 0 ? `${m2(filmM2)} film` : undefined;
      return [id, { fill: filmM2 > 0 && ml === 0 ? 'hatch' : fill, caption }];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}

interface Row {
  readonly product: Product;
  readonly purchase: ProductPurchase;
}

const features = tableFeatures({});

function Purchases({ job }: { readonly job: JobView }) {
  const { plan, document } = job;
  const { currency } = document;
  const rows = useMemo(
    () =>
      plan.purchases.map((purchase): Row => ({
        purchase,
        product: document.products.find(({ id }) => id === purchase.product)!,
      })),
    [plan.purchases, document.products],
  );
  const columns = useMemo(
    () => [
      {
        id: 'product',
        header: 'Product',
        cell: ({ row }: { row: { original: Row } }) => <ProductCell row={row.original} />,
      },
      {
        id: 'order',
        header: 'To cover',
        cell: ({ row }: { row: { original: Row } }) => <OrderCell row={row.original} job={job} />,
      },
      {
        id: 'packs',
        header: 'To buy',
        cell: ({ row }: { row: { original: Row } }) => <PacksCell row={row.original} currency={currency} />,
      },
    ],
    [job, currency],
  );
  const table = useTable({ features, columns, data: rows });
  const total = plan.purchases.reduce((sum, { cost }) => sum + cost, 0);
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
      </section>
      <table className="w-full bg-sheet text-[14px]">
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
      <Consumables job={job} />
    </>
  );
}

function ProductCell({ row: { product, purchase } }: { readonly row: Row }) {
  return (
    <>
      <span className="block font-semibold">{product.name}</span>
      <span className="block text-[13px] text-ink-2">
        {purchase.applicators} {purchase.applicators === 1 ? 'applicator' : 'applicators'}
      </span>
    </>
  );
}

function OrderCell({ row: { product, purchase }, job }: { readonly row: Row; readonly job: JobView }) {
  const laid = job.plan.surfaces
    .flatMap(({ coats }) => coats)
    .filter((coat) => coat.product === product.id)
    .reduce((sum, coat) => sum + (coat.laid?.amount ?? 0), 0);
  const biggest = Math.max(...product.packs.map(({ size }) => size));
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
          ['In stock', inUnit(product, purchase.onHand)],
        ]}
        rule="Area, coverage, surface, method, seams and learned use for each coat; applicators and residue on top; then the 90 % point of the spread."
      >
        <span className="figure text-[17px]">{inUnit(product, purchase.order)}</span>
      </Working>
      <span className="block text-[13px] text-ink-2">
        {product.unit === 'm2'
          ? `of ${inUnit(product, biggest)} a roll`
          : `${percent(purchase.order / biggest)} of a ${inUnit(product, biggest)} ${product.unit === 'g' ? 'tin' : 'bottle'}`}
      </span>
    </>
  );
}

function PacksCell({ row: { product, purchase }, currency }: { readonly row: Row; readonly currency: string }) {
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

/** Towels and gloves from the same plan. Working defaults until a shop has counted its own. */
function Consumables({ job }: { readonly job: JobView }) {
  const coats = job.plan.surfaces.flatMap(({ areaM2, coats: own }) =>
    own.flatMap(({ laid, product }) => (laid ? [{ areaM2, laid, product }] : [])),
  );
  const work = coats.map(({ product, areaM2, laid }) => ({ product, areaM2, minutes: laid.endMin - laid.startMin }));
  const { towelsPerRole, glovePairs } = consumablesFor(work, job.document.crew.mode === 'pair' ? 2 : 1);
  return (
    <Part title="Laid out before the first bottle is opened">
      <ul className="grid grid-cols-2 gap-x-6 gap-y-1 text-[14px]">
        <li>
          <strong>{towelsPerRole}</strong> towels each: {TOWEL_ROLES.join(', ')}
        </li>
        <li>
          <strong>{glovePairs}</strong> pairs of nitrile gloves
        </li>
        <li>
          <strong>{job.plan.purchases.reduce((sum, { applicators }) => sum + applicators, 0)}</strong> applicators
        </li>
        <li className="text-ink-2">Used coating towels harden: bin them.</li>
      </ul>
      <p className="mt-2 text-[13px] text-ink-2">
        One towel a role for {COATING_TOWEL_M2} m² a coat; gloves a person every {GLOVES_MIN} min and for each product.
        Gloves or masks short at the start: do not start.
      </p>
    </Part>
  );
}

function Panel({ job }: { readonly job: JobView }) {
  const { plan, document, chosen } = job;
  const surface = chosen!;
  const own = plan.surfaces.find(({ id }) => id === surface.id)!;
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">{m2(own.areaM2)}</p>
      </PanelHead>
      {own.coats.length === 0 && <p className="p-5 text-ink-2">This panel stays bare: nothing to measure out.</p>}
      {own.coats.map(({ product: id, coat, layer, method, laid }) => {
        const product = document.products.find((sheet) => sheet.id === id)!;
        if (!laid) {
          return (
            <Part key={`${layer}-${coat}`} title={`${product.name}, coat ${coat}`}>
              <p className="text-stop">Refused or its window stays closed: not counted, not bought.</p>
            </Part>
          );
        }
        const factors = substrateFactors(surface.substrate, product.substrates[surface.substrate]);
        const shortSideM = shapeShortSideM(surface.shape, own.oneM2);
        const biggest = Math.max(...product.packs.map(({ size }) => size));
        const patches = laid.sectionsPerCopy * surface.count;
        return (
          <Part key={`${layer}-${coat}`} title={`${product.name}, coat ${coat}`}>
            <p>
              <Working
                name={`${product.name} on this panel`}
                rows={[
                  ['Area', m2(own.areaM2)],
                  ['Coverage on gloss', `${product.coveragePerM2} ${product.unit}/m²`],
                  ['This kind of surface', `× ${factors.coverage}`],
                  [METHODS[method].name, `× ${METHODS[method].amount}`],
                  [
                    `Seams of ${laid.sectionsPerCopy} sections`,
                    `× ${seamFactor(laid.sectionsPerCopy, shortSideM, own.oneM2).toFixed(3)}`,
                  ],
                  ['Learned from bottles weighed', `× ${product.usageFactor.toFixed(2)}`],
                ]}
                rule="All of these multiplied. Seams are laid twice over a strip of 5 cm along the shorter side."
              >
                <span className="figure text-3xl">{inUnit(product, laid.amount)}</span>
              </Working>
            </p>
            <dl className="mt-2 grid grid-cols-2 gap-x-4 gap-y-1 text-[14px]">
              <dt className="text-ink-2">A section takes</dt>
              <dd className="text-right">
                {amountInHand(product, method, laid.amount / patches)}
                {patches > 1 && `, ${patches} times`}
              </dd>
              <dt className="text-ink-2">Share of a pack</dt>
              <dd className="text-right">{percent(laid.amount / biggest)}</dd>
              {product.unit !== 'm2' && (
                <>
                  <dt className="text-ink-2">By weight</dt>
                  <dd className="text-right">
                    {(millilitres(product, laid.amount) * product.densityGPerMl).toFixed(1)} g
                  </dd>
                  <dt className="text-ink-2">Wet film</dt>
                  <dd className="text-right">{um(wetFilmUm(millilitres(product, laid.amount), own.areaM2), 1)}</dd>
                </>
              )}
              <dt className="text-ink-2">Applicators for it</dt>
              <dd className="text-right">{applicatorCount(own.areaM2, product.applicatorM2)}</dd>
            </dl>
          </Part>
        );
      })}
    </>
  );
}
