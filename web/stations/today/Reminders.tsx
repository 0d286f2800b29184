import { Link } from 'react-router';
import { MS_PER_DAY } from '#core/measures';
import type { JobSummary } from '#formats/job';
import { day } from '../../ui/moments';

/** How far ahead what was put off is shown, days. */
const AHEAD_DAYS = 45;

/** What was left out of a job and is due again: a set of wheels swapped, paint that has cured. */
export function Reminders({ jobs, now }: { readonly jobs: readonly JobSummary[]; readonly now: number }) {
  const due = jobs
    .flatMap(({ id, title, reminders }) => reminders.map((reminder) => ({ id, title, ...reminder })))
    .filter(({ on }) => Date.parse(on) < now + AHEAD_DAYS * MS_PER_DAY)
    .sort((a, b) => a.on.localeCompare(b.on));
  if (due.length === 0) return null;
  return (
    <section aria-labelledby="reminders" className="mt-8">
      <h2 id="reminders" className="label">
        To be thought of again
      </h2>
      <ul className="mt-2 divide-y border-y bg-sheet">
        {due.map(({ id, title, what, on }) => (
          <li key={`${id} ${what}`}>
            <Link
              to={`/jobs/${id}/prepare`}
              className="flex flex-wrap items-baseline gap-x-4 px-5 py-2 hover:bg-tint-1"
            >
              <span className={`figure w-32 ${Date.parse(on) < now ? 'text-warn' : ''}`}>{day(on)}</span>
              <span className="min-w-0 flex-1">{what}</span>
              <span className="text-ink-2">{title}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
