import { DateTime } from 'luxon';
import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';
import { type BlockKind, begins, type DayBlock, ends } from '#core/schedule/days';
import { inOrder, within } from '#core/plan/crew';
import type { DaysView } from '#job/days';
import { lostHours } from '#job/promise';
import { useJob } from '../../job/job-context';
import { clock } from '../../ui/moments';
import { blockName } from '../../hours/day-words';

const LOOKS: Readonly<Record<BlockKind, string>> = {
  'set-up': 'bg-tint-1',
  clean: 'bg-tint-2',
  correct: 'bg-tint-3',
  wipe: 'bg-tint-2',
  dry: 'bg-sheet border-dashed',
  lay: 'bg-tint-4',
  'pack-up': 'bg-tint-1',
  wait: 'bg-sheet border-dashed',
  cure: 'bg-tint-2 border-dashed',
  check: 'bg-tint-3',
  'hand-over': 'bg-over text-over-ink',
};
const ROW_PX = 58;
/** A name stands on what takes at least this share of a day. */
const NAMED_FROM = 0.035;
const HOURS_MARKED = [0, 4, 8, 12, 16, 20];
/** Longer than this a job is told in its list, days. */
const MOST_DAYS = 21;

/** A line a calendar day: when somebody is there, what is done, and what goes on by itself through the night. */
export function DayStrips({ days }: { readonly days: DaysView }) {
  const job = useJob('document', 'nowMin', 'planned');
  const { blocks } = days;
  const start = DateTime.fromISO(job.document.startAt, { setZone: true });
  const midnightMin = -(start.hour * MINUTES_PER_HOUR + start.minute + start.second / 60);
  const fromMin = Math.min(...blocks.map(begins));
  const untilMin = Math.max(...blocks.map(ends));
  const first = Math.floor((fromMin - midnightMin) / MINUTES_PER_DAY);
  const last = Math.min(first + MOST_DAYS - 1, Math.floor((untilMin - 1e-6 - midnightMin) / MINUTES_PER_DAY));
  const open = inOrder(days.people.flat());
  const lost = lostHours(job.document);
  return (
    <div className="p-4">
      <div aria-hidden className="ml-24 flex text-[12px] text-ink-3">
        {HOURS_MARKED.map((hour) => (
          <span key={hour} className="flex-1 tabular-nums">
            {String(hour).padStart(2, '0')}:00
          </span>
        ))}
      </div>
      {Array.from({ length: Math.max(1, last - first + 1) }, (_, nth) => {
        const day: readonly [number, number] = [
          midnightMin + (first + nth) * MINUTES_PER_DAY,
          midnightMin + (first + nth + 1) * MINUTES_PER_DAY,
        ];
        const place = ([from, to]: readonly [number, number]) => ({
          left: `${(100 * (from - day[0])) / MINUTES_PER_DAY}%`,
          width: `${(100 * (to - from)) / MINUTES_PER_DAY}%`,
        });
        const now = job.nowMin >= day[0] && job.nowMin < day[1] ? job.nowMin : undefined;
        const needed = job.planned.needsByMin;
        return (
          <div key={day[0]} className="flex items-stretch border-b first:border-t">
            <p className="w-24 shrink-0 self-center pr-2 text-right">
              <span className="block font-semibold">{start.plus({ days: first + nth }).toFormat('ccc')}</span>
              <span className="block text-[13px] text-ink-2">
                {start.plus({ days: first + nth }).toFormat('d LLL')}
              </span>
            </p>
            <div className="relative flex-1 overflow-hidden bg-tint-1" style={{ height: ROW_PX }}>
              {within(open, [day]).map((stretch) => (
                <span key={stretch[0]} aria-hidden className="absolute inset-y-0 bg-sheet" style={place(stretch)} />
              ))}
              {HOURS_MARKED.slice(1).map((hour) => (
                <span
                  key={hour}
                  aria-hidden
                  className="absolute inset-y-0 border-l border-line"
                  style={{ left: `${(100 * hour) / 24}%` }}
                />
              ))}
              {within(lost, [day]).map((stretch) => (
                <span
                  key={stretch[0]}
                  title="Lost"
                  className="absolute inset-y-0 grid place-items-center border-x border-stop bg-stop-soft text-[12px] text-stop"
                  style={place(stretch)}
                >
                  ✕ lost
                </span>
              ))}
              {blocks.flatMap((block) =>
                within(block.stretches, [day]).map((stretch) => (
                  <Block key={`${block.key} ${stretch[0]}`} block={block} stretch={stretch} place={place(stretch)} />
                )),
              )}
              {needed !== undefined && needed >= day[0] && needed < day[1] && (
                <Line at={place([needed, needed]).left} says="needed" />
              )}
              {now !== undefined && <Line at={place([now, now]).left} says="now" />}
            </div>
          </div>
        );
      })}
      {last < Math.floor((untilMin - 1e-6 - midnightMin) / MINUTES_PER_DAY) && (
        <p className="mt-2 text-ink-2">It goes on beyond three weeks: see the list.</p>
      )}
    </div>
  );
}

/** A moment across a day. */
const Line = ({ at, says }: { readonly at: string; readonly says: string }) => (
  <span className="absolute inset-y-0 z-10 border-l-2 border-over" style={{ left: at }}>
    <span className="absolute bottom-0 bg-sheet px-1 text-[11px] font-semibold text-over">{says}</span>
  </span>
);

function Block({
  block,
  stretch: [from, to],
  place,
}: {
  readonly block: DayBlock;
  readonly stretch: readonly [number, number];
  readonly place: { readonly left: string; readonly width: string };
}) {
  const job = useJob('at', 'productName');
  const name = blockName(block.key, job);
  const words = `${name}, ${clock(job.at(from))} to ${clock(job.at(to))}`;
  const byItself = block.personMin === 0;
  return (
    <span
      title={words}
      className={`absolute overflow-hidden whitespace-nowrap border border-ink-3 px-1 text-[12px] leading-5 ${LOOKS[block.kind]} ${byItself ? 'bottom-1 h-5 text-ink-2' : 'top-1.5 h-7'}`}
      style={{ ...place, minWidth: 3 }}
    >
      {(to - from) / MINUTES_PER_DAY >= NAMED_FROM && name}
    </span>
  );
}
