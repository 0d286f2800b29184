import { Download, Redo2, Share2, Undo2 } from 'lucide-react';
import { type ReactNode, Suspense, useEffect, useState } from 'react';
import { Link, Navigate, NavLink, Outlet, useLocation, useMatch, useParams } from 'react-router';
import { wantedBy } from '#formats/job';
import { addressOf } from '../app/address-of';
import { errorText } from '../app/api';
import { useDraft } from '../draft/useDraft';
import { Troubles } from '../outbox/Troubles';
import { Dialog } from '../ui/Dialog';
import { later } from '../ui/later';
import { m2 } from '../ui/measures';
import { moment } from '../ui/moments';
import { NotKept } from './NotKept';
import { Refused } from './Refused';
import { keepSearch, searchFor } from './kept-place';
import { STATION_NAMES } from './station-names';
import { STATIONS } from './stations';
import { JobContext, useJob, useOfJob, useOpenJob } from './job-context';
import { useLoadedJob } from './useJobView';
import { PageTitle } from '../ui/PageTitle';

const GuestLinks = later(() => import('./GuestLinks'));

/** A job: its title block, the line of stations, and the station one is in. */
export function Component() {
  const { jobId = '' } = useParams();
  return (
    <OpenedJob key={jobId} id={jobId}>
      <JobFrame />
    </OpenedJob>
  );
}

/** What is within it is there once the job is, and is rendered by what it reads of it. */
function OpenedJob({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const loaded = useLoadedJob(id);
  const job = useOpenJob(loaded.kind === 'view' ? loaded.view : undefined);
  if (loaded.kind === 'failed') return <JobFailed error={loaded.error} />;
  if (loaded.kind === 'loading' || !job) return <p className="p-10 text-ink-2">Opening the job …</p>;
  return <JobContext value={job}>{children}</JobContext>;
}

function JobFrame() {
  const { id } = useJob('id');
  const { pathname, search } = useLocation();
  const inBay = useMatch('/jobs/:jobId/run') !== null;
  if (pathname.endsWith(id)) return <Navigate to={`survey${search}`} replace />;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <JobTitle station={stationOf(pathname)} />
      <Refused id={id} />
      <NotKept id={id} />
      <Troubles />
      {!inBay && (
        <>
          <TitleBlock />
          <StationLine />
        </>
      )}
      <div className="min-h-0 flex-1">
        <Outlet />
      </div>
    </div>
  );
}

function JobTitle({ station }: { readonly station: string }) {
  const title = useOfJob(({ document }) => document.title);
  return <PageTitle>{`${station} · ${title}`}</PageTitle>;
}

/** The station an address stands for. */
const stationOf = (pathname: string): string =>
  STATION_NAMES.find(([path]) => path === pathname.split('/').at(-1))?.[1] ?? 'Job';

function JobFailed({ error }: { readonly error: unknown }) {
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="figure text-2xl">This job cannot be opened</h1>
      <p className="mt-3 text-ink-2">{errorText(error)}</p>
      <Link className="mt-5 inline-block text-over underline" to="/">
        Back to today
      </Link>
    </main>
  );
}

/** As in the corner of a drawing: whose, what, where, when. */
function TitleBlock() {
  const job = useJob('id', 'document', 'bay', 'plan', 'days', 'at');
  const { id, document, bay, plan, days } = job;
  const deadline = wantedBy(document);
  const area = plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0);
  const cells: readonly (readonly [string, string])[] = [
    ['Owner', document.item?.ownerName ?? 'not said'],
    ['Where', bay?.name ?? 'no bay, air typed in'],
    ['Work begins', moment(document.startAt)],
    [document.days?.promised ? 'Promised for' : 'Needed by', deadline ? moment(deadline) : 'no date'],
    ['Ready', days.readyMin === null ? 'no date' : moment(job.at(days.readyMin))],
    ['Area', m2(area)],
  ];
  return (
    <div className="flex shrink-0 border-b bg-sheet">
      <h1
        className="figure min-w-0 flex-1 truncate px-5 py-2.5 text-[19px] max-sm:whitespace-normal max-sm:text-[16px] max-sm:leading-tight"
        title={document.title}
      >
        {document.title}
      </h1>
      <dl className="hidden divide-x lg:flex">
        {cells.map(([name, value]) => (
          <div key={name} className="max-w-44 px-3 py-1.5 first:border-l">
            <dt className="label leading-tight">{name}</dt>
            <dd className="truncate text-[14px]" title={value}>
              {value}
            </dd>
          </div>
        ))}
      </dl>
      <SavedState id={id} />
    </div>
  );
}

