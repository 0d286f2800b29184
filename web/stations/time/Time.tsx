import { aheadOf } from '#core/plan/job';
import { layingHours } from '#core/schedule/hours';
import { DATED_WORDS, readyIf } from '#job/days';
import { useYardForecastQuery } from '../../app/api';
import { Part, Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { Findings } from '../../ui/Findings';
import { Working } from '../../ui/Working';
import { hours } from '../../ui/hours';
import { moment, span } from '../../ui/moments';
import { ReadyDate } from '../../hours/ReadyDate';
import { AirForm } from './AirForm';
import { CrewForm } from './CrewForm';
import { DaysView } from './DaysView';
import { GoOrWait } from './GoOrWait';
import { PanelTimes } from './PanelTimes';
import { MustHold, UnderLamp } from './MustHold';
import { RoomAir } from './RoomAir';
import { SheetView } from './SheetView';
import { useRehearsal } from './useRehearsal';
import { type CuringDatesView, useCuringDates } from './useCuringDates';
import { TimeSwitch, useTimeView } from './TimeSwitch';
import { WhatIf } from './WhatIf';
import { Suspense, useMemo } from 'react';
import { later } from '../../ui/later';

const CureChart = later(() => import('./CureChart'));

const LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Nothing laid' },
  { fill: 'tint-1', text: '1 section' },
  { fill: 'tint-2', text: '2–3' },
  { fill: 'tint-3', text: '4–6' },
  { fill: 'tint-4', text: 'more' },
  { fill: 'warn', text: 'Mind' },
  { fill: 'stop', text: '✕ Will not work' },
];

const NOT_OF_TIME = [
  'not-allowed',
  'bond',
  'test-spot',
  'thin-paint',
  'refinished',
  'filler',
  'not-readable',
  'vapour',
  // The headline says so, of the date that is promised.
  'misses-deadline',
];

/** When: windows, sections and cure in the air of the day, and whether the promise holds. */
export function Component() {
  const view = useTimeView();
  if (view === 'go') return <GoOrWait />;
  if (view === 'sheet') return <SheetView />;
  if (view === 'days') return <DaysView />;
  if (view === 'bench') return <WhatIf />;
  return <ReadyAndCure />;
}

function ReadyAndCure() {
  const job = useJob('chosen', 'plan');
  const lens = useMemo(() => timeLens(job), [job]);
  return (
    <Station
      lens={lens}
      legend={LEGEND}
      lensName="by sections of the first coat"
      headline={
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <TimeSwitch />
          <Headline />
        </div>
      }
      below={<Cure />}
    >
      {job.chosen ? (
        <>
          <PanelTimes key={job.chosen.id} surface={job.chosen} />
          <UnderLamp />
        </>
      ) : (
        <Whole />
      )}
    </Station>
  );
}

