import { useMemo } from 'react';
import { Link } from 'react-router';
import { redraw } from '#core/work/calendar';
import { shopCase } from '#job/calendar';
import { useBaysQuery, useCalendarQuery } from '../../app/api';
import { span } from '../../ui/moments';

/** Promises that the week of the whole workshop does not keep, the latest first. */
export default function InDanger() {
  const { data: view } = useCalendarQuery();
  const { data: bays } = useBaysQuery();
  const late = useMemo(() => {
    if (!view || !bays) return [];
    const shop = shopCase({ calendar: view.calendar, jobs: view.jobs, bays, now: view.now });
    return [...redraw(shop.asked, shop.stood).lateMin]
      .flatMap(([task, min]) => (min > 0 ? [{ job: shop.steps.get(task)!.job, min }] : []))
      .toSorted((a, b) => b.min - a.min);
  }, [view, bays]);
  if (late.length === 0) return null;
  return (
    <section aria-labelledby="in-danger" className="mt-8">
      <h2 id="in-danger" className="label">
        Promises in danger
      </h2>
      <ul className="mt-2 divide-y border-y bg-sheet">
        {late.map(({ job, min }) => (
          <li key={job.id}>
            <Link to="/calendar" className="flex flex-wrap items-baseline gap-x-4 px-5 py-2.5 hover:bg-tint-1">
              <span className="w-40 font-semibold text-stop">{span(min)} late</span>
              <strong className="min-w-0 flex-1">{job.title}</strong>
              <span className="text-ink-2">ring the owner, or find a way out in the calendar</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
