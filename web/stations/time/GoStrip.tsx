import { SLOT_MIN, type GoVerdict } from '#core/lay/go';
import type { GoView } from '#job/go';
import { DateTime } from 'luxon';
import { useJob } from '../../job/job-context';
import { moment } from '../../ui/moments';
import { GO_WORDS } from './go-words';

interface Props {
  readonly view: GoView;
  readonly slot: number;
  readonly onSlot: (slot: number) => void;
}

/** Told by height as well as by colour: what may go stands tall. */
const BARS: Readonly<Record<GoVerdict, string>> = {
  good: 'h-7 bg-ok',
  marginal: 'h-4 bg-warn',
  not: 'h-1.5 bg-stop',
};
const HOURS_A_LABEL = 6;

/** Two days ahead, product by product, half an hour a bar; the moment that is looked at is moved along it. */
export function GoStrip({ view: { fromMin, slots, rows, hours }, slot, onSlot }: Props) {
  const job = useJob('at');
  const times = Array.from({ length: slots }, (_, index) => fromMin + index * SLOT_MIN);
  const isOpen = (tMin: number) => hours.some(([from, to]) => from <= tMin && tMin < to);
  const columns = { gridTemplateColumns: `9rem repeat(${slots}, minmax(0, 1fr))` };
  const clocks = times.map((tMin) => DateTime.fromISO(job.at(tMin), { setZone: true }));
  // The slot a quarter of a day begins in: slots begin with the job, not with the hour.
  const labels = clocks.flatMap((time, index) => {
    const before = clocks[index - 1];
    const quarter = (of: DateTime) => Math.floor(of.hour / HOURS_A_LABEL);
    if (!before || (quarter(before) === quarter(time) && before.hasSame(time, 'day'))) return [];
    return [{ index, text: quarter(time) === 0 ? time.toFormat('ccc d') : `${quarter(time) * HOURS_A_LABEL}:00` }];
  });
  return (
    <section
      aria-label="Two days ahead"
      className="shrink-0 overflow-auto border-t px-4 py-3"
      style={{ maxHeight: '16rem' }}
    >
      <div className="relative grid items-end gap-y-2" style={columns}>
        {rows.map(({ product, verdicts }, row) => (
          <div key={product.id} className="contents">
            <span className="truncate pr-2 text-[13px]" style={{ gridRow: row + 1, gridColumn: 1 }}>
              {product.name}
            </span>
            {verdicts.map((verdict, index) => (
              <span
                key={index}
                aria-hidden
                className={`flex h-7 items-end ${isOpen(times[index]!) ? '' : 'opacity-35'} ${index === slot ? 'bg-over-soft' : ''}`}
                style={{ gridRow: row + 1, gridColumn: index + 2 }}
              >
                <span className={`w-full ${BARS[verdict]} ${index === slot ? 'ring-1 ring-over' : ''}`} />
              </span>
            ))}
          </div>
        ))}
      </div>
      <div className="grid h-5 text-[12px] text-ink-2" style={columns}>
        <span>half an hour a bar</span>
        {labels.map(({ index, text }) => (
          <span
            key={index}
            className="whitespace-nowrap border-l pl-1"
            style={{ gridColumn: `${index + 2} / span ${Math.min(10, slots - index)}`, gridRow: 1 }}
          >
            {text}
          </span>
        ))}
      </div>
      <div className="grid" style={columns}>
        <label htmlFor="go-moment" className="text-[13px] text-ink-2">
          Look at
        </label>
        <input
          id="go-moment"
          type="range"
          min={0}
          max={slots - 1}
          value={slot}
          aria-valuetext={`${moment(job.at(times[slot]!))}: ${rows.map(({ product, verdicts }) => `${product.name} ${GO_WORDS[verdicts[slot]!]}`).join(', ')}`}
          onChange={({ target }) => onSlot(Number(target.value))}
          className="h-8 w-full accent-over"
          style={{ gridColumn: `2 / span ${slots}` }}
        />
      </div>
      <p className="text-[12px] text-ink-3">Pale: nobody is there.</p>
    </section>
  );
}
