import { Suspense, useState } from 'react';
import { useSearchParams } from 'react-router';
import { NINE_IN_TEN_SIGMAS } from '#core/measures';
import { type BayHistory, readLoggerCsv, READINGS_AT_ONCE } from '#formats/bay';
import type { Bay } from '#formats/job';
import { errorText, useBayAirQuery, useBaysQuery, useTakeAirMutation } from '../../app/api';
import { useSaveBay } from '../../app/calls';
import { Part } from '../../job/Station';
import { Button } from '../../ui/Button';
import { FileIn } from '../../ui/FileIn';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { celsius } from '../../ui/measures';
import { moment, nowInstant, span } from '../../ui/moments';
import { fixed } from '../../ui/numbers';
import { WeekForm } from '../../hours/WeekForm';
import { BayRoom } from './BayRoom';
import { later } from '../../ui/later';
import { PageTitle } from '../../ui/PageTitle';

const AirChart = later(() => import('./AirChart'));

/** As many stretches as a screen has room for. */
const POINTS = 500;
const SPANS = [
  ['2', '2 days'],
  ['14', '2 weeks'],
  ['90', '3 months'],
  ['365', 'A year'],
] as const;
type Days = (typeof SPANS)[number][0];

/** The bays: the air they have had, what their instruments say, and how each runs by its own history. */
export function Component() {
  const { data: bays = [], error } = useBaysQuery();
  const [params, setParams] = useSearchParams();
  const [days, setDays] = useState<Days>('14');
  const bay = bays.find(({ id }) => id === params.get('bay')) ?? bays[0];
  return (
    <main className="grid h-full min-h-0 grid-cols-1 grid-rows-[minmax(20rem,1fr)_minmax(0,1fr)] lg:grid-cols-[1fr_27rem] lg:grid-rows-1">
      <div className="flex min-h-0 min-w-0 flex-col bg-sheet">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b px-4 py-2">
          <PageTitle>Bays</PageTitle>
          <h1 className="text-xl font-semibold">Bays</h1>
          {bay && (
            <Segmented
              label="Bay"
              value={bay.id}
              options={bays.map(({ id, name }): [string, string] => [id, name])}
              onChange={(id) => id !== undefined && setParams({ bay: id }, { replace: true })}
            />
          )}
          <Segmented label="Shown" value={days} options={SPANS} onChange={(value) => value && setDays(value)} />
        </div>
        {error !== undefined && (
          <p role="alert" className="m-4 border-l-4 border-stop bg-stop-soft px-4 py-3">
            {errorText(error)}
          </p>
        )}
        {bay ? (
          <Air key={bay.id} bay={bay} days={Number(days)} />
        ) : (
          <p className="p-6 text-ink-2">No bay is known yet.</p>
        )}
      </div>
      <aside aria-label="The bay" className="min-h-0 overflow-auto border-l border-line-strong bg-paper">
        {bay && <BaySide key={bay.id} bay={bay} days={Number(days)} />}
      </aside>
    </main>
  );
}

interface Props {
  readonly bay: Bay;
  readonly days: number;
}

const useAir = ({ bay, days }: Props) => useBayAirQuery({ id: bay.id, days, points: POINTS });

function Air({ bay, days }: Props) {
  const { data, error } = useAir({ bay, days });
  if (error)
    return (
      <p role="alert" className="m-4 border-l-4 border-stop bg-stop-soft px-4 py-3">
        {errorText(error)}
      </p>
    );
  if (!data) return <p className="p-6 text-ink-3">Reading …</p>;
  return (
    <>
      <div className="min-h-0 flex-1">
        <Suspense fallback={<p className="p-6 text-ink-3">Drawing …</p>}>
          <AirChart bay={bay} history={data} />
        </Suspense>
      </div>
      <p className="border-t px-4 py-2 text-[13px] text-ink-2">
        {data.count} readings{data.simulated && ', some of a simulated instrument'}
        {data.doubtful > 0 && `; ${data.doubtful} of them not believed: out of any bay’s range, or a jump no air makes`}
        . The band is from the lowest to the highest of each stretch; ahead it is what nine readings in ten are expected
        within.
      </p>
    </>
  );
}

function BaySide({ bay, days }: Props) {
  const { data } = useAir({ bay, days });
  const last = data?.last;
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="label">Air in {bay.name}</h2>
        {last ? (
          <>
            <p className="figure text-4xl">
              {celsius(last.airC)} <span className="text-2xl">{fixed(last.rhPct, 0)} %</span>
            </p>
            <p className={last.isStale ? 'text-stop' : 'text-ink-2'}>
              {last.isStale && '✕ Old: '}
              {SOURCES[last.source]}, {last.ageMin < 1 ? 'just now' : `${span(last.ageMin)} ago`}
              {last.isStale &&
                `. By now the air may be ${fixed(NINE_IN_TEN_SIGMAS * last.spreadK, 1)} K off it either way.`}
            </p>
          </>
        ) : (
          <p className="text-ink-2">Nothing has been read here yet.</p>
        )}
      </section>
      <ByHand bay={bay} />
      {data && <Fit bay={bay} history={data} />}
      <Part title="Hours">
        <WeekForm bay={bay} />
      </Part>
      <BayRoom bay={bay} />
      <LoggerFile bay={bay} />
    </>
  );
}

