import { ZONE_NAMES } from '../../net/zone-names';
import { Lasso } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { Zone } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { answerOf } from '#core/layers/rules';
import { surfaceName } from '#formats/job';
import { stripFirst, setLayers } from '#job/edit';
import { unevenPaints } from '#job/judge';
import { stackInWords } from '#job/offers';
import { staysOn } from '#job/plan';
import { familyFill } from '../../core-sample/strata';
import { Part, Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import type { PanelPaint } from '../../net/paint';
import { Button } from '../../ui/Button';
import { Findings } from '../../ui/Findings';
import { AnswerMark } from '../../ui/Mark';
import { NewerSheets } from './NewerSheets';
import { NotReady } from './NotReady';
import { StrippingCosts } from './StrippingCosts';
import { StackEditor } from './StackEditor';
import { LEGEND, useLayerView, ViewSwitch } from './ViewSwitch';
import { Choose } from './choose/Choose';
import { Offers } from './offers/Offers';
import { useBrush } from './useBrush';
import { useLasso } from './useLasso';

/** What goes on each panel, and whether it may. */
export function Component() {
  const job = useJob('chosen', 'document', 'edit', 'laid', 'plan', 'planned', 'productName', 'shelf');
  const view = useLayerView();
  const brush = useBrush(job);
  const lasso = useLasso(job, brush.layOn);
  const lens = useMemo(() => stackLens(job), [job]);
  if (view === 'choose') return <Choose />;
  if (view === 'offers') return <Offers />;
  return (
    <Station
      lens={lens}
      legend={LEGEND}
      lensName="by what goes on top"
      headline={brush.brush ? <BrushBar brush={brush} lasso={lasso} /> : <ViewSwitch />}
      tool={brush.brush && lasso.tool}
      onPlace={
        brush.brush &&
        ((id) => {
          brush.layOn([id]);
          return true;
        })
      }
    >
      {job.chosen ? <StackEditor key={job.chosen.id} surface={job.chosen} onPickUp={brush.pickUp} /> : <Whole />}
    </Station>
  );
}

/** The stack in hand: what a tap lays, whole zones at once, and why something was not laid. */
function BrushBar({
  brush: { brush, said, layOn, putDown },
  lasso,
}: {
  readonly brush: ReturnType<typeof useBrush>;
  readonly lasso: ReturnType<typeof useLasso>;
}) {
  const { document, productName } = useJob('document', 'productName');
  const zones = (Object.keys(ZONE_NAMES) as Zone[]).filter((zone) =>
    document.surfaces.some((surface) => surface.zone === zone),
  );
  return (
    <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Stack in hand">
      <span className="flex-1">
        Tap what gets <strong>{stackInWords(brush!.layers, productName)}</strong>
      </span>
      <Button
        aria-pressed={lasso.inHand}
        className="aria-pressed:border-over aria-pressed:bg-over-soft"
        onClick={() => lasso.setInHand(!lasso.inHand)}
      >
        <Lasso size={16} /> Draw round
      </Button>
      {zones.map((zone) => (
        <Button
          key={zone}
          aria-label={`Lay it on all of ${ZONE_NAMES[zone].toLowerCase()}`}
          onClick={() => layOn(document.surfaces.filter((surface) => surface.zone === zone).map(({ id }) => id))}
        >
          {ZONE_NAMES[zone]}
        </Button>
      ))}
      <Button look="main" onClick={putDown}>
        Done
      </Button>
      {said && (
        <p role="alert" className="w-full border-l-4 border-stop pl-2 text-[14px]">
          {said}
        </p>
      )}
    </div>
  );
}

function stackLens({ document, plan, productName }: Pick<JobView, 'document' | 'plan' | 'productName'>) {
  const families = new Map(document.products.map(({ id, family }) => [id, family]));
  const paints = new Map(
    plan.surfaces.map(({ id, coats }): [string, PanelPaint] => {
      const top = coats.at(-1);
      if (!top) return [id, { fill: 'blank', caption: undefined }];
      const answer = answerOf(coats.flatMap(({ rulings }) => rulings));
      const fill = answer === 'no' ? 'stop' : familyFill(families.get(top.product) ?? 'ceramic');
      const sign = answer === 'yes' ? undefined : answer;
      return [id, { fill, sign, caption: productName(top.product) }];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}

/** One paint carries one stack unless something is hit harder, was repaired, or somebody wants it so: asked about, not changed. */
function ManyStacks() {
  const { document, choose, edit, shelf, laid, nameOf, productName } = useJob(
    'document',
    'choose',
    'edit',
    'shelf',
    'laid',
    'nameOf',
    'productName',
  );
  const uneven = unevenPaints(document);
  if (uneven.length === 0) return null;
  return (
    <Part title="One paint, several stacks">
      <ul className="space-y-2 text-[14px]">
        {uneven.map(({ most, others }) => (
          <li key={others[0]!.id} className="border-l-4 border-warn pl-3">
            Most of it gets {stackInWords(most.layers, productName)};{' '}
            {others.slice(0, 3).map(({ id }, at) => (
              <span key={id}>
                {at > 0 && ', '}
                <button type="button" className="underline" onClick={() => choose(id)}>
                  {nameOf(id)}
                </button>
              </span>
            ))}
            {others.length > 3 && ` and ${others.length - 3} more`}: something else. Hit harder, repaired, or forgotten?
            <Button
              look="quiet"
              disabled={others.some(({ id }) => laid.has(id))}
              onClick={() =>
                edit(
                  setLayers(
                    others.map(({ id }) => id),
                    most.layers,
                    shelf,
                  ),
                )
              }
            >
              All alike
            </Button>
          </li>
        ))}
      </ul>
    </Part>
  );
}

const LAYERING = ['not-allowed', 'bond', 'fresh-paint', 'recoat-window', 'test-spot'];

function Whole() {
  const job = useJob('choose', 'document', 'edit', 'id', 'nameOf', 'plan', 'productName');
  const { document, plan, choose, edit, nameOf, productName } = job;
  const findings = plan.findings.filter(({ code }) => LAYERING.includes(code));
  // What was found there is what something does not bond to: it can come off.
  const inTheWay = document.surfaces
    .filter((surface) => staysOn(document, surface).length > 0)
    .map(({ id }) => id)
    .filter((id) =>
      findings.some(({ code, severity, surface }) => code === 'bond' && severity === 'stop' && surface === id),
    );
  const substrates = [...new Set(document.surfaces.map(({ substrate }) => substrate))];
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="figure text-xl">Choose a panel on the net</h2>
        <p className="mt-1 text-[14px] text-ink-2">
          Tap it, or walk there with the arrow keys. A stack can then be put on all panels of the same kind at once.
        </p>
      </section>
      <NotReady />
      {findings.length > 0 && (
        <Part title="What the rules say">
          <Findings findings={findings} nameOf={nameOf} onChoose={choose} />
          {inTheWay.length > 0 && (
            <p className="mt-2 text-[14px]">
              <Button className="w-full" onClick={() => edit(stripFirst(inTheWay))}>
                Take it off {inTheWay.length === 1 ? 'that panel' : `those ${inTheWay.length} panels`} first
              </Button>{' '}
              <StrippingCosts surfaces={inTheWay} />
            </p>
          )}
          <Link to={`/shelf/rules?job=${job.id}`} className="mt-2 inline-block text-[14px] text-ink-2 underline">
            Every rule, and the panels it touches
          </Link>
        </Part>
      )}
      <ManyStacks />
      <NewerSheets />
      <Part title="By what it is made of">
        <ul className="space-y-3">
          {substrates.map((substrate) => {
            const own = document.surfaces.filter((surface) => surface.substrate === substrate);
            const stacks = new Map<string, string[]>();
            for (const surface of own) {
              const stack = stackInWords(surface.layers, productName);
              stacks.set(stack, [...(stacks.get(stack) ?? []), surface.id]);
            }
            return (
              <li key={substrate} className="border-t pt-2 first:border-t-0">
                <p className="label">{SUBSTRATES[substrate].name}</p>
                {[...stacks].map(([stack, ids]) => (
                  <p key={stack} className="mt-0.5 text-[14px]">
                    {stack}{' '}
                    <button type="button" className="text-ink-2 underline" onClick={() => choose(ids[0])}>
                      {ids.length === 1 ? surfaceName(own.find(({ id }) => id === ids[0])!) : `${ids.length} panels`}
                    </button>
                  </p>
                ))}
              </li>
            );
          })}
        </ul>
      </Part>
      <p className="px-5 py-3 text-[13px] text-ink-3">
        <AnswerMark answer="yes" /> by the sheet and the rules; <AnswerMark answer="test" /> try it hidden, low at the
        rear; <AnswerMark answer="no" /> with the rule that says so.
      </p>
    </>
  );
}
