import { ShieldAlert } from 'lucide-react';
import { useMemo } from 'react';
import { LAYERING_RULES, RULE_IDS, touchedBy } from '#core/layering';
import { SUBSTRATES } from '#core/substrates';
import { errorText, useProductsQuery } from '../../app/api';
import { AnswerMark } from '../../ui/Mark';
import { ShelfTabs } from './ShelfTabs';

/** Every rule of layering as an installer reads it, and what on the shelf it touches. */
export function Component() {
  const { data: products, error } = useProductsQuery();
  const touched = useMemo(() => {
    const shelf = (products ?? []).map(({ sheet }) => sheet);
    return new Map(RULE_IDS.map((rule) => [rule, touchedBy(rule, shelf, (id) => SUBSTRATES[id].name)]));
  }, [products]);
  const names = new Map(products?.map(({ id, sheet }) => [id, sheet.name]));
  return (
    <main className="mx-auto max-w-5xl px-6 py-6">
      <ShelfTabs />
      <p className="mt-2 max-w-prose text-ink-2">
        Each answer is yes, test spot or no, with the rule that says so. A rule can be set aside for one layer with a
        written reason, except where someone could be hurt.
      </p>
      {error && (
        <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText(error)}
        </p>
      )}
      <ul className="mt-4 divide-y border-y bg-sheet">
        {RULE_IDS.map((rule) => {
          const { says, because, reference, safety } = LAYERING_RULES[rule];
          const own = touched.get(rule)!;
          return (
            <li key={rule} id={rule} aria-label={says} className="px-5 py-4 target:bg-over-soft">
              <h2 className="text-[17px] font-semibold">{says}</h2>
              <p className="text-ink-2">{because}</p>
              <p className="text-[13.5px] text-ink-3">
                Whose word it is: {reference}.
                {safety && (
                  <span className="ml-2 font-semibold text-stop">
                    <ShieldAlert size={15} className="inline" /> A matter of safety: never overruled.
                  </span>
                )}
              </p>
              {products && (
                <details className="mt-1 text-[14px]">
                  <summary className="cursor-pointer">
                    {own.length === 0
                      ? 'Touches nothing on this shelf'
                      : `Touches ${new Set(own.map(({ product }) => product)).size} of ${products.length} products`}
                  </summary>
                  <ul className="mt-1">
                    {own.map(({ product, answer, on }) => (
                      <li
                        key={`${product} ${answer}`}
                        className="grid grid-cols-[5.5rem_11rem_1fr] gap-x-3 border-t py-1"
                      >
                        <AnswerMark answer={answer} />
                        <strong>{names.get(product)}</strong>
                        <span className="text-ink-2">{on.map((each) => each.toLowerCase()).join(', ')}</span>
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </li>
          );
        })}
      </ul>
    </main>
  );
}
