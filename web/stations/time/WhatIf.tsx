import { useCallback, useMemo, useState } from 'react';
import { airAt } from '#core/time/air';
import { rateInWords } from '#core/time/clocks';
import { type BenchCase, MAP_C, MAP_RH, whatIf, workingRegion } from '#core/lay/what-if';
import { inOnePiece, paceWith } from '#core/plan/job';
import { slowness } from '#core/plan/sections';
import { PanelHead, Part, Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { Button } from '../../ui/Button';
import { SelectField } from '../../ui/SelectField';
import { celsius, m2 } from '../../ui/measures';
import { span } from '../../ui/moments';
import { fixed, percent } from '../../ui/numbers';
import { WindowDrawing } from '../../window/WindowDrawing';
import { windowTimes } from '../../window/window-times';
import { GO_SIGNS, reasonInWords } from './go-words';
import { RegionMap } from './RegionMap';
import { TimeSwitch } from './TimeSwitch';

/** What is turned on the bench. */
interface Bench {
  readonly airC: number;
  readonly rhPct: number;
  readonly airSpeed: number;
  /** Panel against air, K. */
  readonly panelK: number;
  /** Pace against the person's own. */
  readonly pace: number;
}

const LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Nothing to lay' },
  { fill: 'ok', text: '✓ Works' },
  { fill: 'warn', text: '! Mind' },
  { fill: 'stop', text: '✕ Does not work' },
];
const FILLS = { good: 'ok', marginal: 'warn', not: 'stop' } as const;

/** Air, panel and hands turned by hand: what becomes of windows, sections, minutes and risk, on every panel at once. */
export function WhatIf() {
  const job = useJob('begun', 'chosen', 'nowMin', 'plan', 'planned');
  const { planned, plan } = job;
  const now = airAt(planned.ambient, job.begun ? job.nowMin : 0);
  const asPlanned: Bench = { airC: now.airC, rhPct: now.rhPct, airSpeed: now.airSpeed, panelK: 0, pace: 1 };
  const [turned, setTurned] = useState<Partial<Bench>>({});
  const bench: Bench = { ...asPlanned, ...turned };
  const cases = useMemo(() => {
    const products = new Map(planned.products.map((product) => [product.id, product]));
    const surfaces = new Map(planned.surfaces.map((surface) => [surface.id, surface]));
    return new Map(
      plan.surfaces.map(({ id, coats, oneM2 }) => {
        const surface = surfaces.get(id)!;
        return [
          id,
          coats.flatMap((coat): BenchCase[] => {
            if (!coat.laid) return [];
            const product = products.get(coat.product)!;
            return [
              {
                product,
                substrate: coat.substrate,
                matteSchool: planned.matteSchool,
                guardSigma: planned.crew.guardSigma,
                areaM2: oneM2,
                onePiece: inOnePiece({ ...surface, substrate: coat.substrate }),
                pace: paceWith(planned.crew, product, coat.method, slowness(surface, oneM2, product)),
              },
            ];
          }),
        ] as const;
      }),
    );
  }, [planned, plan]);
  const { airC, rhPct, airSpeed, panelK, pace } = bench;
  const answer = useCallback(
    (asked: BenchCase) => {
      const { layM2PerMin, levelM2PerMin } = asked.pace;
      const atPace = { ...asked, pace: { layM2PerMin: layM2PerMin * pace, levelM2PerMin: levelM2PerMin * pace } };
      return whatIf(atPace, { airC, rhPct, airSpeed }, airC + panelK);
    },
    [airC, rhPct, airSpeed, panelK, pace],
  );
  const lens = useMemo(
    () =>
      (id: string): PanelPaint => {
        const [first] = cases.get(id) ?? [];
        if (!first) return { fill: 'blank' };
        const { works, sections } = answer(first);
        if (works === 'not') return { fill: 'stop', sign: 'no' };
        return { fill: FILLS[works], caption: sections === 1 ? 'one go' : `${sections} sections` };
      },
    [cases, answer],
  );
  const own = job.chosen ? (cases.get(job.chosen.id) ?? []) : [];
  return (
    <Station
      lens={lens}
      legend={LEGEND}
      lensName="as it would be in other air"
      headline={<TimeSwitch />}
      below={
        <Turns
          bench={bench}
          isTurned={Object.keys(turned).length > 0}
          onTurn={(changes) => setTurned({ ...turned, ...changes })}
          onBack={() => setTurned({})}
        />
      }
    >
      {job.chosen ? (
        <>
          <PanelHead>
            <p className="text-ink-2">
              Air {celsius(airC)}, {fixed(rhPct, 0)} %, panel {celsius(airC + panelK)}
            </p>
          </PanelHead>
          {own.length === 0 && <p className="p-5 text-ink-2">Nothing is to be laid here.</p>}
          {own.length > 0 && <OnBench key={job.chosen.id} cases={own} bench={bench} answer={answer} />}
        </>
      ) : (
        <p className="p-5 text-ink-2">
          Choose a panel: its window, its sections and the air in which its product works are drawn here. Turn the air,
          the panel and the pace below.
        </p>
      )}
    </Station>
  );
}

