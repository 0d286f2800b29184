import { um } from '../../../ui/measures';
import { Check, Play, Square } from 'lucide-react';
import { lazy, Suspense, useCallback, useMemo, useState } from 'react';
import { sameLayers, type StackLayer } from '#core/choice/choose';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { ChoiceFile, ChoicePoint } from '#formats/choice';
import { money } from '#formats/values';
import { jobToChoose, wishesOf } from '#job/choose';
import { changeWishes, type Edit, setStacks } from '#job/edit';
import { stackInWords, toPlan } from '#job/offers';
import { familyFill } from '../../../core-sample/strata';
import { PanelHead, Part, Station } from '../../../job/Station';
import type { JobView } from '../../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../../net/paint';
import { Button } from '../../../ui/Button';
import { SelectField } from '../../../ui/SelectField';
import { span } from '../../../ui/moments';
import { LEGEND, ViewSwitch } from '../ViewSwitch';
import { Beside } from './Beside';
import { LifeAxis } from './LifeAxis';
import { WishesForm } from './WishesForm';
import { POINT_NAMES } from './points';
import { useChoice } from './useChoice';

const FrontierChart = lazy(() => import('./FrontierChart'));

/** What to lay where: for the whole item at once, as a frontier to choose from. */
export function Choose({ job }: { readonly job: JobView }) {
  const { document, shelf, edit, chosen, laid } = job;
  const { state, start, stop } = useChoice();
  const [at, setAt] = useState(0);
  const { points, answer } = state;
  const [besideAt, setBesideAt] = useState<number>();
  const point = points[Math.min(at, points.length - 1)];
  const against = besideAt === undefined || points[besideAt] === point ? undefined : points[besideAt];
  const lens = useMemo(() => proposalLens(job, point, against), [job, point, against]);
  const find = (of = document) => {
    setAt(0);
    setBesideAt(undefined);
    const pinned = [...new Set([...(of.wishes?.pinned ?? []), ...laid])];
    const asked = { ...of, wishes: { ...of.wishes, pinned } };
    start({ job: jobToChoose(asked, [...shelf]), wishes: wishesOf(of) });
  };
  /** One panel is given by hand, or given free again: what was found is found anew around it. */
  const give: GivePanel = (id, layers) => {
    const others = (document.wishes?.pinned ?? []).filter((each) => each !== id);
    const change: Edit = (draft) => {
      const pinned = changeWishes({ pinned: layers ? [...others, id] : others })(draft);
      return layers ? setStacks(toPlan([{ id, layers }], shelf, laid), shelf)(pinned) : pinned;
    };
    edit(change);
    if (points.length > 0) find(change(job.draft).document);
  };
  const take = () => {
    if (!point) return;
    edit(setStacks(toPlan(point.surfaces, shelf, laid), shelf));
  };
  const changes = point ? changesOf(job, point) : 0;
  const onChoose = useCallback((index: number) => setAt(index), []);
  return (
    <Station lens={lens} legend={CHOICE_LEGEND} lensName="by what would go on top" headline={<ViewSwitch />}>
      {chosen ? (
        <OnPanel job={job} point={point} points={points} onGive={give} />
      ) : (
        <>
          <section className="border-b bg-sheet px-5 py-4" aria-label="The choice">
            {state.working ? (
              <div role="status">
                <p className="font-semibold">
                  {state.done === 0 ? 'Looking for the best …' : `${state.done} of ${state.of} looked for`}
                  {state.done === 0 &&
                    state.gap !== undefined &&
                    ` within ${(100 * state.gap).toFixed(0)} % of it so far`}
                </p>
                <progress className="mt-1 h-2 w-full accent-(--over)" value={state.done} max={Math.max(1, state.of)} />
                <Button className="mt-2" onClick={stop}>
                  <Square size={15} /> Stop: what is found is enough
                </Button>
              </div>
            ) : (
              <Button
                look="main"
                className="min-h-11 w-full"
                disabled={document.surfaces.length === 0}
                onClick={() => find()}
              >
                <Play size={17} /> {points.length === 0 ? 'Find what to lay where' : 'Find anew'}
              </Button>
            )}
            {state.failed && (
              <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
                Not worked out: {state.failed}. Nothing in the job was changed.
              </p>
            )}
            {answer && points.length === 0 && (
              <p role="alert" className="mt-2 border-l-4 border-warn bg-warn-soft px-3 py-2">
                These wishes cannot be met together. Give more money or hours, let it last less, or allow test spots and
                more products.
              </p>
            )}
            {answer?.honest.map((words) => (
              <p key={words} className="mt-2 border-l-4 border-warn pl-3 text-[14px]">
                {words}
              </p>
            ))}
          </section>
          {points.length > 0 && point && (
            <>
              <Part title="The frontier">
                <Suspense fallback={<div className="h-52" />}>
                  <FrontierChart
                    points={points}
                    chosen={points.indexOf(point)}
                    currency={document.currency}
                    onChoose={onChoose}
                  />
                </Suspense>
                <div role="radiogroup" aria-label="Choices" className="mt-2 border-t">
                  {points.map((each, index) => (
                    <PointRow
                      key={index}
                      point={each}
                      currency={document.currency}
                      on={each === point}
                      onChoose={() => setAt(index)}
                    />
                  ))}
                </div>
              </Part>
              <Part title="This choice">
                <ChoiceSums job={job} point={point} answer={answer} />
                <Button look="main" className="mt-3 w-full" disabled={changes === 0} onClick={take}>
                  <Check size={17} />{' '}
                  {changes === 0
                    ? 'Planned like this already'
                    : `Plan it like this: ${changes} ${changes === 1 ? 'panel changes' : 'panels change'}`}
                </Button>
              </Part>
              <Beside
                job={job}
                point={point}
                points={points}
                against={against}
                onAgainst={(other) => setBesideAt(other && points.indexOf(other))}
              />
              <LifeAxis job={job} point={point} />
              {answer && <FellAway job={job} answer={answer} />}
            </>
          )}
          <WishesForm job={job} />
        </>
      )}
    </Station>
  );
}

