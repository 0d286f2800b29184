import { DateTime } from 'luxon';
import { useState } from 'react';
import type { Bay } from '#formats/job';
import type { CalendarView } from '#formats/schedule';
import { minutesBetween } from '#formats/values';
import { bayOf, dueAt, handingOverMin, lastTask, personOf, readyIn } from '#job/calendar';
import { addressOf } from '../../app/address-of';
import { errorText, useBaysQuery, useCalendarQuery } from '../../app/api';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { moment, span } from '../../ui/moments';
import { Segmented } from '../../ui/Segmented';
import { Better } from './Better';
import { Deliveries } from './Deliveries';
import { HalfYear } from './HalfYear';
import { Lanes, type LanesBy } from './Lanes';
import { Lost } from './Lost';
import { People } from './People';
import { Promised } from './Promised';
import { PutIn } from './PutIn';
import { Tools } from './Tools';
import { useRisks } from '../../hours/usePromises';
import { type ShopCalendarView, useShopCalendar } from './useShopCalendar';
import { type Trial, useTrial } from './useTrial';
import { weekAxis } from './week-axis';
import { movesTogether, moveInWords, whyInWords } from './words';
import { PageTitle } from '../../ui/PageTitle';

export function Component() {
  const { data: view, error } = useCalendarQuery();
  const { data: bays } = useBaysQuery();
  if (error)
    return (
      <p role="alert" className="p-6 text-stop">
        {errorText(error)}
      </p>
    );
  if (!view || !bays) return <p className="p-6 text-ink-2">Reading the calendar …</p>;
  return <Week view={view} bays={bays} />;
}

/** The week of the whole workshop: who is at what in which bay, what is promised, and what has to move. */
function Week({ view, bays }: { readonly view: CalendarView; readonly bays: readonly Bay[] }) {
  const shop = useShopCalendar(view, bays);
  const trial = useTrial(shop);
  const risks = useRisks(shop.sources, shop.drawn.tasks);
  const [by, setBy] = useState<LanesBy | 'half-year'>('bay');
  const [ahead, setAhead] = useState(0);
  const monday = DateTime.fromISO(view.now).setZone('local').startOf('week').plus({ weeks: ahead });
  const feeds = [
    ...bays.map(({ id, name }) => [bayOf(id), name] as const),
    ...view.calendar.people.map(({ id, name }) => [personOf(id), name] as const),
  ];
  return (
    <main className="mx-auto max-w-[1500px] p-5 max-sm:p-2">
      <div className="flex flex-wrap items-end gap-4 print:hidden">
        <PageTitle>Calendar</PageTitle>
        <h1 className="text-[22px] font-semibold">Calendar</h1>
        <div className={`flex items-center gap-1 ${by === 'half-year' ? 'invisible' : ''}`}>
          <Button look="quiet" aria-label="A week earlier" onClick={() => setAhead(ahead - 1)}>
            ‹
          </Button>
          <span className="min-w-44 text-center font-semibold">
            {monday.toFormat('d LLL')} to {monday.plus({ days: 6 }).toFormat('d LLL yyyy')}
          </span>
          <Button look="quiet" aria-label="A week later" onClick={() => setAhead(ahead + 1)}>
            ›
          </Button>
          {ahead !== 0 && (
            <Button look="quiet" onClick={() => setAhead(0)}>
              This week
            </Button>
          )}
        </div>
        <Segmented
          label="Lanes"
          value={by}
          options={[
            ['bay', 'By bay'],
            ['person', 'By person'],
            ['half-year', 'Half a year'],
          ]}
          onChange={(value) => value && setBy(value)}
        />
        <span className="flex-1" />
        {!shop.isAgreed && (
          <>
            <span className="text-[14px] text-ink-2">{shop.isDraft ? 'Not agreed yet' : standing(shop)}</span>
            {shop.isDraft && (
              <Button look="quiet" onClick={shop.drop}>
                As it was
              </Button>
            )}
            <Save shop={shop} />
          </>
        )}
      </div>
      <h1 className="hidden text-[22px] font-semibold print:block">
        {monday.toFormat('d LLL')} to {monday.plus({ days: 6 }).toFormat('d LLL yyyy')}
      </h1>
      {shop.error && (
        <p role="alert" className="mt-2 text-stop">
          {shop.error}
        </p>
      )}
      {view.pending !== undefined && (
        <p role="status" className="mt-2 text-ink-2">
          {view.pending === 1 ? 'One job is' : `${view.pending} jobs are`} still being worked out. The calendar follows
          in a moment.
        </p>
      )}
      <Tried shop={shop} trial={trial} />
      <div className="mt-3 overflow-x-auto">
        <div className="min-w-[900px]">
          {by === 'half-year' ? (
            <HalfYear shop={shop} bays={bays} />
          ) : by === 'person' && shop.calendar.people.length === 0 ? (
            <p className="border bg-sheet p-4">Nobody is named yet: name who is there, below.</p>
          ) : (
            <Lanes shop={shop} axis={weekAxis(monday)} by={by} bays={bays} trial={trial} risks={risks} />
          )}
        </div>
      </div>
      <div className="mt-4 grid grid-cols-3 items-start gap-4 max-lg:grid-cols-2 max-sm:grid-cols-1">
        <Promised shop={shop} risks={risks} bays={bays} />
        <div className="grid gap-4 print:hidden">
          <Moves shop={shop} />
          <PutIn shop={shop} bays={bays} />
          <Deliveries shop={shop} />
        </div>
        <div className="grid gap-4 print:hidden">
          <Better shop={shop} />
          <Lost shop={shop} bays={bays} />
          <People shop={shop} />
          <Tools shop={shop} />
          <section aria-label="Feeds" className="border bg-sheet p-3 print:hidden">
            <h2 className="font-semibold">To a calendar elsewhere</h2>
            <p className="mt-1 flex flex-wrap gap-x-4 text-[14px]">
              {feeds.map(([what, name]) => (
                <a key={what} className="underline" href={addressOf('calendarFeed', { what })}>
                  {name}
                </a>
              ))}
              <button type="button" className="underline" onClick={() => print()}>
                Print the week
              </button>
            </p>
          </section>
        </div>
      </div>
    </main>
  );
}

