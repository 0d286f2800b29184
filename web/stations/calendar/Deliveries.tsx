import { nanoid } from '@reduxjs/toolkit';
import { DateTime } from 'luxon';
import { useState } from 'react';
import type { ReorderList } from '#formats/stock';
import { useReorderQuery } from '../../app/api';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/DateField';
import { day as dayWords } from '../../ui/moments';
import type { ShopCalendarView } from './useShopCalendar';

/** When the post has been, and somebody has put it on the shelf. */
const THERE_H = 12;

/** What jobs lack and has to come first: what waits for it is not laid before. */
export function Deliveries({ shop }: { readonly shop: ShopCalendarView }) {
  const { data: lacking = [] } = useReorderQuery();
  const { ordered } = shop.calendar;
  const change = (next: typeof ordered) => shop.change({ ...shop.calendar, ordered: next });
  const asked = lacking.filter(({ of }) => !ordered.some(({ product }) => product === of));
  if (asked.length === 0 && ordered.length === 0) return null;
  return (
    <section aria-label="Deliveries" className="border bg-sheet p-3 print:hidden">
      <h2 className="font-semibold">Deliveries</h2>
      <ul className="text-[14px]">
        {ordered.map((each) => (
          <li key={each.id} className="flex items-center justify-between gap-2 border-t py-1">
            <span>
              <strong>{each.name}</strong> comes {dayWords(each.on)}
            </span>
            <Button
              look="quiet"
              aria-label={`${each.name} is here`}
              onClick={() => change(ordered.filter(({ id }) => id !== each.id))}
            >
              It is here
            </Button>
          </li>
        ))}
        {asked.map((line) => (
          <Lacking
            key={line.of}
            line={line}
            now={shop.view.now}
            onOrder={(on) =>
              change([
                ...ordered,
                { id: nanoid(), product: line.of, name: line.name, on, jobs: line.jobs.map(({ id }) => id) },
              ])
            }
          />
        ))}
      </ul>
    </section>
  );
}

function Lacking({
  line,
  now,
  onOrder,
}: {
  readonly line: ReorderList[number];
  readonly now: string;
  readonly onOrder: (on: string) => void;
}) {
  const today = DateTime.fromISO(now).setZone('local').startOf('day');
  const takesDays = Math.round((Date.parse(line.firstShort) - Date.parse(line.orderBy)) / 86_400_000);
  const [day, setDay] = useState(today.plus({ days: Math.max(1, takesDays) }).toISODate()!);
  return (
    <li className="border-t py-1.5">
      <strong>{line.name}</strong> is short for {line.jobs.map(({ title }) => title).join(', ')}
      {line.late && <span className="text-stop">; ordered now it comes too late</span>}
      <div className="mt-1 flex items-end gap-2">
        <DateField label={`${line.name} comes`} value={day} onChange={setDay} required className="flex-1" />
        <Button
          disabled={day === ''}
          onClick={() => onOrder(DateTime.fromISO(day).set({ hour: THERE_H }).toISO({ suppressMilliseconds: true })!)}
        >
          Ordered
        </Button>
      </div>
    </li>
  );
}
