import { SUBSTRATES } from '#core/item/substrates';
import { LAYERING_RULES, RULE_IDS, type RuleId, type Ruling, touchedBy } from '#core/layers/rules';
import { layOut } from '#core/lay/run-sheet';
import { PREPARE_RULE_IDS, PREPARE_RULES } from '#core/prepare/rules';
import { type Job, surfaceName } from '#formats/job';
import { stocked } from '#formats/shelf';
import { judgePlanned } from '#job/judge';
import { planInput } from '#job/plan';
import { errorText, useJobQuery, useJobsOfTheDayQuery, useProductsQuery } from '../../app/api';
import { AnswerMark } from '../../ui/Mark';
import { SelectField } from '../../ui/SelectField';
import { ShelfTabs } from './ShelfTabs';
import { skipToken } from '@reduxjs/toolkit/query';
import { ShieldAlert } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';

/** Every rule of layering as an installer reads it, and what on the shelf it touches. */
export function Component() {
  const { data: products, error } = useProductsQuery();
  const touched = useMemo(() => {
    const shelf = (products ?? []).map(stocked);
    return new Map(RULE_IDS.map((rule) => [rule, touchedBy(rule, shelf, (id) => SUBSTRATES[id].name)]));
  }, [products]);
  const [search, setSearch] = useSearchParams();
  const jobId = search.get('job');
  const { data: jobs } = useJobsOfTheDayQuery();
  const { data: job, error: jobError } = useJobQuery(jobId === null ? skipToken : { id: jobId });
  const panels = useMemo(() => (job ? panelsByRule(job.document) : undefined), [job]);
  const names = new Map(products?.map(({ id, sheet }) => [id, sheet.name]));
  return (
    <main className="mx-auto max-w-5xl px-6 py-6">
      <ShelfTabs />
      <p className="mt-2 max-w-prose text-ink-2">
        Each answer is yes, test spot or no, with the rule that says so. A rule can be set aside for one layer with a
        written reason, except where someone could be hurt.
      </p>
      <div className="mt-3 max-w-sm">
        <SelectField
          label="With the panels of"
          value={jobId ?? ''}
          options={[['', 'no job'], ...(jobs ?? []).map(({ id, title }) => [id, title] as const)]}
          onChange={(id) => setSearch(id ? { job: id } : {})}
        />
      </div>
      {(error ?? jobError) && (
        <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText((error ?? jobError)!)}
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
              {panels && job && <OnPanels job={jobId!} touched={panels.get(rule) ?? []} />}
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
                        className="grid grid-cols-[8.5rem_11rem_1fr] gap-x-3 border-t py-1"
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
      <h2 className="label mt-8">Before anything is laid</h2>
      <ul className="mt-2 divide-y border-y bg-sheet">
        {PREPARE_RULE_IDS.map((rule) => (
          <li key={rule} id={rule} className="px-5 py-3 target:bg-over-soft">
            <h3 className="text-[16px] font-semibold">{PREPARE_RULES[rule].says}</h3>
            <p className="text-ink-2">{PREPARE_RULES[rule].because}</p>
          </li>
        ))}
      </ul>
    </main>
  );
}

interface TouchedPanel {
  readonly surface: string;
  readonly name: string;
  readonly product: string;
  readonly ruling: Ruling;
}

/** What each rule says of the layers of a job, by when and on what they are planned. */
function panelsByRule(document: Job): ReadonlyMap<RuleId, readonly TouchedPanel[]> {
  const planned = planInput(document);
  const { plan } = layOut(planned);
  const products = new Map(document.products.map(({ id, name }) => [id, name]));
  const byRule = new Map<RuleId, TouchedPanel[]>();
  for (const [index, surface] of document.surfaces.entries()) {
    const judged = judgePlanned(
      planned.surfaces[index]!,
      surface.layers,
      plan.surfaces[index]!.coats,
      document.products,
    );
    for (const [at, { rulings }] of judged.entries()) {
      const product = products.get(surface.layers[at]!.product) ?? surface.layers[at]!.product;
      for (const ruling of rulings) {
        const known = byRule.get(ruling.rule) ?? [];
        known.push({ surface: surface.id, name: surfaceName(surface), product, ruling });
        byRule.set(ruling.rule, known);
      }
    }
  }
  return byRule;
}

/** Panels of a job that a rule touches, each with a way there. */
function OnPanels({ job, touched }: { readonly job: string; readonly touched: readonly TouchedPanel[] }) {
  if (touched.length === 0) return <p className="mt-1 text-[14px] text-ink-3">Touches no panel of this job.</p>;
  return (
    <ul aria-label="Panels it touches" className="mt-1 text-[14px]">
      {touched.map(({ surface, name, product, ruling }) => (
        <li key={`${surface} ${product}`} className="grid grid-cols-[8.5rem_11rem_1fr] gap-x-3 border-t py-1">
          <AnswerMark answer={ruling.answer} />
          <Link to={`/jobs/${job}/layer?panel=${surface}`} className="font-semibold underline">
            {name}
          </Link>
          <span className="text-ink-2">
            {product}
            {ruling.overruled !== undefined && `; overruled: ${ruling.overruled}`}
          </span>
        </li>
      ))}
    </ul>
  );
}
