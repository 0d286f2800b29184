import { useMemo, useState } from 'react';
import { SLOT_MIN } from '#core/lay/go';
import { minutesBetween } from '#formats/values';
import { changeDocument } from '#job/edit';
import { type GoGroup, type GoView, goView, waysFor } from '#job/go';
import { PanelHead, Part, Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { DateTimeField } from '../../ui/DateField';
import { NumberField } from '../../ui/NumberField';
import { celsius } from '../../ui/measures';
import { fromInput, moment, span, toInput } from '../../ui/moments';
import { fixed } from '../../ui/numbers';
import { GoStrip } from './GoStrip';
import { GO_SIGNS, GO_WORDS, reasonInWords, wayInWords } from './go-words';
import { type Dust, laidAt, useDust } from './useDust';
import { TimeSwitch } from './TimeSwitch';

const FOR_MIN = 48 * 60;

const LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Nothing to lay' },
  { fill: 'ok', text: '✓ Go' },
  { fill: 'warn', text: '! Mind' },
  { fill: 'stop', text: '✕ Wait' },
];
const FILLS = { good: 'ok', marginal: 'warn', not: 'stop' } as const;

/** Go or wait: each panel and product, now and through the coming two days. */
export function GoOrWait() {
  const job = useJob('bay', 'begun', 'chosen', 'document', 'id', 'nowMin', 'plan', 'planned');
  const { planned, plan, nowMin, begun, document } = job;
  const fromMin = Math.floor((begun ? nowMin : Math.max(0, nowMin)) / SLOT_MIN) * SLOT_MIN;
  const arrived = document.item?.arrived;
  const dust = useDust(job, fromMin, FOR_MIN);
  const view = useMemo(
    () =>
      goView(
        planned,
        plan,
        fromMin,
        FOR_MIN,
        arrived && { atMin: minutesBetween(document.startAt, arrived.at), surfaceC: arrived.surfaceC },
        laidAt(document, dust),
        (_, coat) => coat.laid !== undefined && coat.laid.endMin < fromMin,
      ),
    [planned, plan, fromMin, arrived, document, dust],
  );
  const [slot, setSlot] = useState(0);
  const at = Math.min(slot, view.slots - 1);
  const lens = useMemo(
    () =>
      (id: string): PanelPaint => {
        const group = view.nextOf.get(id);
        if (!group) return { fill: 'blank' };
        const { verdict } = group.strip[at]!;
        return { fill: FILLS[verdict], ...(verdict === 'not' && { sign: 'no' }) };
      },
    [view, at],
  );
  return (
    <Station
      lens={lens}
      legend={LEGEND}
      lensName="by go or wait"
      headline={
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <TimeSwitch />
          <Verdict view={view} at={at} />
        </div>
      }
      below={view.groups.length > 0 && <GoStrip view={view} slot={at} onSlot={setSlot} />}
    >
      {job.chosen ? (
        <PanelGo key={job.chosen.id} group={view.nextOf.get(job.chosen.id)} slot={at} />
      ) : (
        <WholeGo view={view} slot={at} dust={dust} />
      )}
    </Station>
  );
}

/** The one line that matters. */
function Verdict({ view, at }: { readonly view: GoView; readonly at: number }) {
  const job = useJob('at');
  const [row] = view.rows;
  if (!row) return <p className="text-ink-2">Nothing is left to be laid.</p>;
  const verdict = row.verdicts[at]!;
  const tone = { good: 'text-ok', marginal: 'text-warn', not: 'text-stop' }[verdict];
  return (
    <p className="flex flex-wrap items-baseline gap-x-3">
      <strong className={`figure text-2xl ${tone}`}>
        {GO_SIGNS[verdict]} {{ good: 'Go', marginal: 'Go, and mind', not: 'Wait' }[verdict]}
      </strong>
      <span className="text-ink-2">
        {row.product.name}, {moment(job.at(view.fromMin + at * SLOT_MIN))}
      </span>
    </p>
  );
}

interface WholeProps {
  readonly view: GoView;
  readonly slot: number;
  readonly dust: readonly Dust[];
}

function WholeGo({ view, slot, dust }: WholeProps) {
  const job = useJob('at', 'nameOf', 'plan');
  const { best } = view;
  const failing = alike(
    view.groups.filter(({ strip }) => strip[slot]!.verdict !== 'good'),
    slot,
  );
  if (view.groups.length === 0)
    return (
      <p className="p-5 text-ink-2">
        {job.plan.purchases.length > 0
          ? 'All of it is laid. Whether it is ready stands under Ready and cure.'
          : 'Nothing is to be laid: choose products under Layer.'}
      </p>
    );
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="label">Best stretch for {view.rows[0]!.product.name}</h2>
        {best ? (
          <>
            <p className="figure text-2xl">{moment(job.at(best.fromMin))}</p>
            <p className="text-ink-2">
              {best.verdict === 'good' ? 'good' : 'to be minded'} for {span(best.toMin - best.fromMin)}, with somebody
              there
            </p>
          </>
        ) : (
          <p className="text-stop">None within two days that is long enough while somebody is there.</p>
        )}
      </section>
      <Arrival />
      {dust.length > 0 && (
        <Part title="Dust in the same bay">
          <ul>
            {dust.map(({ title, fromMin, toMin }) => (
              <li key={`${title} ${fromMin}`}>
                {title}: sanded or polished {moment(job.at(fromMin))} to {moment(job.at(toMin))}
              </li>
            ))}
          </ul>
        </Part>
      )}
      {failing.map((group) => (
        <Part
          key={`${group.product.id} ${group.surfaces[0]}`}
          title={`${GO_SIGNS[group.strip[slot]!.verdict]} ${group.product.name}`}
        >
          <p className="text-[14px] text-ink-2">
            {group.surfaces.length === 1
              ? job.nameOf(group.surfaces[0]!)
              : `${group.surfaces.length} panels: ${group.surfaces.slice(0, 3).map(job.nameOf).join('; ')}${group.surfaces.length > 3 ? ' …' : ''}`}
          </p>
          <Against group={group} slot={slot} />
        </Part>
      ))}
    </>
  );
}

