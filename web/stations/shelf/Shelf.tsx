import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { FAMILIES, FAMILY_IDS } from '#core/products/families';
import { type MakerSheet, stocked } from '#formats/shelf';
import { errorText, useProductsQuery } from '../../app/api';
import { ShelfFiles } from './ShelfFiles';
import { ShelfTabs } from './ShelfTabs';

/** The product sheets of the shop, by family. */
export function Component() {
  const { data: products, error } = useProductsQuery();
  const [wanted, setWanted] = useState('');
  const matching = (products ?? []).filter(({ sheet }) =>
    `${sheet.name} ${FAMILIES[sheet.family].name}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  const families = FAMILY_IDS.filter((family) => matching.some(({ sheet }) => sheet.family === family));
  return (
    <main className="mx-auto max-w-5xl px-6 py-6">
      <ShelfTabs>
        <input
          type="search"
          aria-label="Find a sheet"
          placeholder="Find a sheet"
          className="field w-56"
          value={wanted}
          onChange={({ target }) => setWanted(target.value)}
        />
        <Link
          to="/shelf/new"
          className="inline-flex min-h-10 items-center gap-2 bg-over px-4 font-semibold text-over-ink hover:brightness-110"
        >
          <Plus size={18} /> New sheet
        </Link>
      </ShelfTabs>
      <p className="mt-2 max-w-prose text-ink-2">
        A job keeps a copy of the sheet it was planned with: what is changed here is for jobs to come.
      </p>
      {products && <ShelfFiles shelf={products.map(stocked)} />}
      {error && (
        <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText(error)}
        </p>
      )}
      {products?.length === 0 && (
        <p className="mt-6 border border-line-strong bg-sheet p-6 text-ink-2">
          No sheets yet. Add the products you use: what their data sheets say of times, amounts and surfaces is what
          every plan is worked out from.
        </p>
      )}
      {products && products.length > 0 && matching.length === 0 && (
        <p className="mt-6 text-ink-2">No sheet is called that.</p>
      )}
      {families.map((family) => (
        <section key={family} aria-label={FAMILIES[family].name} className="mt-6">
          <h2 className="label">{FAMILIES[family].name}</h2>
          <ul className="mt-1 divide-y border-y bg-sheet">
            {matching
              .filter(({ sheet }) => sheet.family === family)
              .map(({ id, sheet, shop }) => (
                <li key={id}>
                  <Link
                    to={`/shelf/${id}`}
                    className="grid grid-cols-[1fr_auto] items-baseline gap-x-6 px-5 py-3 hover:bg-tint-1 md:grid-cols-[14rem_1fr_9rem]"
                  >
                    <strong className="text-[16px] md:col-start-1 md:row-start-1">{sheet.name}</strong>
                    <span className="col-span-2 row-start-2 text-[14px] text-ink-2 md:col-span-1 md:col-start-2 md:row-start-1">
                      {inShort(sheet)}
                    </span>
                    <span className="text-right md:col-start-3 md:row-start-1">
                      {shop.onHand > 0 ? (
                        `${shop.onHand} ${sheet.unit} in stock`
                      ) : (
                        <span className="text-ink-3">none in stock</span>
                      )}
                    </span>
                  </Link>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </main>
  );
}

function inShort({ coveragePerM2, unit, ratedMonths, milestones }: MakerSheet): string {
  const minutes = (name: string) => milestones.find((milestone) => milestone.name === name)?.min;
  const [from, by, wet] = [minutes('levelFrom') ?? 0, minutes('levelBy'), minutes('waterSafe')];
  return [
    `${coveragePerM2} ${unit === 'm2' ? 'm²' : unit}/m²`,
    by === undefined ? undefined : `level ${from}–${by} min`,
    wet === undefined ? undefined : `wet after ${wet < 180 ? `${wet} min` : `${wet / 60} h`}`,
    ratedMonths === undefined ? undefined : `rated ${ratedMonths} ${ratedMonths === 1 ? 'month' : 'months'}`,
  ]
    .filter(Boolean)
    .join(' · ');
}
