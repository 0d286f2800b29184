import { DateTime } from 'luxon';
import { MINUTES_PER_HOUR, MS_PER_MIN } from '#core/measures';

/** Hours of a day that are drawn: what is outside them stands at the edge. */
const [FIRST_H, LAST_H] = [7, 20];
export const DAYS = 7;
const DAY_MIN = (LAST_H - FIRST_H) * MINUTES_PER_HOUR;

/** A week drawn day beside day, nights left out. */
export interface WeekAxis {
  readonly days: readonly DateTime[];
  /** Place of an instant across the week, 0 to 1; before and after it the ends. */
  readonly at: (instant: string) => number;
  /** The instant at a place across the week. */
  readonly instantAt: (share: number) => string;
  /** What is seen of a span. */
  readonly shown: (from: string, to: string) => { readonly left: number; readonly width: number } | undefined;
}

export function weekAxis(monday: DateTime): WeekAxis {
  const days = Array.from({ length: DAYS }, (_, nth) => monday.plus({ days: nth }));
  const at = (instant: string) => {
    const moment = DateTime.fromMillis(Date.parse(instant));
    const day = Math.floor(moment.startOf('day').diff(monday, 'days').days + 1e-6);
    if (day < 0) return 0;
    if (day >= DAYS) return 1;
    const min = moment.hour * MINUTES_PER_HOUR + moment.minute - FIRST_H * MINUTES_PER_HOUR;
    return (day + Math.min(1, Math.max(0, min / DAY_MIN))) / DAYS;
  };
  return {
    days,
    at,
    instantAt(share) {
      const place = Math.min(DAYS - 1e-6, Math.max(0, share * DAYS));
      const day = Math.floor(place);
      const min = Math.round(((place - day) * DAY_MIN) / 5) * 5;
      // By the clock on the wall, on the day it is changed too.
      return days[day]!.set({
        hour: FIRST_H + Math.floor(min / MINUTES_PER_HOUR),
        minute: min % MINUTES_PER_HOUR,
      }).toISO({ suppressMilliseconds: true })!;
    },
    shown(from, to) {
      const [left, right] = [at(from), at(to)];
      const whole = Date.parse(to) - Date.parse(from) >= MS_PER_MIN;
      const isSeen =
        Date.parse(to) > days[0]!.toMillis() && Date.parse(from) < days[0]!.plus({ days: DAYS }).toMillis();
      return isSeen && whole ? { left, width: right - left } : undefined;
    },
  };
}