function OnBench({
  cases,
  bench,
  answer,
}: {
  readonly cases: readonly BenchCase[];
  readonly bench: Bench;
  readonly answer: (asked: BenchCase) => ReturnType<typeof whatIf>;
}) {
  const [nth, setNth] = useState(0);
  const asked = cases[Math.min(nth, cases.length - 1)]!;
  const found = answer(asked);
  const { product } = asked;
  const air = { airC: bench.airC, rhPct: bench.rhPct, airSpeed: bench.airSpeed };
  const times = windowTimes(found.window);
  const region = useMemo(
    () => workingRegion(asked, bench.airSpeed, bench.panelK),
    [asked, bench.airSpeed, bench.panelK],
  );
  const most = (value: number | null) => (value === null ? 'no limit' : m2(value));
  const rows = [
    ['Largest section, one person', most(found.largestM2[0]!)],
    ['two people', most(found.largestM2[1]!)],
    ['three people', most(found.largestM2[2]!)],
    [
      'This panel',
      found.sections === 1 ? 'one go' : `${found.sections} sections of ${m2(asked.areaM2 / found.sections)}`,
    ],
    ['One section after the other', span(found.panelMin)],
    ['Chance that a section closes first', percent(found.risk)],
  ] as const;
  return (
    <>
      <Part title={product.name}>
        {cases.length > 1 && (
          <div className="mb-3">
            <SelectField
              label="Coat"
              value={String(nth)}
              options={cases.map((each, index): [string, string] => [
                String(index),
                `${index + 1}: ${each.product.name}`,
              ])}
              onChange={(value) => setNth(Number(value))}
            />
          </div>
        )}
        {product.clocks.flash && (
          <p className="text-[14px]">
            <span className="text-ink-2">Flash</span>{' '}
            <strong>{rateInWords(product.clocks.flash, air, bench.airC + bench.panelK)}</strong>
          </p>
        )}
        {times ? (
          <div className="mt-2">
            <WindowDrawing times={times} heightPx={86} />
          </div>
        ) : (
          <p className="mt-2 text-stop">It never opens in this air.</p>
        )}
        <ul className="mt-2 text-[14px]">
          {found.reasons.map((reason) => (
            <li key={reason.cause} className={reason.verdict === 'not' ? 'text-stop' : 'text-warn'}>
              {GO_SIGNS[reason.verdict]} {reasonInWords(reason)}
            </li>
          ))}
        </ul>
        <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 gap-y-1 text-[14px]">
          {rows.map(([name, value]) => (
            <div key={name} className="contents">
              <dt className="text-ink-2">{name}</dt>
              <dd className="text-right font-semibold tabular-nums">{value}</dd>
            </div>
          ))}
        </dl>
      </Part>
      <Part title="The air it works in on this panel">
        <RegionMap region={region} airC={bench.airC} rhPct={bench.rhPct} columns={MAP_C} rows={MAP_RH} />
      </Part>
    </>
  );
}

const TURNS: readonly {
  readonly key: keyof Bench;
  readonly label: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly say: (value: number) => string;
}[] = [
  { key: 'airC', label: 'Air', min: 0, max: 40, step: 0.5, say: (value) => celsius(value) },
  { key: 'rhPct', label: 'Humidity', min: 5, max: 95, step: 1, say: (value) => `${fixed(value, 0)} %` },
  { key: 'airSpeed', label: 'Draught', min: 0, max: 3, step: 0.1, say: (value) => `${fixed(value, 1)} m/s` },
  {
    key: 'panelK',
    label: 'Panel against air',
    min: -15,
    max: 25,
    step: 0.5,
    say: (value) => `${value > 0 ? '+' : value < 0 ? '−' : ''}${fixed(Math.abs(value), 1)} K`,
  },
  { key: 'pace', label: 'Pace', min: 0.4, max: 2, step: 0.05, say: (value) => `× ${fixed(value, 2)}` },
];

function Turns({
  bench,
  isTurned,
  onTurn,
  onBack,
}: {
  readonly bench: Bench;
  readonly isTurned: boolean;
  readonly onTurn: (changes: Partial<Bench>) => void;
  readonly onBack: () => void;
}) {
  return (
    <section
      aria-label="The bench"
      className="grid shrink-0 grid-cols-2 gap-x-6 gap-y-2 border-t px-4 py-3 xl:grid-cols-3"
    >
      {TURNS.map(({ key, label, min, max, step, say }) => (
        <div key={key}>
          <label htmlFor={`turn-${key}`} className="flex justify-between text-[14px]">
            <span className="text-ink-2">{label}</span>
            <strong className="figure">{say(bench[key])}</strong>
          </label>
          <input
            id={`turn-${key}`}
            type="range"
            min={min}
            max={max}
            step={step}
            value={bench[key]}
            aria-label={label}
            aria-valuetext={say(bench[key])}
            onChange={({ target }) => onTurn({ [key]: Number(target.value) })}
            className="h-8 w-full accent-over"
          />
        </div>
      ))}
      <div className="self-end">
        <Button disabled={!isTurned} onClick={onBack}>
          As it is planned
        </Button>
      </div>
    </section>
  );
}