function timeLens({ plan }: Pick<JobView, 'plan'>) {
  const findings = plan.findings.filter(({ code }) => !NOT_OF_TIME.includes(code));
  const worst = (id: string) =>
    ['stop', 'warn'].find((severity) => findings.some((f) => f.surface === id && f.severity === severity));
  const paints = new Map(
    plan.surfaces.map(({ id, coats }): [string, PanelPaint] => {
      const laid = coats.find((coat) => coat.laid)?.laid;
      const grave = worst(id);
      if (grave === 'stop') return [id, { fill: 'stop', sign: 'no' }];
      if (!laid) return [id, { fill: 'blank' }];
      const count = laid.sectionsPerCopy;
      const fill = count === 1 ? 'tint-1' : count <= 3 ? 'tint-2' : count <= 6 ? 'tint-3' : 'tint-4';
      const caption = count === 1 ? 'one go' : `${count} sections`;
      return [id, { fill: grave === 'warn' ? 'warn' : fill, caption }];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}

/** The one line that matters. */
function Headline() {
  const { plan } = useJob('plan');
  if (plan.purchases.length === 0)
    return <p className="text-ink-2">Nothing is to be laid yet: choose products under Layer.</p>;
  return <ReadyDate />;
}

function Cure() {
  const job = useJob('plan');

  if (job.plan.purchases.length === 0) return null;
  return (
    <section aria-label="Cure against the air of the bay" className="h-64 shrink-0 border-t">
      <Suspense fallback={<p className="p-4 text-ink-3">Drawing …</p>}>
        <CureChart />
      </Suspense>
    </section>
  );
}

function Whole() {
  const { plan, nameOf, choose } = useJob('choose', 'nameOf', 'plan');
  const findings = plan.findings.filter(({ code }) => !NOT_OF_TIME.includes(code));
  return (
    <>
      {plan.purchases.length > 0 && <Ready />}
      {findings.length > 0 && (
        <Part title="What this air does">
          <Findings findings={findings} nameOf={nameOf} onChoose={choose} />
        </Part>
      )}
      <MustHold />
      <UnderLamp />
      <RoomAir />
      <AirForm />
      <CrewForm />
    </>
  );
}

function Ready() {
  const job = useJob(
    'at',
    'bay',
    'begun',
    'document',
    'layFromMin',
    'days',
    'outdoors',
    'plan',
    'planned',
    'prepared',
    'record',
    'sheet',
  );
  const { plan, document, days } = job;
  const laid = plan.surfaces.flatMap(({ coats }) => coats.flatMap((coat) => (coat.laid ? [coat] : [])));
  const curing = useCuringDates(job);
  const { found } = useRehearsal(job, [aheadOf(document.crew)]);
  const rehearsed = found?.schools[0]?.rehearsed;
  const promisedMin =
    rehearsed?.ready &&
    readyIf(document, days, { endMin: rehearsed.end.nineTenths, curedMin: rehearsed.ready.nineTenths });
  const ends = laid.map(({ laid: coat }) => coat!.endMin);
  const work = layingHours(job.sheet.out);
  const rows = [
    ...(job.begun || job.layFromMin <= 0 ? [] : [['Prepared and set up, laying begins', job.layFromMin] as const]),
    ['Laying ends', Math.max(...ends)],
    ['May get wet', plan.waterSafeMin],
    ['Cured for hand-over', plan.handoverMin],
    ...(plan.minimumHandoverMin === undefined
      ? []
      : [['The makers’ minimum for hand-over', plan.minimumHandoverMin] as const]),
    ['Ready, checked and somebody there', days.readyMin],
    ['First wash', curing.expected.firstWashMin, curing.expected.firstWash],
    ['Fully hard', curing.expected.hardMin, curing.expected.hard],
  ] as const;
  return (
    <section className="border-b bg-sheet px-5 py-3">
      <dl>
        {rows.map(([name, min, source]) => (
          <div key={name} className="flex items-baseline justify-between border-b py-1.5 last:border-b-0">
            <dt className="text-ink-2">
              {name}
              {source && (
                <span className="block text-[12.5px] text-ink-3">
                  {source.product}: {DATED_WORDS[source.by]}
                </span>
              )}
            </dt>
            <dd className="figure whitespace-nowrap pl-3 text-[17px]">
              {min === null ? <span className="text-stop">never in this air</span> : moment(job.at(min))}
            </dd>
          </div>
        ))}
        {plan.handoverMin !== null && (
          <div className="flex items-baseline justify-between border-b py-1.5 last:border-b-0">
            <dt className="text-ink-2">Ready, 90 % sure by</dt>
            <dd className="figure text-[17px]">
              {found === undefined
                ? '…'
                : typeof promisedMin === 'number'
                  ? moment(job.at(promisedMin))
                  : 'not in this air'}
            </dd>
          </div>
        )}
        {work.personMin > 0 && (
          <div className="flex items-baseline justify-between border-b py-1.5 last:border-b-0">
            <dt className="text-ink-2">{job.begun ? 'Laying still to come' : 'Work of laying'}</dt>
            <dd className="figure text-[17px]">
              <Working
                name="Work of laying"
                rows={[
                  ['Laying and levelling', span(work.busyMin)],
                  ['Set-up, towels, packing up', span(work.addedMin)],
                  ['By the clock', span(work.elapsedMin)],
                  ['Nobody lays or levels for', span(work.waitingMin)],
                ]}
                rule="Busy minutes at the pace of the crew, working ahead while sections open; set-up once a job and once a product, a towel each section, packing up."
              >
                {hours(work.personMin)}
              </Working>
            </dd>
          </div>
        )}
      </dl>
      <Outside curing={curing} />
    </section>
  );
}

/** From here on it is worth saying that the weather moves a day, minutes. */
const TOLD_FROM_MIN = 6 * 60;

/** What standing outside makes of the first wash and of the cure. */
function Outside({ curing }: { readonly curing: CuringDatesView }) {
  const job = useJob('at', 'outdoors');
  const { expected, inBay, cold } = curing;
  const { data: weather } = useYardForecastQuery();
  if (job.outdoors === undefined) return null;
  const moved = (['firstWashMin', 'hardMin'] as const).filter(
    (name) => expected[name] === null || Math.abs(expected[name] - (inBay[name] ?? Infinity)) >= TOLD_FROM_MIN,
  );
  if (moved.length === 0) return null;
  const names = { firstWashMin: 'first wash', hardMin: 'fully hard' };
  const day = (min: number | null) => (min === null ? 'never' : moment(job.at(min)));
  return (
    <p className="mt-2 border-l-4 border-warn bg-warn-soft px-3 py-2 text-[14px]">
      Outside from {moment(job.at(job.outdoors.fromMin))} it cures in the {weather?.simulated && 'simulated '}weather of
      the yard:{' '}
      {moved
        .map((name) => `${names[name]} in the bay ${day(inBay[name])}, at its coldest ${day(cold[name])}`)
        .join('; ')}
      .{moved.some((name) => expected[name] === null) && ' Keep it under a roof, or set a lamp before it goes.'}
    </p>
  );
}
