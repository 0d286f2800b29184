import { MS_PER_MIN } from '#core/measures';
import type { Bay, JobSummary } from '#formats/job';
import { errorText, useBaysQuery, useJobsOfTheDayQuery } from '../../app/api';
import { m2 } from '../../ui/measures';
import { moment, span } from '../../ui/moments';
import { useNow } from '../../ui/useNow';
import { Reminders } from './Reminders';
import { CuringSoon } from './CuringSoon';
import { TakenAway } from './TakenAway';
import { ToOrder } from './ToOrder';
import { Plus, Upload } from 'lucide-react';
import { Suspense, useState } from 'react';
import { Link } from 'react-router';
import { later } from '../../ui/later';
import { PageTitle } from '../../ui/PageTitle';

// Reading files takes all the schemas along: loaded when one is to be read.
const InDanger = later(() => import('./InDanger'));
const ImportJob = later(() => import('./ImportJob'));

const PLACE_OF = {
  survey: 'survey',
  planned: 'time',
  running: 'run',
  curing: 'time',
  ready: 'care',
  'in-care': 'care',
} as const;

/** In care, and the item has been here again since: what was laid then is another visit's matter. */
const cameBack = ({ phase, itemId, startAt }: JobSummary, jobs: readonly JobSummary[]) =>
  phase === 'in-care' &&
  itemId !== undefined &&
  jobs.some((other) => other.itemId === itemId && Date.parse(other.startAt) > Date.parse(startAt));

/** What is in the bays now, what cures when, and what is to come. */
export function Component() {
  const { data: jobs, error } = useJobsOfTheDayQuery(undefined, { pollingInterval: 60_000 });
  const { data: bays } = useBaysQuery();
  const [importing, setImporting] = useState(false);
  const now = useNow(30_000);
  const inBay = ['running', 'curing'].flatMap((wanted) => (jobs ?? []).filter(({ phase }) => phase === wanted));
  const others = (jobs ?? [])
    .filter((job) => !inBay.includes(job) && !cameBack(job, jobs ?? []))
    .sort((a, b) => Date.parse(comesUp(a)) - Date.parse(comesUp(b)));
  return (
    <main className="mx-auto max-w-6xl px-6 py-6">
      <div className="flex items-end gap-4">
        <PageTitle>Today</PageTitle>
        <h1 className="figure flex-1 text-3xl">Today</h1>
        <button
          type="button"
          className="inline-flex min-h-10 items-center gap-2 border border-line-strong bg-sheet px-4 hover:bg-tint-1"
          onClick={() => setImporting(true)}
        >
          <Upload size={17} /> Import a job file
        </button>
        <Link
          to="/new"
          className="inline-flex min-h-10 items-center gap-2 bg-over px-4 font-semibold text-over-ink hover:brightness-110"
        >
          <Plus size={18} /> New job
        </Link>
      </div>
      {error && (
        <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText(error)}
        </p>
      )}
      <TakenAway />
      {jobs?.length === 0 && <Empty />}
      {inBay.length > 0 && (
        <section aria-labelledby="in-bays" className="mt-6">
          <h2 id="in-bays" className="label">
            In the bays
          </h2>
          <ul className="mt-2 divide-y border-y border-line-strong bg-sheet">
            {inBay.map((job) => (
              <InBay key={job.id} job={job} bays={bays} now={now} />
            ))}
          </ul>
        </section>
      )}
      {jobs && jobs.some(hasMoments) && <CuringSoon jobs={jobs} now={now} />}
      {jobs && jobs.length > 0 && (
        <Suspense>
          <InDanger />
        </Suspense>
      )}
      {jobs && <Reminders jobs={jobs} now={now} />}
      {jobs && jobs.length > 0 && <ToOrder />}
      {others.length > 0 && (
        <section aria-labelledby="others" className="mt-8">
          <h2 id="others" className="label">
            To come, and in care
          </h2>
          <ul className="mt-2 divide-y border-y bg-sheet">
            {others.map((job) => (
              <Other key={job.id} job={job} now={now} />
            ))}
          </ul>
        </section>
      )}
      {importing && (
        <Suspense>
          <ImportJob open onClose={() => setImporting(false)} />
        </Suspense>
      )}
    </main>
  );
}

const hasMoments = ({ phase, waterSafe, ready, firstWash, renew }: JobSummary) =>
  phase !== 'survey' && phase !== 'planned' && [waterSafe, ready, firstWash, renew].some((time) => time !== null);