/** Saves the plan; where a promise would be broken by it, that is said first. */
function Save({ shop }: { readonly shop: ShopCalendarView }) {
  const [asks, setAsks] = useState(false);
  const broken = shop.view.jobs.flatMap((job) => {
    const lateMin = shop.drawn.lateMin.get(lastTask(job) ?? '') ?? 0;
    if (lateMin === 0) return [];
    const by = dueAt(job, shop.calendar, shop.view.now)!;
    // What is broken already, and no worse by this, was said when it was saved.
    const knownMin = job.ready === null ? 0 : Math.max(0, minutesBetween(by, job.ready));
    return lateMin - knownMin < NEWS_MIN ? [] : [{ job, lateMin, by }];
  });
  const save = () => {
    setAsks(false);
    void shop.agree();
  };
  return (
    <>
      <Button look="main" disabled={shop.isSaving} onClick={() => (broken.length > 0 ? setAsks(true) : save())}>
        Save plan
      </Button>
      {asks && (
        <Dialog
          open
          onClose={() => setAsks(false)}
          title={broken.length === 1 ? 'This plan breaks a promise' : `This plan breaks ${broken.length} promises`}
          description="Tell the owners, or look for ways out first."
        >
          <ul>
            {broken.map(({ job, lateMin, by }) => (
              <li key={job.id} className="border-t py-1.5">
                <strong>{job.title}</strong>: wanted {moment(by)}, ready {span(lateMin)} late.
              </li>
            ))}
          </ul>
          <div className="mt-4 flex gap-3">
            <Button look="main" onClick={() => setAsks(false)}>
              Back to the plan
            </Button>
            <Button onClick={save}>Save it all the same</Button>
          </div>
        </Dialog>
      )}
    </>
  );
}

