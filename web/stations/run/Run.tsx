import { MS_PER_MIN } from '#core/measures';
import { ArrowLeft, Eye, Flag, Thermometer, Undo2, Volume2, VolumeX } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { arrange } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { airAt, withReadings } from '#core/time/air';
import { flashLessons, patchKey, patchWindow, type RunEntry, type SheetPatch } from '#core/work/run';
import { startAt } from '#job/edit';
import { ThemeMenu } from '../../app/Shell';
import { useLazyReadingQuery } from '../../app/api';
import { useAppDispatch, useAppSelector } from '../../app/store';
import { type JobView, useJob } from '../../job/useJobView';
import { Net } from '../../net/Net';
import { refusalRead } from '../../outbox/slice';
import { Button } from '../../ui/Button';
import { clock, countdown, moment, nowInstant, span } from '../../ui/moments';
import { celsius, m2 } from '../../ui/measures';
import { useNow } from '../../ui/useNow';
import { WindowGate } from '../../window/WindowGate';
import { gateTimes } from '../../window/gate-times';
import { amountInHand } from '../quantify/words';
import { FaultDialog } from './FaultDialog';
import { entryFor, instructionFor, signalsDue, windowState } from './instruction';
import { RUN_LEGEND, runLens } from './run-lens';
import { useSignals, useSound, useWakeLock } from './signals';
import { Strays } from './Strays';
import { useTap } from './useTap';

/** A start planned further away than this is asked about before the first patch is laid, minutes. */
const START_SLACK_MIN = 10;

/** The bay: one large thing to do at a time, read from two metres and touched with a glove. */
export function Component() {
  const job = useJob();
  const { sheet, document, begun, nowMin } = job;
  useWakeLock();
  const { current } = sheet;
  const arrangement = useMemo(() => arrange(document), [document]);
  const lens = useMemo(() => runLens(sheet, arrangement), [sheet, arrangement]);
  return (
    <main className="flex h-full flex-col">
      <BayBar job={job} />
      <Troubles />
      <Strays job={job} />
      {current ? (
        <div className="grid min-h-0 flex-1 grid-rows-[minmax(0,0.7fr)_minmax(0,1fr)] lg:grid-cols-[minmax(0,0.82fr)_minmax(0,1fr)] lg:grid-rows-1">
          <section aria-label="Map" className="min-h-0 border-b bg-sheet lg:border-b-0 lg:border-r">
            <Net
              arrangement={arrangement}
              lens={lens}
              legend={RUN_LEGEND}
              label="The item unfolded, by state of its patches"
              chosen={job.chosen?.id ?? current.patch.surface}
              onChoose={job.choose}
            />
          </section>
          {begun || Math.abs(nowMin) <= START_SLACK_MIN ? (
            <InHand key={patchKey(current.patch)} job={job} current={current} />
          ) : (
            <StartNow job={job} />
          )}
        </div>
      ) : (
        <AllDone job={job} />
      )}
    </main>
  );
}

function BayBar({ job }: { readonly job: JobView }) {
  const { search } = useLocation();
  const [aloud, setAloud] = useSound();
  const { sheet, plan, document, at } = job;
  const done = sheet.patches.filter(({ state }) => state === 'done').length;
  return (
    <header className="flex h-16 shrink-0 items-center gap-3 border-b bg-sheet pr-2">
      <Link
        to={{ pathname: `/jobs/${job.id}/time`, search }}
        className="flex h-16 items-center gap-2 px-5 text-ink-2 hover:bg-tint-1"
        aria-label="Back to the desk"
      >
        <ArrowLeft size={24} /> <span className="hidden sm:inline">Desk</span>
      </Link>
      <h1 className="figure min-w-0 flex-1 truncate text-lg">{document.title}</h1>
      <p className="hidden text-right leading-tight md:block">
        <span className="block">
          {done} of {sheet.patches.length} patches
        </span>
        {plan.handoverMin !== null && (
          <span className={`block text-sm ${plan.meetsNeed === false ? 'font-semibold text-stop' : 'text-ink-2'}`}>
            ready {moment(at(plan.handoverMin))}
            {plan.meetsNeed === false && ', too late'}
          </span>
        )}
      </p>
      <button
        type="button"
        className="flex size-16 items-center justify-center text-ink-2 hover:bg-tint-1"
        aria-pressed={aloud}
        aria-label="Sound"
        onClick={() => setAloud(!aloud)}
      >
        {aloud ? <Volume2 size={26} /> : <VolumeX size={26} />}
      </button>
      <ThemeMenu glove />
    </header>
  );
}