function PanelGo({ group, slot }: { readonly group: GoGroup | undefined; readonly slot: number }) {
  if (!group)
    return (
      <>
        <PanelHead>
          <p className="text-ink-2">Nothing is left to be laid here.</p>
        </PanelHead>
        <Arrival />
      </>
    );
  const { surfaceC, dew, air, verdict, window } = group.strip[slot]!;
  const rows = [
    ['Panel', celsius(surfaceC)],
    ['Dew point', celsius(dew.dewPointC)],
    ['Panel over the dew point', `${fixed(dew.marginK, 1)} K`],
    ['Air', `${celsius(air.airC)}, ${fixed(air.rhPct, 0)} %`],
    ['Moving at', `${fixed(air.airSpeed, 1)} m/s`],
    [
      'Window, to be trusted',
      window.guarded
        ? `${span(window.guarded.fromMin)} to ${window.guarded.byMin === null ? 'no limit' : span(window.guarded.byMin)}`
        : 'none',
    ],
  ] as const;
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">
          Next: {group.product.name}. {GO_SIGNS[verdict]} <strong>{GO_WORDS[verdict]}</strong>
        </p>
      </PanelHead>
      <Part title="As it stands then">
        <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
          {rows.map(([name, value]) => (
            <div key={name} className="contents">
              <dt className="text-ink-2">{name}</dt>
              <dd className="text-right tabular-nums">{value}</dd>
            </div>
          ))}
        </dl>
        <p className="mt-2 text-[13px] text-ink-2">
          A panel follows the air with its own lag. A spot reading under Ready and cure replaces the estimate.
        </p>
      </Part>
      {verdict !== 'good' && (
        <Part title="What stands against it">
          <Against group={group} slot={slot} />
        </Part>
      )}
      <Arrival />
    </>
  );
}

/** Groups of one product that the same stands against, as one. */
function alike(groups: readonly GoGroup[], slot: number): GoGroup[] {
  const known = new Map<string, GoGroup>();
  for (const group of groups) {
    const key = [group.product.id, ...group.strip[slot]!.reasons.map(reasonInWords)].join('|');
    const before = known.get(key);
    known.set(key, before ? { ...before, surfaces: [...before.surfaces, ...group.surfaces] } : group);
  }
  return [...known.values()];
}

/** What stands against a group of panels, and what would open it, each with its number. */
function Against({ group, slot }: { readonly group: GoGroup; readonly slot: number }) {
  const ways = useMemo(() => waysFor(group, slot), [group, slot]);
  const { reasons } = group.strip[slot]!;
  return (
    <>
      <ul className="mt-1">
        {reasons.map((reason) => (
          <li key={reason.cause} className={reason.verdict === 'not' ? 'text-stop' : 'text-warn'}>
            {GO_SIGNS[reason.verdict]} {reasonInWords(reason)}
          </li>
        ))}
      </ul>
      {ways.length > 0 ? (
        <>
          <h4 className="label mt-2">What would open it</h4>
          <ul className="list-disc pl-5">
            {ways.map((way) => (
              <li key={way.kind}>
                {wayInWords(way)}
                {way.verdict === 'marginal' && <span className="text-ink-2">: then it is to be minded still</span>}
              </li>
            ))}
          </ul>
          {ways.some(({ kind }) => kind.includes('heat')) && (
            <p className="mt-1 text-[13px] text-ink-2">
              Never heat with a flame or a glowing coil where solvent is in the air.
            </p>
          )}
        </>
      ) : (
        <p className="mt-1 text-ink-2">Nothing alone opens it: take another product, or another day.</p>
      )}
    </>
  );
}

/** An item that comes in cold is below the dew point for a while. */
function Arrival() {
  const job = useJob('document', 'edit');
  const { item = { name: job.document.title }, startAt } = job.document;
  const { arrived } = item;
  const change = (next: typeof arrived) => job.edit(changeDocument({ item: { ...item, arrived: next } }));
  return (
    <Part title="Came in from outside">
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          optional
          label="As cold as; empty: as the bay"
          unit="°C"
          value={arrived?.surfaceC}
          check={(value) => (value >= -40 && value <= 80 ? undefined : '−40 to 80 °C')}
          onChange={(surfaceC) => change(surfaceC === undefined ? undefined : { at: arrived?.at ?? startAt, surfaceC })}
        />
        {arrived && (
          <DateTimeField
            label="At"
            required
            value={toInput(arrived.at)}
            onChange={(next) => {
              const at = fromInput(next, startAt);
              if (at) change({ ...arrived, at });
            }}
          />
        )}
      </div>
    </Part>
  );
}