const standing = ({ view, drawn, shop }: ShopCalendarView) => {
  if (view.version === 0 || view.calendar.plan.length === 0) return 'No plan saved yet';
  const saved = new Set(shop.stood.map(({ id }) => id));
  const unplanned = new Set(drawn.tasks.flatMap(({ id }) => (saved.has(id) ? [] : (shop.steps.get(id)?.job.id ?? []))))
    .size;
  return [
    ...(unplanned > 0
      ? [unplanned === 1 ? '1 job not in the saved plan' : `${unplanned} jobs not in the saved plan`]
      : []),
    ...(drawn.moves.length > 0
      ? [drawn.moves.length === 1 ? '1 step moved' : `${drawn.moves.length} steps moved`]
      : []),
  ].join(', ');
};

/** Whether what is being moved by hand may stand where it is held, said as it goes. */
function Tried({ shop, trial }: { readonly shop: ShopCalendarView; readonly trial: Trial }) {
  const { now } = trial;
  return (
    <div role="status" className="mt-2 min-h-9 text-[15px]">
      {now && (
        <>
          <strong className={now.put.holds ? 'text-ok' : 'text-stop'}>
            {moment(shop.at(now.atMin))}: {now.put.holds ? 'it may stand there' : 'it may not'}
          </strong>
          {!now.put.holds && (
            <>
              , {whyInWords(now.put.why, shop)}.{' '}
              {now.put.nearest.map((min) => (
                <Button key={min} className="ml-1" onClick={() => trial.put(now.id, min)}>
                  Put it at {moment(shop.at(min))}
                </Button>
              ))}
            </>
          )}
          {now.isRefused && (
            <Button look="quiet" onClick={trial.forget}>
              Leave it
            </Button>
          )}
        </>
      )}
    </div>
  );
}

/** What stands otherwise than it was agreed, and what cannot be placed. */
function Moves({ shop }: { readonly shop: ShopCalendarView }) {
  const { moves, unplaced } = shop.drawn;
  const lost = unplaced.filter(({ id }) => shop.shop.steps.has(id));
  return (
    <section aria-label="What moves" className="border bg-sheet p-3">
      <h2 className="font-semibold">What moves</h2>
      {moves.length === 0 && lost.length === 0 && (
        <p className="mt-1 text-[14px] text-ink-2">Nothing: all stands where it stood.</p>
      )}
      <ul className="text-[14px]">
        {lost.map(({ id, why }) => (
          <li key={id} className="border-t py-1 text-stop">
            {shop.nameOf(id)} cannot be placed: {whyInWords(why, shop)}.
          </li>
        ))}
        {movesTogether(moves, shop).map(({ move, along }) => (
          <li key={move.id} className="border-t py-1">
            {moveInWords(move, shop)}
            {along.length > 0 && (
              <span className="text-ink-2">
                {' '}
                {along.length === 1
                  ? 'One step that waits for it moves'
                  : `${along.length} steps that wait for it move`}{' '}
                along, until {moment(shop.at(along.at(-1)!.is.toMin))}.
              </span>
            )}
          </li>
        ))}
      </ul>
      <Since shop={shop} />
    </section>
  );
}

/** So little is no news, minutes. */
const NEWS_MIN = 15;

/** Jobs that go out otherwise than it stood when an earlier day ended. */
function Since({ shop }: { readonly shop: ShopCalendarView }) {
  const { earlier, jobs } = shop.view;
  if (!earlier) return null;
  const moved = jobs.flatMap((job) => {
    const was = earlier.plan.find(({ task }) => task === lastTask(job))?.to;
    const readyMin = readyIn(shop.drawn.tasks, job);
    if (was === undefined || readyMin === undefined) return [];
    const is = shop.at(readyMin);
    const laterMin = minutesBetween(was, is) + handingOverMin(job);
    return Math.abs(laterMin) < NEWS_MIN ? [] : [{ job, laterMin, is }];
  });
  return (
    <div className="mt-2 border-t pt-1 text-[14px]">
      <h3 className="font-semibold">Since {moment(earlier.at)}</h3>
      {moved.length === 0 && <p className="text-ink-2">Every job goes out as it did then.</p>}
      <ul>
        {moved.map(({ job, laterMin, is }) => (
          <li key={job.id} className="py-0.5">
            {job.title}: ready {moment(is)},{' '}
            <span className={laterMin > 0 ? 'text-stop' : 'text-ok'}>
              {span(Math.abs(laterMin))} {laterMin > 0 ? 'later' : 'sooner'}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
