import { DateTime } from 'luxon';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { PlacedTask } from '#core/schedule/calendar';
import type { Bay } from '#formats/job';
import { bayOf, blocks, loads, personOf, type ShopCase, type ShopSources } from '#job/calendar';
import { moment } from '../../ui/moments';
import type { ShopCalendarView } from './useShopCalendar';

const WEEKS = 26;
/** A name stands on what takes at least this share of it. */
const NAMED_FROM = 0.03;
/** From so much on a week is nearly full, and full. */
const [BUSY, FULL] = [0.75, 0.95];

/** Half a year: where each job stands, and how full every week of each bay and person is. */
export function HalfYear({ shop, bays }: { readonly shop: ShopCalendarView; readonly bays: readonly Bay[] }) {
  const { now } = shop.view;
  const monday = weekOfNow(now);
  const weekOf = (nth: number) => monday.plus({ weeks: nth });
  const { sources, shop: asked, drawn } = shop;
  const load = useMemo(() => loadsFrom(now, sources, asked, drawn.tasks), [now, sources, asked, drawn.tasks]);
  const stands = useMemo(() => blocks(asked, drawn.tasks), [asked, drawn.tasks]);
  const end = monday.plus({ weeks: WEEKS });
  const place = (at: string) =>
    (DateTime.fromISO(at).toMillis() - monday.toMillis()) / (end.toMillis() - monday.toMillis());
  const columns = { gridTemplateColumns: `repeat(${WEEKS}, 1fr)` };
  const rows = [
    ...bays.map(({ id, name }) => ({ what: bayOf(id), name, bay: id })),
    ...shop.calendar.people.map(({ id, name }) => ({ what: personOf(id), name, bay: undefined })),
  ];
  return (
    <div className="grid grid-cols-[8.5rem_1fr] border bg-sheet max-sm:grid-cols-[5rem_1fr]">
      <span className="border-b px-2 py-1 text-[13px] text-ink-2">Week from</span>
      <div className="grid border-b" style={columns}>
        {Array.from({ length: WEEKS }, (_, nth) => (
          <span key={nth} className="truncate border-l px-0.5 py-1 text-[11px] leading-tight">
            {weekOf(nth).toFormat('d')}
            <span className="block font-semibold">
              {nth === 0 || weekOf(nth).month !== weekOf(nth - 1).month ? weekOf(nth).toFormat('LLL') : ''}
            </span>
          </span>
        ))}
      </div>
      {rows.map(({ what, name, bay }) => (
        <div key={what} className="contents">
          <p className="truncate border-b px-2 py-1.5 text-[14px] font-semibold" title={name}>
            {name}
          </p>
          <div role="group" aria-label={`${name}, half a year`} className="border-b">
            {bay !== undefined && (
              <div className="relative h-9">
                {stands
                  .filter((each) => each.bay === bay && place(each.to) > 0 && place(each.from) < 1)
                  .map(({ job, from, to, isFar }) => {
                    const left = Math.max(0, place(from));
                    const wide = Math.min(1, place(to)) - left;
                    const words = `${job.title}: ${moment(from)} to ${moment(to)}${isFar ? ', as one block until its days come near' : ''}`;
                    return (
                      <Link
                        key={job.id}
                        to={`/jobs/${job.id}/time`}
                        title={words}
                        aria-label={words}
                        className={`absolute inset-y-1 truncate border px-0.5 text-[12px] font-semibold ${isFar ? 'border-dashed bg-tint-1' : 'bg-tint-3'}`}
                        style={{
                          left: `${100 * left}%`,
                          width: `${Math.max(0.6, 100 * wide)}%`,
                        }}
                      >
                        {wide >= NAMED_FROM && job.title}
                      </Link>
                    );
                  })}
              </div>
            )}
            <div className="grid" style={columns}>
              {load.get(what)?.map((share, nth) => (
                <span
                  key={nth}
                  title={`Week from ${weekOf(nth).toFormat('d LLLL')}: ${share === undefined ? 'nobody there' : `${Math.round(100 * share)} % taken`}`}
                  className={`border-l py-2 text-center text-[12px] tabular-nums ${fillOf(share)}`}
                >
                  {share === undefined ? '–' : share === 0 ? '' : Math.round(100 * share)}
                </span>
              ))}
            </div>
          </div>
        </div>
      ))}
    </div>
  );
}

const weekOfNow = (now: string): DateTime => DateTime.fromISO(now).setZone('local').startOf('week');

function loadsFrom(
  now: string,
  sources: ShopSources,
  shop: ShopCase,
  tasks: readonly PlacedTask[],
): ReadonlyMap<string, readonly (number | undefined)[]> {
  const from = weekOfNow(now);
  const mondays = Array.from({ length: WEEKS }, (_, nth) =>
    from.plus({ weeks: nth }).toISO({ suppressMilliseconds: true })!,
  );
  return new Map(loads(sources, shop, tasks, mondays).map(({ what, weeks }) => [what, weeks]));
}
const fillOf = (share: number | undefined): string => {
  if (share === undefined) return 'text-ink-2';
  if (share >= FULL) return 'bg-stop-soft font-semibold text-stop';
  if (share >= BUSY) return 'bg-warn-soft font-semibold';
  return share > 0 ? 'bg-tint-2' : '';
};
