import { Suspense } from 'react';
import { Link } from 'react-router';
import { expectedLife } from '#core/layers/life';
import type { ProductLasted } from '#formats/log';
import type { MakerSheet } from '#formats/shelf';
import { errorText, useProductLastedQuery } from '../../app/api';
import { later } from '../../ui/later';

const LifeChart = later(() => import('../../life/LifeChart'));

/** How long a product really lasts here, over all items drops were read on; small numbers say so. */
export function Lasted({ sheet }: { readonly sheet: MakerSheet }) {
  const { data, error } = useProductLastedQuery({ id: sheet.id });
  if (error) return <p role="alert">{errorText(error)}</p>;
  if (!data) return null;
  const usual = expectedLife(sheet, {});
  const here = (factor: number) => usual.months * factor;
  const life = { months: here(data.factor), lowMonths: here(data.low), highMonths: here(data.high) };
  return (
    <section aria-label="How long it lasts here" className="mt-6 border bg-sheet p-4">
      <h2 className="font-semibold">How long it lasts here</h2>
      <p className={data.says === 'shorter' ? 'font-semibold text-warn' : 'text-ink-2'}>{inWords(data)}</p>
      {data.items > 0 && (
        <>
          <Suspense fallback={<div className="h-40" />}>
            <LifeChart life={life} seen={data.seen} />
          </Suspense>
          <ul className="mt-1 text-[14px]">
            {data.of.map(({ jobId, name, drops }) => (
              <li key={jobId}>
                <Link className="underline" to={`/jobs/${jobId}/care`}>
                  {name}
                </Link>
                , {drops} {drops === 1 ? 'drop' : 'drops'}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function inWords({ items, factor, low, high, says }: ProductLasted): string {
  if (items === 0) return 'No drop has been read on it after its first month.';
  const range = `${factor.toFixed(2)} times as long as expected (${low.toFixed(2)} to ${high.toFixed(2)})`;
  const over = `over ${items} ${items === 1 ? 'item' : 'items'}`;
  switch (says) {
    case 'too-few':
      return `${range}, ${over}: too few to say anything of the product.`;
    case 'shorter':
      return `It lasts less here than it is rated: ${range}, ${over}.`;
    case 'longer':
      return `It lasts longer here than expected: ${range}, ${over}.`;
    case 'as-expected':
      return `About as expected: ${range}, ${over}.`;
  }
}