/** Said until it is over: taps that have not reached the log, and taps the log refused. */
function Troubles() {
  const { waiting, unreachable, refused } = useAppSelector((state) => state.outbox);
  const dispatch = useAppDispatch();
  if (unreachable && waiting.length > 0) {
    return (
      <p role="alert" className="shrink-0 bg-stop px-5 py-3 text-lg font-semibold text-sheet">
        Not logged yet: {waiting.length} {waiting.length === 1 ? 'tap waits' : 'taps wait'} on this device until the
        server answers.
      </p>
    );
  }
  if (!refused) return null;
  return (
    <div
      role="alert"
      className="flex shrink-0 items-center gap-4 border-b-2 border-warn bg-warn-soft px-5 py-2 text-lg"
    >
      <p className="flex-1">{refused} What stands is shown now.</p>
      <Button glove onClick={() => dispatch(refusalRead())}>
        Understood
      </Button>
    </div>
  );
}

function StartNow({ job }: { readonly job: JobView }) {
  const { document, edit, bay } = job;
  return (
    <section className="flex flex-col justify-center gap-6 p-8">
      <p className="text-2xl">
        Laying is planned for <strong className="figure">{moment(document.startAt)}</strong>.
      </p>
      <p className="max-w-prose text-lg text-ink-2">
        Started now, all times and the air of the day are worked out from this moment. Once the first patch is laid, the
        start stands on the record.
      </p>
      <Button look="main" glove className="min-h-28 text-3xl" onClick={() => edit(startAt(nowInstant(), bay))}>
        Move the start to now
      </Button>
    </section>
  );
}

interface InHandProps {
  readonly job: JobView;
  readonly current: SheetPatch;
}

function InHand({ job, current }: InHandProps) {
  const { planned, record, document, sheet } = job;
  const now = useNow(250);
  const nowMin = (now - Date.parse(document.startAt)) / MS_PER_MIN;
  const { tap, waiting } = useTap(job.id);
  const [faulting, setFaulting] = useState(false);
  const [aloud] = useSound();
  // A new start is a new window; while it runs, only taps and readings move it.
  const begunAt = current.record?.layStartMin ?? job.nowMin;
  const { window, rewetByMin } = useMemo(
    () => patchWindow(planned, record, current, begunAt),
    [planned, record, current, begunAt],
  );
  const surface = document.surfaces.find(({ id }) => id === current.patch.surface)!;
  const product = document.products.find(({ id }) => id === current.coat.product)!;
  const laid = current.record !== undefined;
  const ageMin = laid ? nowMin - current.record.layStartMin : 0;
  const state = windowState(window, ageMin);
  const instruction = instructionFor(current.state, state)!;
  const pending = waiting > 0;
  useSignals(patchKey(current.patch), laid && current.state !== 'laying' ? signalsDue(state) : [], aloud);
  const times = gateTimes(window);
  const early = !laid && current.laid.startMin > nowMin + 0.5;
  const { sectionsPerCopy } = current.laid;
  const { patch } = current;
  const where = [
    sectionsPerCopy > 1 && `section ${patch.section} of ${sectionsPerCopy}`,
    surface.count > 1 && `piece ${patch.copy} of ${surface.count}`,
    current.coat.coat > 1 || surface.layers.some(({ coats }) => coats > 1) ? `coat ${patch.coat}` : false,
  ].filter(Boolean);
  const next = sheet.patches.find((other) => other.state === 'todo' && other !== current);
  const cueDue = current.state === 'waiting' || current.state === 'laying';

  return (
    <section aria-label="In hand" className="flex min-h-0 flex-col overflow-auto">
      <div className="px-6 pt-4">
        <p className={`text-2xl ${state === 'closed' && laid ? 'font-semibold text-stop' : 'text-ink-2'}`}>
          {instruction.verb}
        </p>
        <h2 className="figure text-[clamp(2rem,4.2vw,3.4rem)] leading-[1.05]" style={{ fontStretch: '105%' }}>
          {job.nameOf(patch.surface)}
        </h2>
        <p className="mt-1 text-xl">
          {where.length > 0 && <>{where.join(', ')} · </>}
          {m2(current.areaM2)} · <strong>{amountInHand(product, current.coat.method, current.amount)}</strong>{' '}
          {product.name}
        </p>
        {SUBSTRATES[surface.substrate].matte && (
          <p className="mt-1 text-lg text-warn">
            Satin or matte: one go, no seams, plenty of product. Never polish it.
          </p>
        )}
      </div>
      <div className="mt-3 flex min-h-36 flex-1 flex-col justify-center px-6">
        {times ? (
          <>
            <CountLine
              state={state}
              laid={laid}
              early={early}
              job={job}
              current={current}
              ageMin={ageMin}
              times={times}
              rewetByMin={rewetByMin}
            />
            <div className="mt-2 border border-line-strong">
              <WindowGate
                times={times}
                nowMin={laid ? ageMin : undefined}
                heightPx={118}
                flashing={current.state === 'waiting' || current.state === 'levelling' || current.state === 'laying'}
              />
            </div>
          </>
        ) : (
          <p className="text-xl text-stop">The window stays closed in this air.</p>
        )}
        <Lesson job={job} product={product.id} />
      </div>
      <div className="shrink-0 px-6 pb-5 pt-3">
        <Button
          look={instruction.due && !early ? 'main' : 'plain'}
          glove
          className="min-h-28 w-full text-[2rem]"
          disabled={pending}
          onClick={() => tap(entryFor(instruction.logs, current, surface.surfaceC))}
        >
          {pending ? 'Logging …' : instruction.action}
        </Button>
        {current.state === 'laying' && document.crew.mode === 'pair' && (
          <Button
            glove
            className="mt-3 min-h-20 w-full text-2xl"
            disabled={pending}
            onClick={() => tap({ type: 'level-start', patch })}
          >
            The second starts levelling
          </Button>
        )}
        <div className="mt-3 grid grid-cols-4 gap-3 [&_button]:px-2 [&_svg]:shrink-0">
          <Button
            glove
            disabled={pending || !cueDue || current.record?.cueMin !== undefined}
            onClick={() => tap({ type: 'cue-seen', patch })}
          >
            <Eye size={22} /> Cue seen
          </Button>
          <Button glove onClick={() => setFaulting(true)} disabled={record.patches.size === 0}>
            <Flag size={22} /> Fault
          </Button>
          <Button
            glove
            disabled={pending || !record.lastEntry}
            onClick={() => record.lastEntry && tap({ type: 'undo', entry: record.lastEntry.id })}
          >
            <Undo2 size={22} /> Undo
          </Button>
          <AirButton job={job} disabled={pending} onTap={tap} />
        </div>
        <p className="mt-3 truncate text-ink-2">
          {next ? (
            <>
              Then {job.nameOf(next.patch.surface)}
              {next.laid.sectionsPerCopy > 1 && `, section ${next.patch.section} of ${next.laid.sectionsPerCopy}`}, with{' '}
              {job.productName(next.coat.product)}
            </>
          ) : (
            'The last patch.'
          )}
        </p>
      </div>
      <FaultDialog job={job} current={current} open={faulting} onClose={() => setFaulting(false)} onTap={tap} />
    </section>
  );
}

