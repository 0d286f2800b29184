import { Link } from 'react-router';
import type { JobSummary } from '#formats/job';
import { clock, moment } from '../../ui/moments';

const HOURS_BACK = 2;
const HOURS_AHEAD = 46;
const HOUR_MS = 3_600_000;

const MOMENTS = [
  { key: 'waterSafe', name: 'may get wet' },
  { key: 'ready', name: 'ready' },
  { key: 'needsBy', name: 'owner comes' },
  { key: 'firstWash', name: 'first wash' },
] as const;

interface Props {
  readonly jobs: readonly JobSummary[];
  readonly now: number;
}

/** Two days on a line: when each job in the bays may get wet, be handed over, and is expected. */
export function CuringSoon({ jobs, now }: Props) {
  const from = now - HOURS_BACK * HOUR_MS;
  const until = now + HOURS_AHEAD * HOUR_MS;
  const rows = jobs
    .filter(({ phase }) => phase !== 'survey' && phase !== 'planned')
    .map((job) => ({
      job,
      marks: MOMENTS.flatMap(({ key, name }) => {
        const instant = job[key];
        return instant && Date.parse(instant) > from && Date.parse(instant) < until ? [{ key, name, instant }] : [];
      }),
    }))
    .filter(({ marks }) => marks.length > 0);
  if (rows.length === 0) return null;
  const place = (ms: number) => `${((ms - from) / (until - from)) * 100}%`;
  return (
    <section aria-labelledby="curing" className="mt-8">
      <h2 id="curing" className="label">
        Curing and due, next two days
      </h2>
      <div className="mt-2 border-y bg-sheet">
        <div className="grid grid-cols-[11rem_1fr]">
          <span />
          <div className="relative h-7 text-[12.5px] text-ink-3">
            {dayStarts(from, until).map((ms) => (
              <span
                key={ms}
                className="absolute top-1.5 border-l border-line-strong pl-1.5"
                style={{ left: place(ms) }}
              >
                {new Date(ms).toLocaleDateString('en-GB', { weekday: 'long' })}
              </span>
            ))}
            <span
              className="absolute top-1.5 -translate-x-1/2 bg-sheet px-1 font-semibold text-over"
              style={{ left: place(now) }}
            >
              now
            </span>
          </div>
        </div>
        {rows.map(({ job, marks }) => (
          <div key={job.id} className="grid grid-cols-[11rem_1fr] border-t">
            <Link to={`/jobs/${job.id}/time`} className="truncate px-4 py-3 hover:underline" title={job.title}>
              {job.title}
            </Link>
            <div className="relative min-h-13">
              <span className="absolute inset-y-0 border-l-2 border-over" style={{ left: place(now) }} />
              {marks.map(({ key, name, instant }, index) => (
                <span
                  key={key}
                  className={`absolute flex items-baseline gap-1.5 whitespace-nowrap text-[13px] ${flips(instant, until) ? '-translate-x-full flex-row-reverse' : ''}`}
                  style={{ left: place(Date.parse(instant)), top: index % 2 === 0 ? 5 : 26 }}
                  title={moment(instant, new Date(now))}
                >
                  <span
                    aria-hidden
                    className={`size-2.5 ${key === 'needsBy' ? 'bg-over' : 'rotate-45 bg-tint-5'} ${flips(instant, until) ? 'translate-x-1/2' : '-translate-x-1/2'}`}
                  />
                  <span className={key === 'needsBy' ? 'text-over' : ''}>
                    {name} {clock(instant)}
                  </span>
                </span>
              ))}
            </div>
          </div>
        ))}
      </div>
    </section>
  );
}

/** A mark near the end has its words on its left. */
const flips = (instant: string, until: number) => until - Date.parse(instant) < 8 * HOUR_MS;

function dayStarts(from: number, until: number): number[] {
  const day = new Date(from);
  day.setHours(24, 0, 0, 0);
  const starts: number[] = [];
  for (; day.getTime() < until; day.setDate(day.getDate() + 1)) starts.push(day.getTime());
  return starts;
}
