import { Plus, X } from 'lucide-react';
import { MINUTES_PER_DAY } from '#core/measures';
import type { Job } from '#formats/job';
import { instantAfter } from '#formats/values';
import { Button } from '../../ui/Button';
import { DateTimeField } from '../../ui/DateField';
import { fromInput, toInput } from '../../ui/moments';

type Stretches = NonNullable<NonNullable<Job['crew']['people']>[number]['hours']>;

interface Props {
  readonly name: string;
  readonly hours: Stretches | undefined;
  /** From when on the first of them is proposed. */
  readonly startAt: string;
  readonly onChange: (hours: Stretches | undefined) => void;
}

/** What is proposed lasts so long, minutes. */
const PROPOSED_MIN = 180;

/** When somebody is there, where that is not whenever the workshop is open: evenings and single days. */
export function PersonHours({ name, hours, startAt, onChange }: Props) {
  const put = (next: Stretches) => onChange(next.length > 0 ? next : undefined);
  const change = (at: number, end: 0 | 1, value: string) => {
    const instant = fromInput(value, startAt);
    if (instant === undefined) return;
    put(
      (hours ?? []).map(([from, to], nth) => (nth === at ? (end === 0 ? [instant, to] : [from, instant]) : [from, to])),
    );
  };
  const add = () => {
    const last = hours?.at(-1);
    put([
      ...(hours ?? []),
      last
        ? [instantAfter(last[0], MINUTES_PER_DAY), instantAfter(last[1], MINUTES_PER_DAY)]
        : [startAt, instantAfter(startAt, PROPOSED_MIN)],
    ]);
  };
  const backwards = (hours ?? []).some(([from, to]) => Date.parse(to) <= Date.parse(from));
  return (
    <fieldset className="mt-2">
      <legend className="label">Hours of {name}</legend>
      {!hours && <p className="text-[13px] text-ink-2">Whenever the workshop is open.</p>}
      <ul className="space-y-2">
        {(hours ?? []).map(([from, to], at) => (
          <li key={at} className="flex items-end gap-2">
            <div className="grid flex-1 grid-cols-2 gap-2">
              <DateTimeField label="From" required value={toInput(from)} onChange={(value) => change(at, 0, value)} />
              <DateTimeField label="To" required value={toInput(to)} onChange={(value) => change(at, 1, value)} />
            </div>
            <Button
              look="quiet"
              aria-label={`Remove hours ${at + 1} of ${name}`}
              onClick={() => put((hours ?? []).filter((_, nth) => nth !== at))}
            >
              <X size={15} />
            </Button>
          </li>
        ))}
      </ul>
      {backwards && (
        <p role="alert" className="mt-1 text-[13px] text-stop">
          One of these ends before it begins and does not count. Correct it.
        </p>
      )}
      <Button look="quiet" className="mt-1" onClick={add}>
        <Plus size={15} /> {hours ? 'Same hours the next day' : 'Add own hours, evenings too'}
      </Button>
    </fieldset>
  );
}
