import { Link } from 'react-router';
import { NINE_IN_TEN } from '#core/schedule/calendar';
import { USUAL_CURRENCY } from '#formats/job';
import type { CalendarJob, Skill } from '#formats/schedule';
import { minutesBetween, money } from '#formats/values';
import { dueAt, type JobRisk, readyIn, stands, toldAt, type Way, type WayOut, weightOf } from '#job/calendar';
import { Button } from '../../ui/Button';
import { moment, span } from '../../ui/moments';
import { usePromises } from '../../hours/usePromises';
import type { ShopCalendarView } from './useShopCalendar';

type Bays = readonly { readonly id: string; readonly name: string }[];

interface Props {
  readonly shop: ShopCalendarView;
  readonly risks: ReadonlyMap<string, JobRisk>;
  readonly bays: Bays;
}

/** Of the ways out so many are shown. */
const MOST_WAYS = 6;

/** What owners wait for, the one in most danger first. */
export function Promised({ shop, risks, bays }: Props) {
  const rows = shop.view.jobs
    .flatMap((job) => {
      const readyMin = readyIn(shop.drawn.tasks, job);
      if (readyMin === undefined) return [];
      const is = shop.at(readyMin);
      const by = dueAt(job, shop.calendar, shop.view.now);
      return [{ job, is, by, spareMin: by === undefined ? undefined : minutesBetween(is, by) }];
    })
    .toSorted((a, b) => (a.spareMin ?? Infinity) - (b.spareMin ?? Infinity) || a.is.localeCompare(b.is));
  return (
    <section aria-label="Promises" className="border bg-sheet p-3 max-lg:row-span-2">
      <h2 className="font-semibold">When each goes out</h2>
      {rows.length === 0 && <p className="mt-1 text-ink-2">No job is waiting for anything.</p>}
      <ul>
        {rows.map(({ job, is, by, spareMin }) => (
          <li key={job.id} className="border-t py-1.5">
            <Link to={`/jobs/${job.id}/time`} className="font-semibold hover:underline">
              {job.title}
            </Link>
            <span className="block text-[14px]">
              <Ready job={job} is={is} isSaved={shop.isAgreed} />
              {by === undefined || spareMin === undefined ? (
                <span className="text-ink-2">, nobody waits for it</span>
              ) : spareMin < 0 ? (
                <strong className="text-stop"> · {span(-spareMin)} late: ring the owner</strong>
              ) : (
                <span className="text-ok">
                  {' '}
                  · {span(spareMin)} before {moment(by)}
                </span>
              )}
            </span>
            <Surely job={job} shop={shop} risk={risks.get(job.id)} isDue={by !== undefined} />
            <Told shop={shop} job={job} />
            {by !== undefined && <Weighs shop={shop} job={job} />}
            {spareMin !== undefined && (spareMin < 0 || (risks.get(job.id)?.kept ?? 1) < NINE_IN_TEN) && (
              <WaysOut shop={shop} job={job} bays={bays} risk={risks.get(job.id)} />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** From here on a job stands otherwise in the calendar than it says itself, minutes. */
const OTHERWISE_FROM_MIN = 15;

/** When a job is ready, as it says itself; and where the calendar as it is drawn, and not saved yet, would have it. */
function Ready({ job, is, isSaved }: { readonly job: CalendarJob; readonly is: string; readonly isSaved: boolean }) {
  if (job.ready === null) return moment(is);
  const isSame = isSaved || Math.abs(minutesBetween(job.ready, is)) < OTHERWISE_FROM_MIN;
  return (
    <>
      Ready {moment(job.ready)}
      {!isSame && <strong className="text-warn"> · in this plan {moment(is)}, not saved</strong>}
    </>
  );
}

/** The date that is kept in nine weeks of ten, as its owner may be told it; undefined: in one of ten or more it is not done at all. */
const surelyBy = (shop: ShopCalendarView, job: CalendarJob, { nineTenthsMin }: JobRisk): string | undefined =>
  nineTenthsMin === undefined ? undefined : toldAt(shop.shop, shop.drawn.tasks, job, nineTenthsMin);

/** In how many weeks of a hundred it is kept, each step as long as it may take. */
function Surely({
  job,
  shop,
  risk,
  isDue,
}: {
  readonly job: CalendarJob;
  readonly shop: ShopCalendarView;
  readonly risk: JobRisk | undefined;
  readonly isDue: boolean;
}) {
  if (!risk) return null;
  const { kept } = risk;
  const by = surelyBy(shop, job, risk);
  return (
    <span className="block text-[13px] text-ink-2">
      {by === undefined ? 'Not done in one week of ten' : `90 % sure by ${moment(by)}`}
      {isDue && (
        <strong className={kept < NINE_IN_TEN ? 'text-warn' : 'text-ok'}>
          {' '}
          · {Math.round(100 * kept)} % sure of the date
        </strong>
      )}
    </span>
  );
}

/** What its owner was told from here: an option until somebody takes it, or a promise. */
function Told({ shop, job }: { readonly shop: ShopCalendarView; readonly job: CalendarJob }) {
  const told = shop.calendar.promised.find((each) => each.job === job.id);
  if (!told) return null;
  const others = shop.calendar.promised.filter((each) => each !== told);
  const isStanding = stands(told, shop.view.now);
  const agreed = ({ expires: _, ...promise }: typeof told) =>
    shop.change({ ...shop.calendar, promised: [...others, promise] });
  return (
    <span className="mt-1 flex flex-wrap items-center gap-2 text-[14px]">
      <span className={isStanding ? '' : 'text-stop'}>
        {told.expires === undefined
          ? `Promised for ${moment(told.by)}`
          : isStanding
            ? `Option on ${moment(told.by)}, until ${moment(told.expires)}`
            : `Option on ${moment(told.by)} expired: it holds no place any more`}
      </span>
      {told.expires !== undefined && isStanding && (
        <Button onClick={() => agreed(told)} aria-label={`${job.title}: the owner agreed`}>
          The owner agreed
        </Button>
      )}
      <Button
        look="quiet"
        aria-label={`${job.title}: let it go`}
        onClick={() => shop.change({ ...shop.calendar, promised: others })}
      >
        Let it go
      </Button>
    </span>
  );
}

const WEIGHTS = [
  ['1', 'as any other'],
  ['2', 'twice'],
  ['5', 'five times'],
] as const;

/** Where not every promise can be kept: how much an hour late of this one counts. */
function Weighs({ shop, job }: { readonly shop: ShopCalendarView; readonly job: CalendarJob }) {
  const { calendar } = shop;
  const weight = String(weightOf(calendar, job.id));
  const others = calendar.weights.filter((each) => each.job !== job.id);
  return (
    <label className="mt-1 flex items-center gap-2 text-[13px] text-ink-2">
      Late, it counts
      <select
        className="field w-auto py-0.5"
        aria-label={`${job.title}: late, it counts`}
        value={weight}
        onChange={({ target: { value } }) =>
          shop.change({
            ...calendar,
            weights: value === '1' ? others : [...others, { job: job.id, weight: Number(value) }],
          })
        }
      >
        {(WEIGHTS.some(([known]) => known === weight) ? WEIGHTS : [...WEIGHTS, [weight, `${weight} times`]]).map(
          ([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ),
        )}
      </select>
    </label>
  );
}

/** What would keep it, each with all it comes to. */
function WaysOut({
  shop,
  job,
  bays,
  risk,
}: {
  readonly shop: ShopCalendarView;
  readonly job: CalendarJob;
  readonly bays: Bays;
  readonly risk: JobRisk | undefined;
}) {
  const { ask, answer, failed, isWorking } = usePromises<'ways'>();
  const own = answer?.of === shop.drawn ? answer.answer.ways : undefined;
  const surely = risk && surelyBy(shop, job, risk);
  const tell = (by: string) => {
    const told = shop.calendar.promised.find((each) => each.job === job.id);
    const others = shop.calendar.promised.filter((each) => each !== told);
    const { expires: _, ...before } = told ?? { job: job.id, from: job.startAt, expires: undefined };
    shop.change({ ...shop.calendar, promised: [...others, { ...before, by }] });
  };
  const titleOf = new Map(shop.view.jobs.map(({ id, title }) => [id, title]));
  if (!own)
    return (
      <span className="mt-1 block">
        <Button
          disabled={isWorking}
          aria-label={`${job.title}: ways out`}
          onClick={() => ask({ kind: 'ways', sources: shop.sources, drawn: shop.drawn, job: job.id }, shop.drawn)}
        >
          {isWorking ? 'Looking …' : 'Ways out'}
        </Button>
        {failed && (
          <span role="alert" className="ml-2 text-stop">
            {failed}
          </span>
        )}
      </span>
    );
  return (
    <div role="group" aria-label={`${job.title}: ways out`} className="mt-1 border-l-2 border-over pl-2 text-[14px]">
      {own.length === 0 && <p>Nothing that can be done here makes it any sooner.</p>}
      <ul>
        {own.slice(0, MOST_WAYS).map((out) => (
          <li key={JSON.stringify(out.way)} className="flex items-start justify-between gap-2 py-1">
            <span>
              <strong>{wayInWords(out.way, shop, bays)}</strong>
              <span className={out.lateMin === 0 ? 'text-ok' : 'text-stop'}>
                {out.lateMin === 0 ? `: kept, ${span(out.soonerMin)} sooner` : `: still ${span(out.lateMin)} late`}
              </span>
              <span className="block text-[13px] text-ink-2">{costsInWords(out, job)}</span>
              {out.alsoLate.map((other) => (
                <span key={other.job} className="block text-[13px] text-stop">
                  {titleOf.get(other.job)} is {span(other.lateMin)} late for it
                </span>
              ))}
            </span>
            <Button onClick={() => shop.look(out.tasks, out.calendar)}>Look at it</Button>
          </li>
        ))}
        {surely !== undefined && (
          <li className="flex items-start justify-between gap-2 py-1">
            <span>
              <strong>The owner is rung</strong>: {moment(surely)} instead, 90 % sure
            </span>
            <Button onClick={() => tell(surely)}>Told, and agreed</Button>
          </li>
        )}
      </ul>
    </div>
  );
}

const DOES: Readonly<Record<Skill, string>> = {
  prepare: 'prepares',
  lay: 'lays',
  film: 'lays film',
  'hand-over': 'hands over',
};

function wayInWords(way: Way, shop: ShopCalendarView, bays: Bays): string {
  switch (way.kind) {
    case 'overtime':
      return `${way.hours} h longer in the evenings`;
    case 'weekend':
      return 'Saturday too';
    case 'skill':
      return `${shop.calendar.people.find(({ id }) => id === way.person)?.name ?? way.person} ${DOES[way.skill]} too`;
    case 'helper':
      return 'A second person comes in';
    case 'bay':
      return `In ${bays.find(({ id }) => id === way.bay)?.name ?? way.bay}`;
    case 'first':
      return 'Before all others';
  }
}

const costsInWords = ({ moves, moreMin, money: cents }: WayOut, { costs }: CalendarJob): string =>
  [
    moves === 1 ? '1 step moves' : `${moves} steps move`,
    moreMin > 0 ? `${span(moreMin)} more` : 'nobody works longer',
    cents > 0 ? money(cents, costs?.currency ?? USUAL_CURRENCY) : undefined,
  ]
    .filter((part) => part !== undefined)
    .join(', ');
