import { useState } from 'react';
import { type OpenDay, USUAL_WEEK } from '#core/schedule/hours';
import type { Bay } from '#formats/job';
import { weekOf } from '#job/promise';
import { errorText } from '../app/api';
import { useSaveBay } from '../app/calls';
import { NumberField } from '../ui/NumberField';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** When somebody works in a bay, day by day: nothing is begun that cannot be levelled before it closes. */
export function WeekForm({ bay }: { readonly bay: Bay }) {
  const [save, { error }] = useSaveBay();
  const [wrong, setWrong] = useState<string>();
  const week = weekOf(bay);
  const change = (at: number, day: OpenDay) => {
    if (day && day[0] >= day[1]) return setWrong(`${DAYS[at]} would close before it opens.`);
    setWrong(undefined);
    const next = week
      .map((open, index) => (index === at ? day : open))
      .map((open) => open && ([...open] as [number, number]));
    void save({ ...bay, climate: { ...bay.climate, week: next } });
  };
  const hourFault = (value: number) => (value >= 0 && value <= 24 ? undefined : '0 to 24');
  const problem = wrong ?? (error && errorText(error));
  return (
    <details className="mt-3 border-t pt-2">
      <summary className="text-[14px] text-ink-2">When {bay.name} is open</summary>
      <ul className="mt-2 space-y-2">
        {DAYS.map((name, at) => {
          const open = week[at] ?? null;
          return (
            <li key={name} className="grid grid-cols-[7.5rem_1fr_1fr] items-end gap-2">
              <label className="flex min-h-10 items-center gap-2 text-[14px]">
                <input
                  type="checkbox"
                  checked={open !== null}
                  onChange={() => change(at, open ? null : USUAL_WEEK[at]!)}
                />
                {name}
              </label>
              {open ? (
                <>
                  <NumberField
                    label={`${name}, opens`}
                    unit="h"
                    value={open[0]}
                    check={hourFault}
                    onChange={(opens) => opens !== undefined && change(at, [opens, open[1]])}
                  />
                  <NumberField
                    label={`${name}, closes`}
                    unit="h"
                    value={open[1]}
                    check={hourFault}
                    onChange={(closes) => closes !== undefined && change(at, [open[0], closes])}
                  />
                </>
              ) : (
                <span className="col-span-2 flex min-h-10 items-center text-[14px] text-ink-2">closed</span>
              )}
            </li>
          );
        })}
      </ul>
      {problem && (
        <p role="alert" className="mt-1 text-[13px] text-stop">
          {problem}
        </p>
      )}
    </details>
  );
}
