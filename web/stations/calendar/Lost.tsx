import { nanoid } from '@reduxjs/toolkit';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { LOST_WHYS, type LostWhy } from '#formats/job';
import { instantAfter, minuteOfDay } from '#formats/values';
import { bayOf, personOf, toolOf } from '#job/calendar';
import { Button } from '../../ui/Button';
import { day as dayWords, moment } from '../../ui/moments';
import { SelectField } from '../../ui/SelectField';
import { LOST_WORDS } from '../../hours/day-words';
import { OtherStretch } from '../../hours/OtherStretch';
import type { ShopCalendarView } from './useShopCalendar';

/** So many days ahead somebody says that one is lost. */
const AHEAD = 60;

/** A day, a week of service, a holiday. */
const LASTS = [1, 2, 3, 4, 5, 7, 10, 14, 21] as const;

/** Days on which a bay, a person or a tool is not there: what that moves is seen at once. */
export function Lost({
  shop,
  bays,
}: {
  readonly shop: ShopCalendarView;
  readonly bays: readonly { readonly id: string; readonly name: string }[];
}) {
  const whats = [
    ...bays.map(({ id, name }) => [bayOf(id), name] as const),
    ...shop.calendar.people.map(({ id, name }) => [personOf(id), name] as const),
    ...shop.calendar.tools.map(({ id, name }) => [toolOf(id), name] as const),
  ];
  const today = DateTime.fromISO(shop.view.now).setZone('local').startOf('day');
  const [what, setWhat] = useState(whats[0]?.[0] ?? '');
  const [ahead, setAhead] = useState('0');
  const [lasts, setLasts] = useState('1');
  const [why, setWhy] = useState<LostWhy>('power');
  const names = new Map(whats);
  const add = () => {
    const from = today.plus({ days: Number(ahead) });
    const iso = (at: DateTime) => at.toISO({ suppressMilliseconds: true })!;
    const lost = { id: nanoid(), what, from: iso(from), to: iso(from.plus({ days: Number(lasts) })), why };
    shop.change({ ...shop.calendar, lost: [...shop.calendar.lost, lost] });
  };
  return (
    <section aria-label="A day lost" className="border bg-sheet p-3">
      <h2 className="font-semibold">A day lost</h2>
      <div className="mt-2 grid gap-2">
        <SelectField label="Who or what" value={what} options={whats} onChange={setWhat} />
        <SelectField
          label="Day"
          value={ahead}
          options={Array.from({ length: AHEAD }, (_, nth) => [
            String(nth),
            today.plus({ days: nth }).toFormat('cccc d LLLL'),
          ])}
          onChange={setAhead}
        />
        <SelectField
          label="For"
          value={lasts}
          options={LASTS.map((days) => [String(days), days === 1 ? 'that day' : `${days} days from then`])}
          onChange={setLasts}
        />
        <SelectField
          label="Why"
          value={why}
          options={LOST_WHYS.map((each) => [each, LOST_WORDS[each]] as const)}
          onChange={setWhy}
        />
        <Button onClick={add} disabled={what === ''}>
          It is lost
        </Button>
        {what !== '' && (
          <OtherStretch
            startAt={shop.view.now}
            fromMin={0}
            at={(min) => instantAfter(shop.view.now, min)}
            onBlock={(from, to) =>
              shop.change({ ...shop.calendar, lost: [...shop.calendar.lost, { id: nanoid(), what, from, to, why }] })
            }
          />
        )}
      </div>
      {shop.calendar.lost.length > 0 && (
        <ul className="mt-2 text-[14px]">
          {shop.calendar.lost.map((lost) => (
            <li key={lost.id} className="flex items-center justify-between gap-2 border-t py-1">
              <span>
                {names.get(lost.what) ?? lost.what}, {daysLost(lost)}: {LOST_WORDS[lost.why]}
              </span>
              <Button
                look="quiet"
                onClick={() =>
                  shop.change({ ...shop.calendar, lost: shop.calendar.lost.filter(({ id }) => id !== lost.id) })
                }
              >
                It is not
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** From its first day to its last; by the clock where it is no whole day. */
function daysLost({ from, to }: ShopCalendarView['calendar']['lost'][number]): string {
  if (minuteOfDay(from) !== 0 || minuteOfDay(to) !== 0) return `${moment(from)} to ${moment(to)}`;
  const last = DateTime.fromISO(to).minus({ minutes: 1 }).toISO()!;
  return dayWords(from) === dayWords(last) ? dayWords(from) : `${dayWords(from)} to ${dayWords(last)}`;
}