interface PointRowProps {
  readonly point: ChoicePoint;
  readonly currency: string;
  readonly on: boolean;
  readonly onChoose: () => void;
}

function PointRow({ point, currency, on, onChoose }: PointRowProps) {
  const { name, words, firstMoney, yearMoney, lifeMonths, hours } = point;
  return (
    <button
      type="button"
      role="radio"
      aria-checked={on}
      onClick={onChoose}
      className={`block w-full border-b px-2 py-1.5 text-left ${on ? 'bg-over-soft shadow-[inset_3px_0_0_var(--over)]' : 'hover:bg-tint-1'}`}
    >
      <span className="flex items-baseline justify-between gap-3">
        <strong>{POINT_NAMES[name]}</strong>
        <span className="figure text-lg">{money(firstMoney, currency)}</span>
      </span>
      <span className="block text-[13.5px] text-ink-2">
        {Math.round(lifeMonths)} months, {hours.toFixed(1)} h, {money(yearMoney, currency)} a year
      </span>
      <span className="block text-[13.5px]">{words.charAt(0).toUpperCase() + words.slice(1)}.</span>
    </button>
  );
}

interface SumsProps {
  readonly job: JobView;
  readonly point: ChoicePoint;
  readonly answer: ChoiceFile | undefined;
}