const SAVE_WORDS = {
  saved: 'Saved',
  dirty: 'Saving …',
  saving: 'Saving …',
  unreachable: 'Server offline: stored here',
  refused: 'Not saved',
} as const;

function SavedState({ id }: { readonly id: string }) {
  const { current, undo, redo } = useDraft(id);
  const [sharing, setSharing] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      // A field being typed in has its own undo.
      if (event.target instanceof HTMLElement && event.target.closest('input, textarea')) return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [undo, redo]);
  if (!current) return null;
  const { kind } = current.state;
  const button =
    'flex size-9 items-center justify-center rounded text-ink-2 hover:bg-tint-2 hover:text-ink disabled:opacity-35';
  return (
    <div className="flex items-center gap-0.5 border-l px-2">
      <span
        role="status"
        className={`w-26 text-right text-[13px] ${kind === 'unreachable' || kind === 'refused' ? 'text-stop font-semibold' : 'text-ink-3'}`}
      >
        {kind !== 'saved' && current.isNotKept ? 'Not stored' : SAVE_WORDS[kind]}
      </span>
      <button type="button" className={button} aria-label="Undo" disabled={current.past.length === 0} onClick={undo}>
        <Undo2 size={18} />
      </button>
      <button type="button" className={button} aria-label="Redo" disabled={current.future.length === 0} onClick={redo}>
        <Redo2 size={18} />
      </button>
      <button type="button" className={button} aria-label="Show this job to its owner" onClick={() => setSharing(true)}>
        <Share2 size={18} />
      </button>
      <Dialog open={sharing} onClose={() => setSharing(false)} title="Show this job to its owner">
        <Suspense>
          <GuestLinks job={id} />
        </Suspense>
      </Dialog>
      <a
        className={button}
        href={addressOf('jobFile', { id })}
        download={`${id}.json`}
        aria-label="Export this job as a file"
      >
        <Download size={18} />
      </a>
    </div>
  );
}

const TONES = { done: 'text-ink-3', plain: 'text-ink-3', lacks: 'text-warn', stop: 'text-stop' } as const;

function StationLine() {
  const { id } = useJob('id');
  const { search, pathname } = useLocation();
  const here = pathname.split('/').at(-1) ?? '';
  useEffect(() => keepSearch(id, here, search), [id, here, search]);
  return (
    <nav aria-label="Stations of the job" className="shrink-0 border-b bg-sheet">
      <ol className="flex max-sm:grid max-sm:grid-cols-4">
        {STATIONS.map((station) => (
          <li key={station.path} className="min-w-0 flex-1 border-l first:border-l-0">
            <NavLink
              to={{ pathname: station.path, search: searchFor(id, station.path, search) }}
              className={({ isActive }) =>
                `block h-full border-t-3 px-4 py-1.5 max-sm:px-2 max-sm:py-2 ${isActive ? 'border-over bg-over-soft' : 'border-transparent hover:bg-tint-1'}`
              }
            >
              <span className="block truncate text-[15px] font-semibold max-sm:whitespace-normal max-sm:text-[13.5px] max-sm:leading-tight">
                {station.name}
              </span>
              <StationState station={station} />
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}

function StationState({ station }: { readonly station: (typeof STATIONS)[number] }) {
  const { text, tone } = useOfJob(station.state);
  return <span className={`block truncate text-[12.5px] max-sm:sr-only ${TONES[tone]}`}>{text}</span>;
}
