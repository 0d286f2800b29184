import { DateTime } from 'luxon';
import { useState } from 'react';
import type { CalendarJob } from '#formats/schedule';
import { money } from '#formats/values';
import { type DateOffered, dueAt } from '#job/calendar';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/DateField';
import { moment, span } from '../../ui/moments';
import { SelectField } from '../../ui/SelectField';
import { usePromises } from '../../hours/usePromises';
import type { ShopCalendarView } from './useShopCalendar';

interface Props {
  readonly shop: ShopCalendarView;
  readonly bays: readonly { readonly id: string; readonly name: string }[];
}

/** So long an option may be held, days. */
const HELD_DAYS = ['3', '7', '14'] as const;

const KIND_WORDS: Readonly<Record<DateOffered['kind'], string>> = {
  soonest: 'As soon as it can be',
  'as-it-goes': 'As the week has room',
  'week-later': 'A week after that',
  'two-weeks-later': 'Two weeks after that',
};

/** A job that nobody was promised yet: three dates for it, each with its chance and its price. */
export function PutIn({ shop, bays }: Props) {
  const waiting = shop.view.jobs.filter(
    (job) => !job.begun && dueAt(job, shop.calendar, shop.view.now) === undefined && job.work.length > 0,
  );
  const today = DateTime.fromISO(shop.view.now).setZone('local').startOf('day');
  const [chosen, setChosen] = useState<string>();
  const [day, setDay] = useState(today.plus({ days: 1 }).toISODate()!);
  const [held, setHeld] = useState<(typeof HELD_DAYS)[number]>('7');
  const { ask, answer, failed, isWorking } = usePromises<'dates'>();
  const job = waiting.find(({ id }) => id === chosen) ?? waiting[0];
  const dates = answer?.of === shop.calendar ? answer.answer.dates : undefined;
  return (
    <section aria-label="A new job" className="border bg-sheet p-3">
      <h2 className="font-semibold">Put a new job in</h2>
      {!job ? (
        <p className="mt-1 text-[14px] text-ink-2">
          Every job has a date already. A new one is measured first; here it gets its dates.
        </p>
      ) : (
        <>
          <div className="mt-2 grid gap-2">
            <SelectField
              label="Job"
              value={job.id}
              options={waiting.map(({ id, title }) => [id, title])}
              onChange={setChosen}
            />
            <DateField label="Not before" value={day} onChange={setDay} required />
            <SelectField
              label="Option held for"
              value={held}
              options={HELD_DAYS.map((days) => [days, `${days} days`])}
              onChange={setHeld}
            />
            <Button
              disabled={isWorking || day === ''}
              onClick={() =>
                ask(
                  {
                    kind: 'dates',
                    sources: shop.sources,
                    job: job.id,
                    earliest: laterOf(DateTime.fromISO(day), DateTime.fromISO(shop.view.now)),
                  },
                  shop.calendar,
                )
              }
            >
              {isWorking ? 'Looking …' : 'Find three dates'}
            </Button>
          </div>
          {failed && (
            <p role="alert" className="mt-1 text-stop">
              {failed}
            </p>
          )}
          {dates?.length === 0 && (
            <p className="mt-2 text-stop">No bay has room for it in the next weeks: nobody is there long enough.</p>
          )}
          {dates && dates.length > 0 && (
            <ul className="mt-2">
              {!dates.some(({ kind }) => kind === 'soonest') && (
                <li className="text-[13px] text-ink-2">
                  Longer evenings and Saturdays make it no sooner: it waits for what is laid, or for its bay.
                </li>
              )}
              {dates.map((offered) => (
                <Offered
                  key={offered.kind}
                  offered={offered}
                  shop={shop}
                  bays={bays}
                  job={job}
                  expires={DateTime.fromISO(shop.view.now)
                    .setZone('local')
                    .plus({ days: Number(held) })}
                />
              ))}
            </ul>
          )}
        </>
      )}
    </section>
  );
}

function Offered({
  offered,
  shop,
  bays,
  job,
  expires,
}: Props & { readonly offered: DateOffered; readonly job: CalendarJob; readonly expires: DateTime }) {
  const { kind, bay, from, readyAt, kept, promiseAt, other, money: cents, moreMin, calendar, tasks } = offered;
  const tell = (option: boolean) => {
    const promised = calendar.promised.map((each) =>
      each.job === job.id
        ? {
            ...each,
            by: promiseAt,
            ...(option && { expires: expires.endOf('day').startOf('minute').toISO({ suppressMilliseconds: true })! }),
          }
        : each,
    );
    shop.look(tasks, { ...calendar, promised });
  };
  return (
    <li className="border-t py-2 text-[14px]">
      <strong className="block">{KIND_WORDS[kind]}</strong>
      {moment(from)} in {bays.find(({ id }) => id === bay)?.name ?? bay}
      <span className="block">
        Promise it for <strong className="text-over">{moment(promiseAt)}</strong>: 90 % sure
      </span>
      <span className="block text-[13px] text-ink-2">
        Ready {moment(readyAt)} if all goes as planned: {Math.round(100 * kept)} % sure
        {moreMin > 0 && `, with ${span(moreMin)} in the evenings`}
      </span>
      {other && (
        <span className="block text-[13px] text-warn">
          {shop.view.jobs.find(({ id }) => id === other.job)?.title} is kept {Math.round(100 * other.kept)} in 100 for
          it, {Math.round(100 * other.before)} without
        </span>
      )}
      <span className="mt-1 flex flex-wrap items-center gap-2">
        {job.costs && <strong>{money(cents, job.costs.currency)}</strong>}
        <Button onClick={() => tell(true)}>Hold it as an option</Button>
        <Button look="quiet" onClick={() => tell(false)}>
          Promise it
        </Button>
      </span>
    </li>
  );
}

const laterOf = (a: DateTime, b: DateTime): string =>
  DateTime.max(a, b).setZone('local').toISO({ suppressMilliseconds: true })!;
