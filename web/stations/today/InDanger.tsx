import { useMemo } from 'react';
import { Link } from 'react-router';
import { NINE_IN_TEN, redraw } from '#core/schedule/calendar';
import { shopCase } from '#job/calendar';
import { useBaysQuery, useCalendarQuery } from '../../app/api';
import { span } from '../../ui/moments';
import { useRisks } from '../../hours/usePromises';

/**
 * Promises that the week of the whole workshop does not keep, the latest first; then those it keeps in fewer weeks than
 * nine in ten, each step as long as it may take.
 */
export default function InDanger() {
  const { data: view } = useCalendarQuery();
  const { data: bays } = useBaysQuery();
  const sources = useMemo(
    () => (view && bays ? { calendar: view.calendar, jobs: view.jobs, bays, now: view.now } : undefined),
    [view, bays],
  );
  const { plan, due } = useMemo(() => {
    if (!sources) return { plan: [], due: [] };
    const shop = shopCase(sources);
    const { tasks, lateMin } = redraw(shop.asked, shop.stood);
    return { plan: tasks, due: [...lateMin].map(([task, min]) => ({ job: shop.steps.get(task)!.job, min })) };
  }, [sources]);
  const risks = useRisks(sources, plan);
  const kept = (job: string) => risks.get(job)?.kept ?? 1;
  const rows = due
    .filter(({ job, min }) => min > 0 || kept(job.id) < NINE_IN_TEN)
    .toSorted((a, b) => b.min - a.min || kept(a.job.id) - kept(b.job.id));
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby="in-danger" className="mt-8">
      <h2 id="in-danger" className="label">
        Promises in danger
      </h2>
      <ul className="mt-2 divide-y border-y bg-sheet">
        {rows.map(({ job, min }) => (
          <li key={job.id}>
            <Link to="/calendar" className="flex flex-wrap items-baseline gap-x-4 px-5 py-2.5 hover:bg-tint-1">
              {min > 0 ? (
                <span className="w-40 font-semibold text-stop">{span(min)} late</span>
              ) : (
                <span className="w-40 font-semibold text-warn">kept {Math.round(100 * kept(job.id))} in 100</span>
              )}
              <strong className="min-w-0 flex-1">{job.title}</strong>
              <span className="text-ink-2">
                {min > 0
                  ? 'ring the owner, or find a way out in the calendar'
                  : 'late if its steps take as long as they may: see its ways out'}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