function InBay({
  job,
  bays,
  now,
}: {
  readonly job: JobSummary;
  readonly bays: readonly Bay[] | undefined;
  readonly now: number;
}) {
  const { phase, patchesDone, patchesTotal, waterSafe, handover, ready } = job;
  const running = phase === 'running';
  const bay = bays?.find(({ id }) => id === job.bayId)?.name ?? 'No bay';
  const share = patchesTotal === 0 ? 0 : patchesDone / patchesTotal;
  const next = nextMoment(job, now);
  return (
    <li>
      <Link
        to={`/jobs/${job.id}/${PLACE_OF[phase]}`}
        className="grid grid-cols-[1fr_auto] items-center gap-x-8 gap-y-1 px-5 py-4 hover:bg-tint-1 md:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_auto]"
      >
        <span className="row-start-1 min-w-0">
          <span className="label block">
            {bay}
            {job.pending && ' · being worked out'}
          </span>
          <span className="figure block truncate text-xl">{job.title}</span>
          <span className="block truncate text-ink-2">{job.ownerName ?? 'Owner not said'}</span>
        </span>
        <span className="col-span-2 col-start-1 row-start-2 md:col-span-1 md:col-start-2 md:row-start-1">
          {running ? (
            <>
              <span className="block text-ink-2">
                {patchesDone} of {patchesTotal} patches laid and levelled
                {ready !== null && `, ready ${moment(ready, new Date(now))}`}
              </span>
              <span className="mt-2 block h-2 border border-line-strong bg-sheet">
                <span className="block h-full bg-tint-5" style={{ width: `${share * 100}%` }} />
              </span>
            </>
          ) : (
            <span className="text-ink-2">All {patchesTotal} patches laid; curing.</span>
          )}
        </span>
        <span className="row-start-1 text-right">
          {running ? (
            <span className="inline-flex min-h-11 items-center bg-over px-5 font-semibold text-over-ink">
              Go on at the bay
            </span>
          ) : next ? (
            <>
              <span className="label block">{next.name}</span>
              <span className="figure block text-2xl">{moment(next.at, new Date(now))}</span>
              <span className="block text-ink-2">in {span(minutesUntil(next.at, now))}</span>
            </>
          ) : (
            <span className="text-stop">
              {waterSafe === null || handover === null ? 'Never cures in this air' : 'Ready'}
            </span>
          )}
        </span>
      </Link>
    </li>
  );
}

const minutesUntil = (instant: string, now: number) => (Date.parse(instant) - now) / MS_PER_MIN;

function nextMoment({ waterSafe, ready }: JobSummary, now: number) {
  return [
    { name: 'May get wet', at: waterSafe },
    { name: 'Ready', at: ready },
  ].find((next): next is { name: string; at: string } => next.at !== null && minutesUntil(next.at, now) > 0);
}

/** The next moment a job asks for someone: its start, or its first renewal. */
const comesUp = ({ phase, startAt, renew }: JobSummary) =>
  phase === 'ready' || phase === 'in-care' ? (renew ?? startAt) : startAt;

const PHASE_WORDS = {
  survey: 'Surveyed',
  planned: 'Planned',
  running: 'Running',
  curing: 'Curing',
  ready: 'Ready',
  'in-care': 'In care',
} as const;

function Other({ job, now }: { readonly job: JobSummary; readonly now: number }) {
  const { phase, startAt, ready, renew, stops, areaM2 } = job;
  const line = job.pending
    ? 'Being worked out'
    : phase === 'survey'
      ? 'Nothing chosen for it yet'
      : phase === 'planned'
        ? `${moment(startAt)}, ready ${ready === null ? 'never' : moment(ready)}`
        : renew
          ? `${minutesUntil(renew, now) < 0 ? 'Wants renewing since' : 'First to renew'} ${moment(renew)}`
          : 'Nothing to renew';
  return (
    <li>
      <Link
        to={`/jobs/${job.id}/${PLACE_OF[phase]}`}
        className="grid grid-cols-[6.5rem_1fr_auto] items-baseline gap-4 px-5 py-3 hover:bg-tint-1"
      >
        <span className="text-ink-3">{PHASE_WORDS[phase]}</span>
        <span className="min-w-0">
          <span className="block truncate font-semibold">{job.title}</span>
          <span className="block truncate text-[14px] text-ink-2">
            {[job.ownerName, areaM2 > 0 && m2(areaM2)].filter(Boolean).join(' · ')}
          </span>
        </span>
        <span className="text-right">
          <span className="block">{line}</span>
          {stops > 0 && (
            <span className="block font-semibold text-stop">
              {stops} {stops === 1 ? 'thing stops' : 'things stop'} it
            </span>
          )}
        </span>
      </Link>
    </li>
  );
}

function Empty() {
  return (
    <section className="mt-8 grid gap-8 border border-line-strong bg-sheet p-8 md:grid-cols-2">
      <div>
        <h2 className="figure text-xl">Nothing in the bays yet</h2>
        <p className="mt-3 text-ink-2">
          A job begins with what the tape says: the surfaces of one item. From there the stations go the way the work
          goes, and each can be opened at any time.
        </p>
        <Link
          to="/new"
          className="mt-5 inline-flex min-h-11 items-center gap-2 bg-over px-5 font-semibold text-over-ink hover:brightness-110"
        >
          <Plus size={18} /> Start the first job
        </Link>
      </div>
      <ol className="space-y-2 text-ink-2">
        {[
          ['Survey', 'surfaces by template or tape; areas with their spread'],
          ['Layer', 'what goes on each, and whether it may'],
          ['Quantify', 'millilitres, packs to buy, what it costs'],
          ['Time', 'windows, sections and cure in the air of the day'],
          ['Run', 'one large thing to do at a time, at the bay'],
          ['Care & removal', 'what is on it now, and how it comes off'],
        ].map(([name, what]) => (
          <li key={name} className="flex gap-3">
            <strong className="w-32 shrink-0 text-ink">{name}</strong> {what}
          </li>
        ))}
      </ol>
    </section>
  );
}