interface CountProps {
  readonly job: JobView;
  readonly current: SheetPatch;
  readonly state: ReturnType<typeof windowState>;
  readonly laid: boolean;
  readonly early: boolean;
  readonly ageMin: number;
  readonly times: NonNullable<ReturnType<typeof gateTimes>>;
  readonly rewetByMin: number | null | undefined;
}

/** The window in one line: what it does next, and when. */
function CountLine({ job, current, state, laid, early, ageMin, times, rewetByMin }: CountProps) {
  if (early) {
    return (
      <p className="text-2xl text-warn">
        The coat below is not ready before <strong className="figure">{clock(job.at(current.laid.startMin))}</strong>:
        laid now, it is dragged off.
      </p>
    );
  }
  if (!laid) {
    return (
      <p className="text-xl text-ink-2">
        Opens {span(times.guardedFromMin)} after the first stroke
        {times.guardedByMin === null ? ', no hurry after that' : `, closes after ${span(times.guardedByMin)}`}
      </p>
    );
  }
  const toOpen = times.guardedFromMin - ageMin;
  const toClose = times.guardedByMin === null ? undefined : times.guardedByMin - ageMin;
  const big = (minutes: number) => (
    <strong className="figure text-[clamp(3rem,7vw,5.2rem)] leading-none" style={{ fontStretch: '100%' }}>
      {countdown(minutes)}
    </strong>
  );
  const line = 'flex items-baseline gap-4 text-2xl';
  if (state === 'closed') {
    const rewet = rewetByMin === undefined || rewetByMin === null ? undefined : rewetByMin;
    return (
      <p className={`${line} text-stop`}>
        closed for {big(ageMin - (times.byMin ?? 0))}
        <span className="text-lg">{rewet !== undefined && `if it grabs, re-wet by ${clock(job.at(rewet))}`}</span>
      </p>
    );
  }
  if (toOpen > 0) return <p className={line}>opens in {big(toOpen)}</p>;
  if (toClose === undefined) return <p className={`${line} text-ok`}>open, no hurry</p>;
  if (toClose > 0) {
    return (
      <p className={`${line} ${state === 'closing' ? 'text-warn' : 'text-ok'}`}>
        {state === 'closing' ? 'closing, ' : 'open, '}
        {big(toClose)} left
      </p>
    );
  }
  return <p className={`${line} text-warn`}>past what is safe; closes in {big((times.byMin ?? 0) - ageMin)}</p>;
}

