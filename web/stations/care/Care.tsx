import { FactTable, PanelName } from '../../ui/FactTable';
import {
  conditionAt,
  firstRenewMin,
  firstWashMin,
  hardFromMin,
  removalFrom,
  type RemovalPaint,
  type StandingLayer,
  topOf,
  type Wearing,
  type StandingSurface,
} from '#core/care/upkeep';
import { marksInWords } from '#core/survey/condition';
import type { SubstrateId } from '#core/item/substrates';
import { WHEN_TOO_LATE, whenTooLate } from '#core/layers/rules';
import { MINUTES_PER_MONTH } from '#core/measures';
import { readyBySheet } from '#core/plan/job';
import { isAircraft } from '#job/plan';
import { clearTakenUm, donePanels, hiddenMarks, paintForRemoval } from '#job/prepare';
import { instantAfter, minutesBetween } from '#formats/values';
import { CoreSample } from '../../core-sample/CoreSample';
import { PanelHead, Part, Station } from '../../job/Station';
import { DATED_WORDS } from '#job/days';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/DateField';
import { um } from '../../ui/measures';
import { day, fromInput, moment, span } from '../../ui/moments';
import { percent } from '../../ui/numbers';
import { BodyShop } from './BodyShop';
import { CareVisit } from './CareVisit';
import { SeenSince } from './SeenSince';
import { Renewing } from './Renewing';
import { RemovalPlan } from './RemovalPlan';
import { TestPatch } from './TestPatch';
import { MakeItAJob, TakingOff } from './TakingOff';
import { NOTHING_USED, totalRemoval } from './totals';
import { useMemo, useState } from 'react';
import { useNameOf } from '../../people/api';

const LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Nothing on it' },
  { fill: 'tint-4', text: 'As new' },
  { fill: 'tint-3', text: 'Good' },
  { fill: 'tint-2', text: 'Worn' },
  { fill: 'warn', text: 'Wants renewing' },
];

/** What is on it now, when it may be washed, when it wants renewing, and how it would come off. */
export function Component() {
  const job = useJob('chosen', 'document', 'nowMin', 'planned', 'prepared', 'record', 'standing');
  const [dateMin, setDateMin] = useState<number>();
  const atMin = dateMin ?? job.nowMin;
  const lens = useMemo(() => conditionLens(job, atMin), [job, atMin]);
  const { document, record } = job;
  const { panels } = job.prepared.preparation;
  const paints = useMemo(
    () => paintForRemoval(document, clearTakenUm(document, record, donePanels(document, record, panels))),
    [document, record, panels],
  );
  const hidden = useMemo(() => hiddenMarks(document, record, panels), [document, record, panels]);
  const anything = job.standing.some(({ layers, found }) => layers.length + found.length > 0);
  return (
    <Station
      lens={lens}
      legend={LEGEND}
      lensName="by what is left of the top layer"
      headline={anything && <DateLine atMin={atMin} chosen={dateMin !== undefined} onChange={setDateMin} />}
    >
      {!anything ? (
        <p className="p-6 text-ink-2">
          Nothing has been laid yet. What is laid under Run appears here: when it may be washed, when it wants renewing,
          and how it would come off.
        </p>
      ) : job.chosen ? (
        <Panel key={job.chosen.id} atMin={atMin} paints={paints} hidden={hidden} />
      ) : (
        <Whole atMin={atMin} paints={paints} hidden={hidden} />
      )}
    </Station>
  );
}