function ChoiceSums({ job, point, answer }: SumsProps) {
  const { currency } = job.document;
  const rows: readonly (readonly [string, string])[] = [
    ['To buy', money(point.materialMoney, currency)],
    ['With the hours of laying', money(point.firstMoney, currency)],
    [
      'Waits until it is handed over',
      point.readyHours === null ? 'never in this air' : span(point.readyHours * MINUTES_PER_HOUR),
    ],
    ['While it is kept, renewals and all', money(point.keptMoney, currency)],
    [
      'A protected year, renewals and all',
      `${money(point.yearMoney, currency)}, ${point.yearHours.toFixed(1)} h, ${um(point.yearUm, 1)} of paint`,
    ],
  ];
  return (
    <>
      <table className="w-full text-[14px]">
        <tbody>
          {rows.map(([what, much]) => (
            <tr key={what} className="border-t first:border-t-0">
              <th scope="row" className="py-1 text-left font-normal">
                {what}
              </th>
              <td className="text-right">{much}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="mt-2 text-[14px]">
        {point.purchases.map(({ product, packs, order }) => (
          <li key={product} className="border-t py-1">
            <strong>{job.productName(product)}</strong>{' '}
            <span className="text-ink-2">
              {order.toFixed(0)} {unitOf(job, product)}
              {packs.length === 0
                ? ', from stock'
                : `: ${packs.map(({ size, count }) => `${count} of ${size}`).join(', ')}`}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-[13.5px] text-ink-3">
        {point.gap < PROVEN
          ? 'Proven to be the best there is.'
          : `Proven to be within ${Math.max(0.1, 100 * point.gap).toFixed(1)} % of the best there is.`}
        {answer &&
          ` Panel by panel, each its cheapest, it would be ${money(answer.alone.firstMoney, currency)} now and ${money(answer.alone.keptMoney, currency)} in all.`}
      </p>
    </>
  );
}

/** A gap so small is rounding. */
const PROVEN = 0.0005;

const unitOf = ({ shelf, document }: JobView, product: string) => {
  const unit = [...shelf, ...document.products].find(({ id }) => id === product)?.unit;
  return unit === 'm2' ? 'm²' : (unit ?? '');
};

const FELL_AWAY_WORDS = {
  'not-allowed': 'no rule lets it',
  'not-wished': 'not wished',
  beaten: 'beaten everywhere',
  limits: 'outside its limits in the air of the bay',
  'no-window': 'no time to level it in the air of the bay',
  'never-cures': 'never cures in the air of the bay',
  days: 'not ready within the days',
} as const;
const MINUTES_PER_HOUR = 60;

/** Why the rest of the shelf is not in the best choice. */
function FellAway({ job, answer }: { readonly job: JobView; readonly answer: ChoiceFile }) {
  const { currency } = job.document;
  const dearer = answer.fellAway.flatMap((each) => (each.why === 'dearer' ? [each] : [])).sort((a, b) => a.by - b.by);
  const rest = answer.fellAway.flatMap((each) =>
    each.why === 'dearer' ? [] : [{ product: each.product, why: each.why === 'not-in-bay' ? each.because : each.why }],
  );
  return (
    <Part title="Why the rest fell away">
      <ul className="text-[14px]">
        {dearer.slice(0, 8).map(({ product, by, substrate, lifeMonths }) => (
          <li key={product} className="border-t py-1 first:border-t-0">
            <strong>{job.productName(product)}</strong>: {money(by, currency)} dearer on{' '}
            {SUBSTRATES[substrate].name.toLowerCase()}, for {Math.round(lifeMonths)} months.
          </li>
        ))}
      </ul>
      {rest.length > 0 && (
        <details className="mt-1 text-[14px]">
          <summary className="cursor-pointer text-ink-2">
            {rest.length} more that are ruled out, not for this bay, not wished or beaten
          </summary>
          <p className="mt-1">
            {rest.map(({ product, why }) => `${job.productName(product)} (${FELL_AWAY_WORDS[why]})`).join(', ')}.
          </p>
        </details>
      )}
    </Part>
  );
}

/** Gives one panel its stack by hand; without layers it is chosen with the rest again. */
type GivePanel = (id: string, layers: readonly StackLayer[] | undefined) => void;

/** Stacks that any point of the frontier lays on a kind of surface, and none at all. */
function stacksLike(
  substrate: SubstrateId,
  { document }: JobView,
  points: readonly ChoicePoint[],
): readonly (readonly StackLayer[])[] {
  const alike = new Set(document.surfaces.filter((each) => each.substrate === substrate).map(({ id }) => id));
  const stacks: (readonly StackLayer[])[] = [];
  for (const { id, layers } of points.flatMap(({ surfaces }) => surfaces)) {
    if (alike.has(id) && !stacks.some((known) => sameLayers(known, layers))) stacks.push(layers);
  }
  return stacks.some((layers) => layers.length === 0) ? stacks : [...stacks, []];
}

interface OnPanelProps {
  readonly job: JobView;
  readonly point: ChoicePoint | undefined;
  readonly points: readonly ChoicePoint[];
  readonly onGive: GivePanel;
}

/** What is proposed for one panel, and whether its planned stack is given. */
function OnPanel({ job, point, points, onGive }: OnPanelProps) {
  const { chosen, document, productName, laid } = job;
  if (!chosen) return null;
  const pinned = document.wishes?.pinned ?? [];
  const proposed = point?.surfaces.find(({ id }) => id === chosen.id);
  const others = stacksLike(chosen.substrate, job, points).filter(
    (layers) => proposed && !sameLayers(layers, proposed.layers),
  );
  const inWords = (layers: readonly StackLayer[]) => stackInWords(layers, productName);
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">{SUBSTRATES[chosen.substrate].name}</p>
      </PanelHead>
      <Part title="Planned">
        <p>{inWords(chosen.layers)}</p>
        <label className="mt-2 flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-(--over)"
            checked={pinned.includes(chosen.id)}
            onChange={({ target }) => onGive(chosen.id, target.checked ? chosen.layers : undefined)}
          />
          Keep this: choose the rest around it
        </label>
      </Part>
      {proposed && (
        <Part title="Proposed">
          <p className="font-semibold">{inWords(proposed.layers)}</p>
          <p className="text-[14px] text-ink-2">
            {proposed.layers.length === 0
              ? 'Nothing on the shelf is allowed here, or answers to the wishes.'
              : `Plan for ${Math.round(proposed.lifeMonths)} months.`}
            {proposed.testSpot && ' After a hidden test spot.'}
          </p>
          {!laid.has(chosen.id) && (
            <div className="mt-3">
              <SelectField
                label="Rather by hand, and the rest around it"
                value=""
                options={[
                  ['', 'as proposed'],
                  ...others.map((layers, index) => [String(index), inWords(layers)] as const),
                ]}
                onChange={(index) => onGive(chosen.id, others[Number(index)]!)}
              />
            </div>
          )}
        </Part>
      )}
    </>
  );
}

const CHOICE_LEGEND: readonly LegendEntry[] = [
  ...LEGEND.filter(({ fill }) => fill !== 'stop'),
  { fill: 'blank', text: '» differs' },
];

/** What a choice lays, with a sign where it differs from another, or from what is planned. */
function proposalLens(
  { document, shelf, productName }: JobView,
  point: ChoicePoint | undefined,
  against: ChoicePoint | undefined,
) {
  const families = new Map([...document.products, ...shelf].map(({ id, family }) => [id, family]));
  const stacks = new Map(point?.surfaces.map(({ id, layers, testSpot }) => [id, { layers, testSpot }]));
  const planned = new Map(document.surfaces.map(({ id, layers }) => [id, layers]));
  const there = against ? new Map(against.surfaces.map(({ id, layers }) => [id, layers])) : planned;
  return (id: string): PanelPaint => {
    const proposed = stacks.get(id);
    const layers = point ? (proposed?.layers ?? []) : (planned.get(id) ?? []);
    const top = layers.at(-1);
    const differs = point !== undefined && !sameLayers(layers, there.get(id) ?? []);
    const sign = proposed?.testSpot ? 'test' : differs ? 'differs' : undefined;
    if (!top) return { fill: 'blank', sign, caption: differs ? 'bare' : undefined };
    return {
      fill: familyFill(families.get(top.product) ?? 'ceramic'),
      sign,
      caption: productName(top.product),
    };
  };
}

function changesOf({ document, laid }: JobView, point: ChoicePoint): number {
  const planned = new Map(document.surfaces.map(({ id, layers }) => [id, layers]));
  return point.surfaces.filter(({ id, layers }) => !laid.has(id) && !sameLayers(layers, planned.get(id) ?? [])).length;
}