/** Reads the bay's instrument into the log: what is laid from now on is timed in that air. */
function AirButton({
  job,
  disabled,
  onTap,
}: {
  readonly job: JobView;
  readonly disabled: boolean;
  readonly onTap: (entry: RunEntry) => void;
}) {
  const [read, { isFetching, error }] = useLazyReadingQuery();
  const { bay, nowMin, planned, record } = job;
  const air = airAt(withReadings(planned.ambient, record.air), nowMin);
  const take = async (bayId: string) => {
    const { airC, rhPct, airSpeed, simulated } = await read(bayId).unwrap();
    onTap({ type: 'air', airC, rhPct, airSpeed, source: simulated ? 'simulated' : 'instrument' });
  };
  return (
    <Button
      glove
      className="text-base! leading-tight"
      disabled={disabled || isFetching || !bay}
      aria-label={`Read the air; now taken as ${celsius(air.airC, 0)}, ${air.rhPct.toFixed(0)} %`}
      onClick={() => bay && void take(bay.id).catch(() => undefined)}
    >
      <Thermometer size={22} className={error ? 'text-stop' : ''} />
      <span>
        {celsius(air.airC, 0)}
        <br />
        {air.rhPct.toFixed(0)} %
      </span>
    </Button>
  );
}

/** What the cues seen have taught of the product in hand. */
function Lesson({ job, product }: { readonly job: JobView; readonly product: string }) {
  const lesson = useMemo(
    () => flashLessons(job.planned, job.record).find((one) => one.product === product),
    [job.planned, job.record, product],
  );
  if (!lesson) return null;
  const { factor, observations } = lesson.learned;
  const percent = Math.round(Math.abs(factor - 1) * 100);
  return (
    <p className="mt-2 text-lg text-ink-2">
      {percent < 3
        ? 'The cue comes as planned'
        : `The cue comes ${percent} % ${factor < 1 ? 'sooner' : 'later'} than planned`}{' '}
      ({observations} seen); all patches to come are set by that.
      {lesson.surprising && (
        <strong className="block text-warn">
          The last cue was far off the others. A mistaken tap? Undo takes it back.
        </strong>
      )}
    </p>
  );
}

function AllDone({ job }: { readonly job: JobView }) {
  const { sheet, plan, at, document } = job;
  const { search } = useLocation();
  if (sheet.patches.length === 0) {
    return (
      <section className="flex flex-1 flex-col items-center justify-center gap-5 p-10 text-center">
        <h2 className="figure text-3xl">Nothing to lay yet</h2>
        <p className="max-w-prose text-lg text-ink-2">
          {document.surfaces.length === 0
            ? 'The item has no surfaces yet. Measure them under Survey, then choose products under Layer.'
            : sheet.refused.length > 0
              ? 'Everything chosen is refused. Layer says why, and names the way out.'
              : 'No panel has a product on it yet. Choose them under Layer.'}
        </p>
        <Link
          to={{ pathname: `/jobs/${job.id}/${document.surfaces.length === 0 ? 'survey' : 'layer'}`, search }}
          className="inline-flex min-h-16 items-center bg-over px-8 text-xl font-semibold text-over-ink"
        >
          {document.surfaces.length === 0 ? 'Go to Survey' : 'Go to Layer'}
        </Link>
      </section>
    );
  }
  return (
    <section className="flex flex-1 flex-col items-center justify-center gap-4 p-10 text-center">
      <h2 className="figure text-4xl">All {sheet.patches.length} patches laid and levelled</h2>
      <p className="text-2xl">
        Keep it dry, still and free of dust until{' '}
        <strong className="figure">
          {plan.waterSafeMin === null ? 'it cures: not in this air' : moment(at(plan.waterSafeMin))}
        </strong>
      </p>
      {plan.handoverMin !== null && <p className="text-xl text-ink-2">Hand over {moment(at(plan.handoverMin))}</p>}
      <Link
        to={{ pathname: `/jobs/${job.id}/care`, search }}
        className="mt-4 inline-flex min-h-16 items-center bg-over px-8 text-xl font-semibold text-over-ink"
      >
        Care and removal
      </Link>
    </section>
  );
}