function conditionLens({ standing }: Pick<JobView, 'standing'>, atMin: number) {
  const paints = new Map(
    standing.map((subject): [string, PanelPaint] => {
      const { surface, found } = subject;
      const top = topOf(subject);
      if (!top) return [surface.id, found.length > 0 ? { fill: 'hatch', caption: 'found' } : { fill: 'blank' }];
      const left = conditionAt(top, atMin);
      const fill = left > 0.9 ? 'tint-4' : left > 0.7 ? 'tint-3' : left > 0.5 ? 'tint-2' : 'warn';
      return [surface.id, { fill, caption: percent(left) }];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}

interface LayerProps {
  readonly layer: StandingLayer;
  readonly atMin: number;
}

interface DateLineProps {
  readonly atMin: number;
  readonly chosen: boolean;
  readonly onChange: (atMin: number | undefined) => void;
}

/** The day everything here is looked at: today, or one to come. */
function DateLine({ atMin, chosen, onChange }: DateLineProps) {
  const job = useJob('document', 'nowMin', 'standing');
  const { startAt } = job.document;
  const renew = firstRenewMin(job.standing);
  const jumps = [
    ['in half a year', job.nowMin + 6 * MINUTES_PER_MONTH],
    ['in two years', job.nowMin + 24 * MINUTES_PER_MONTH],
    ...(renew === null || renew < job.nowMin ? [] : ([['at the first renewal', renew]] as const)),
  ] as const;
  return (
    <div className="flex flex-wrap items-end gap-2">
      <DateField
        label="As it stands on"
        required
        className="w-44"
        value={instantAfter(startAt, atMin).slice(0, 10)}
        onChange={(day) => {
          const instant = fromInput(`${day}T12:00`, startAt);
          if (instant) onChange(minutesBetween(startAt, instant));
        }}
      />
      <Button look={chosen ? 'plain' : 'quiet'} onClick={() => onChange(undefined)} disabled={!chosen}>
        Today
      </Button>
      {jumps.map(([name, min]) => (
        <Button key={name} look="quiet" onClick={() => onChange(min)}>
          {name}
        </Button>
      ))}
    </div>
  );
}

interface PanelProps {
  readonly atMin: number;
  readonly paints: readonly RemovalPaint[];
  /** Marks that show again once what hides them is off, by panel. */
  readonly hidden: ReturnType<typeof hiddenMarks>;
}

function Panel({ atMin, paints, hidden }: PanelProps) {
  const job = useJob('at', 'chosen', 'document', 'hands', 'record', 'standing');
  const index = job.document.surfaces.indexOf(job.chosen!);
  const subject = job.standing[index]!;
  const { surface, layers, found } = subject;
  const top = topOf(subject);
  const removal = removalFrom(laidBy(subject, atMin), paints[index]!, atMin);
  const faults = [...job.record.patches.values()]
    .filter(({ patch }) => patch.surface === surface.id)
    .flatMap((p) => p.faults);
  return (
    <>
      <PanelHead />
      <Part title="On it">
        <CoreSample
          substrate={surface.substrate}
          clearUm={paints[index]!.clearUm}
          reserveUm={removal.reserveUm}
          existing={found.map(({ family }) => family)}
          told={found.map(({ name, wears }) => ({
            name,
            words: wears && <WearState wears={wears} atMin={atMin} />,
          }))}
          layers={layers.map((layer) => ({
            key: layer.product.id + layer.laidMin,
            name: layer.product.name,
            family: layer.product.family,
            coats: layer.coats,
            open: isCuring(layer, atMin),
            children: (
              <LayerState
                layer={layer}
                atMin={atMin}
                substrate={surface.substrate}
                hands={job.hands(surface.id, layer.product.id)}
              />
            ),
          }))}
        />
        {layers.length + found.length === 0 && <p className="mt-2 text-ink-2">Bare: nothing was laid on this panel.</p>}
        {faults.length > 0 && (
          <p className="mt-2 text-[14px] text-warn">
            Noted while laying: {faults.map(({ fault }) => fault.replaceAll('-', ' ')).join(', ')}.
          </p>
        )}
      </Part>
      {top && <SeenSince subject={subject} top={top} atMin={atMin} />}
      <TestPatch subject={subject} paint={paints[index]!} />
      {removal.layers.length > 0 && isAircraft(job.document) && (
        <p role="note" className="border-b border-l-4 border-l-warn bg-warn-soft px-5 py-3">
          On an aircraft every liquid and compound that takes it off needs its approval; planned as a job, each step
          asks for one. The aircraft maker’s papers and a licensed engineer decide.
        </p>
      )}
      {removal.layers.length > 0 && <MakeItAJob />}
      {removal.layers.length > 0 && (
        <RemovalPlan
          removal={removal}
          clearUm={paints[index]!.clearUm}
          when={day(job.at(atMin))}
          hidden={hidden.get(surface.id) ?? []}
        />
      )}
      <BodyShop surface={surface.id} />
    </>
  );
}

/** Only what has been laid by that day. */
const laidBy = (subject: StandingSurface, atMin: number): StandingSurface => ({
  ...subject,
  layers: subject.layers.filter(({ laidMin }) => laidMin <= atMin),
});

const isCuring = ({ milestones }: StandingLayer, atMin: number) => {
  const ready = readyBySheet(milestones);
  return ready === null || (ready !== undefined && atMin < ready);
};

type LayerStateProps = LayerProps & { readonly substrate: SubstrateId; readonly hands: readonly string[] };

function LayerState({ layer, atMin, substrate, hands }: LayerStateProps) {
  const { at } = useJob('at');
  const nameOf = useNameOf();
  const { endMin, firstWash, fullyHard, doneShare } = layer;
  const when = ({ atMin: min, by }: typeof firstWash) =>
    `${min === null ? 'never in this air' : moment(at(min))} (${DATED_WORDS[by]})`;
  return (
    <div className="text-[13.5px] text-ink-2">
      <p>
        Laid {day(at(endMin))}
        {hands.length > 0 && ` by ${hands.map(nameOf).join(', ')}`}, {span(Math.max(0, atMin - endMin))} old;{' '}
        <strong className="text-ink">{percent(conditionAt(layer, atMin))}</strong> left
        {isCuring(layer, atMin) && '; still curing'}
      </p>
      {doneShare < 1 && <p className="text-warn">Only {percent(doneShare)} of the panel has it.</p>}
      <p>First wash {when(firstWash)}</p>
      <p>Fully hard {when(fullyHard)}</p>
      <GoneOver layer={layer} atMin={atMin} substrate={substrate} />
      {layer.product.family === 'film' && <FilmSettles layer={layer} atMin={atMin} />}
      <Renewal wears={layer} />
    </div>
  );
}

type GoneOverProps = LayerProps & { readonly substrate: SubstrateId };

/** Until when another coat may go over it, and what then: its sheet's interval in the air it lies in. */
function GoneOver({ layer, atMin, substrate }: GoneOverProps) {
  const { at } = useJob('at');
  const { recoatBy } = layer.milestones;
  if (typeof recoatBy !== 'number') return null;
  const then = WHEN_TOO_LATE[whenTooLate(layer.product.family, substrate)];
  return recoatBy > atMin ? (
    <p>
      May be gone over until <strong className="text-ink">{moment(at(recoatBy))}</strong>; after that {then}
    </p>
  ) : (
    <p>
      Closed since {moment(at(recoatBy))}: to go over it, {then}
    </p>
  );
}

interface WearProps {
  readonly wears: Wearing;
}

function Renewal({ wears: { life, renewMin, renewRangeMin } }: WearProps) {
  const job = useJob('at');
  const [from, to] = renewRangeMin;
  return (
    <p>
      Plan for {life.lowMonths.toFixed(0)}–{life.highMonths.toFixed(0)} months, rated {life.ratedMonths}
      {life.ratedBy === 'family' ? ' (usual)' : ''}: renew about {day(job.at(renewMin))}
      <span className="text-ink-3">
        {' '}
        ({day(job.at(from))} to {day(job.at(to))})
      </span>
    </p>
  );
}

/** What an earlier visit laid, as it wears on. */
function WearState({ wears, atMin }: WearProps & { readonly atMin: number }) {
  const job = useJob('at');

  return (
    <div className="text-[13.5px] text-ink-2">
      <p>
        Laid {day(job.at(wears.endMin))}, at an earlier visit;{' '}
        <strong className="text-ink">{percent(conditionAt(wears, atMin))}</strong> left
      </p>
      <Renewal wears={wears} />
    </div>
  );
}

function Whole({ atMin, paints, hidden }: PanelProps) {
  const job = useJob('at', 'choose', 'nameOf', 'standing');
  const { standing, choose, nameOf } = job;
  const laid = standing.some(({ layers }) => layers.length > 0);
  const wash = firstWashMin(standing);
  const renew = firstRenewMin(standing);
  const removals = standing.map((subject, index) => ({
    id: subject.surface.id,
    removal: removalFrom(laidBy(subject, atMin), paints[index]!, atMin),
  }));
  const uncovers = removals.flatMap(({ id, removal }) => {
    const marks = hidden.get(id) ?? [];
    return removal.layers.length > 0 && marks.length > 0 ? [{ id, marks }] : [];
  });
  const total = totalRemoval(removals.map(({ removal }) => removal));
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <dl className="grid grid-cols-2 gap-x-4 gap-y-2">
          <div>
            <dt className="label">First wash, whole item</dt>
            <dd className="figure text-xl">
              {!laid ? 'any time' : wash === null ? 'not cured yet' : moment(job.at(wash))}
            </dd>
          </div>
          <div>
            <dt className="label">First to renew</dt>
            <dd className="figure text-xl">{renew === null ? 'nothing' : day(job.at(renew))}</dd>
          </div>
        </dl>
        <p className="mt-2 text-[14px] text-ink-2">
          Rinse first, neutral shampoo, no brushes. Bird lime, sap and de-icing salt are wiped off soon.
        </p>
      </section>
      <Part title={`If all of it came off on ${day(job.at(atMin))}`}>
        <p>
          <strong className="figure text-3xl">{span(total.minutes)}</strong>{' '}
          <span className="text-ink-2">of work, expected; mildest first</span>
        </p>
        <ul className="mt-2 space-y-0.5 text-[14px]">
          {total.uses.length === 0 && <li>{NOTHING_USED}</li>}
          {total.uses.map(({ what, unit, amount }) => (
            <li key={what} className="flex justify-between gap-4">
              <span>{what}</span>
              <span>
                {amount.toFixed(amount < 10 ? 1 : 0)} {unit}
              </span>
            </li>
          ))}
        </ul>
        {total.warnings.length > 0 && (
          <ul className="mt-3 space-y-1 border-l-4 border-warn pl-3 text-[14px]">
            {total.warnings.map((warning) => (
              <li key={warning}>{warning}</li>
            ))}
          </ul>
        )}
        {uncovers.length > 0 && (
          <ul aria-label="Shows again" className="mt-3 space-y-1 border-l-4 border-line-strong pl-3 text-[14px]">
            {uncovers.map(({ id, marks }) => (
              <li key={id}>
                <PanelName onChoose={() => choose(id)}>{nameOf(id)}</PanelName>: what was filled shows again,{' '}
                {marksInWords(marks)}
              </li>
            ))}
          </ul>
        )}
      </Part>
      <CareVisit />
      <Renewing atMin={atMin} />
      <TakingOff paints={paints} />
      <Part title="Panel by panel">
        <FactTable
          columns={['Panel', 'Work', 'Clear, expected']}
          rows={removals
            .filter(({ removal }) => removal.layers.length > 0)
            .map(({ id, removal }) => ({
              key: id,
              name: <PanelName onChoose={() => choose(id)}>{nameOf(id)}</PanelName>,
              cells: [span(removal.expectedMin), um(removal.expectedClearUm, 1)],
            }))}
        />
      </Part>
    </>
  );
}

/** Film goes on settling after it is handed over: what the owner sees of that, and until when. */
function FilmSettles({ layer, atMin }: LayerProps) {
  const job = useJob('at');
  const clearMin = hardFromMin(layer);
  const sealedMin = layer.milestones.waterSafe;
  if (clearMin !== null && clearMin <= atMin) return null;
  return (
    <p>
      {sealedMin !== undefined &&
        sealedMin !== null &&
        sealedMin > atMin &&
        `Edges sealed ${moment(job.at(sealedMin))}. `}
      Bubbles of water go by themselves{clearMin === null ? ', not in this air' : ` by ${day(job.at(clearMin))}`}; leave
      edges alone until then.
    </p>
  );
}