const SOURCES = { instrument: 'By its instrument', hand: 'By hand', logger: 'By a logger' } as const;

/** A reading of one's own, where there is no instrument or it is not believed. */
function ByHand({ bay }: { readonly bay: Bay }) {
  const [airC, setAirC] = useState<number>();
  const [rhPct, setRhPct] = useState<number>();
  const [take, { error }] = useTakeAirMutation();
  return (
    <Part title="Read by hand">
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-3">
        <NumberField
          optional
          label="Air"
          unit="°C"
          value={airC}
          check={(value) => (value >= -40 && value <= 60 ? undefined : '−40 to 60 °C')}
          onChange={setAirC}
        />
        <NumberField
          optional
          label="Humidity"
          unit="%"
          value={rhPct}
          check={(value) => (value >= 1 && value <= 100 ? undefined : '1 to 100 %')}
          onChange={setRhPct}
        />
        <Button
          disabled={airC === undefined || rhPct === undefined}
          onClick={() => {
            if (airC === undefined || rhPct === undefined) return;
            void take({ id: bay.id, body: { source: 'hand', readings: [{ at: nowInstant(), airC, rhPct }] } })
              .unwrap()
              .then(() => {
                setAirC(undefined);
                setRhPct(undefined);
              })
              .catch(() => undefined);
          }}
        >
          Note it
        </Button>
      </div>
      {error && (
        <p role="alert" className="mt-1 text-stop">
          {errorText(error)}
        </p>
      )}
    </Part>
  );
}

/** How the bay runs by its own history, beside how it was typed in. */
function Fit({ bay, history: { fit } }: { readonly bay: Bay; readonly history: BayHistory }) {
  const [save, { error, isLoading }] = useSaveBay();
  const { climate } = bay;
  if (!fit)
    return (
      <Part title="How it runs">
        <p className="text-ink-2">
          At least a day of readings, heated and not, is needed to say how it runs. Until then what was typed in holds.
        </p>
      </Part>
    );
  const rows = [
    ['Heated to', celsius(climate.openC), celsius(fit.openC)],
    ['Falls at night to', celsius(climate.nightC), celsius(fit.nightC)],
    ['Time constant', span(climate.tauMin), span(fit.tauMin)],
    ['Humidity while open', `${fixed(climate.openRhPct, 0)} %`, `${fixed(fit.openRhPct, 0)} %`],
  ] as const;
  const tenth = (value: number) => Math.round(value * 10) / 10;
  const next = {
    ...climate,
    openC: tenth(fit.openC),
    nightC: tenth(fit.nightC),
    tauMin: Math.round(fit.tauMin),
    openRhPct: Math.round(fit.openRhPct),
  };
  const isTaken =
    next.openC === climate.openC &&
    next.nightC === climate.nightC &&
    next.tauMin === climate.tauMin &&
    next.openRhPct === climate.openRhPct;
  return (
    <Part title="How it runs">
      <table className="w-full text-[14px]">
        <thead>
          <tr className="label text-left">
            <th />
            <th className="text-right font-normal">Plans use</th>
            <th className="text-right font-normal">By its history</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, typed, fitted]) => (
            <tr key={name} className="border-t">
              <th className="py-1.5 text-left font-normal text-ink-2">{name}</th>
              <td className="text-right tabular-nums">{typed}</td>
              <td className="text-right font-semibold tabular-nums">{fitted}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-[13px] text-ink-2">
        Its history of {span(fit.hours * 60)} is met within ±{fixed(NINE_IN_TEN_SIGMAS * fit.rmsK, 1)} K, nine readings
        in ten. The rest is the weather and the door.
      </p>
      <div className="mt-2">
        <Button disabled={isTaken || isLoading} onClick={() => void save({ ...bay, climate: next })}>
          {isTaken ? 'Plans use it' : 'Let plans use it'}
        </Button>
      </div>
      {error && (
        <p role="alert" className="mt-1 text-stop">
          {errorText(error)}
        </p>
      )}
    </Part>
  );
}

/** What a logger has written. */
function LoggerFile({ bay }: { readonly bay: Bay }) {
  const [take, { error }] = useTakeAirMutation();
  return (
    <Part title="From a logger">
      <FileIn
        label={`A logger’s file for ${bay.name}`}
        accept=".csv,.txt,text/csv"
        error={error}
        take={async (file) => {
          const readings = readLoggerCsv(await file.text());
          let added = 0;
          for (let from = 0; from < readings.length; from += READINGS_AT_ONCE) {
            const part = readings.slice(from, from + READINGS_AT_ONCE);
            const answer = await take({ id: bay.id, body: { source: 'logger', readings: part } });
            if (answer.data === undefined) return undefined;
            added += answer.data.added;
          }
          const [first, final] = [readings[0]!.at, readings.at(-1)!.at];
          return `${added} of ${readings.length} are new, ${moment(first)} to ${moment(final)}.`;
        }}
      />
      <p className="mt-2 text-[13px] text-ink-2">
        A table with a line of names: date and time, temperature in °C, humidity in %.
      </p>
    </Part>
  );
}
