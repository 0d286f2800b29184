import { DateTime } from 'luxon';

/** Months are written in English whatever the device speaks, as all else is. */
const LOCALE = { locale: 'en-US' } as const;

/** How days are typed: as they are shown, by number in the order of day, month, year, or as files have them. */
const TYPED = ['d LLL yyyy', 'd LLLL yyyy', 'd.M.yyyy', 'd/M/yyyy', 'd-M-yyyy', 'yyyy-M-d', 'd LLL', 'd.M.', 'd/M'];

/** A calendar day as it is shown everywhere: "4 Mar 2027"; empty for none. */
export const shownDay = (day: string): string =>
  day === '' ? '' : DateTime.fromISO(day).toFormat('d LLL yyyy', LOCALE);

/**
 * A day as typed, as `2027-03-04`; undefined for anything that is none. Without a year the one of `near`.
 * @example typedDay('4.3.', '2027-01-01') // '2027-03-04'
 */
export function typedDay(text: string, near: string): string | undefined {
  const clean = text
    .trim()
    .replaceAll(/\s+/g, ' ')
    .replace(/\bsept\b/i, 'Sep');
  for (const format of TYPED) {
    const day = DateTime.fromFormat(clean, format, LOCALE);
    if (!day.isValid) continue;
    return (format.includes('y') ? day : day.set({ year: DateTime.fromISO(near).year })).toISODate();
  }
  return undefined;
}

/**
 * A time of day as typed, as `09:30`; undefined for anything that is none.
 * @example typedTime('930') // '09:30'
 */
export function typedTime(text: string): string | undefined {
  const [, hours, minutes = '0'] = /^(\d{1,2})(?:[:.h ]?(\d{2}))?$/.exec(text.trim()) ?? [];
  if (hours === undefined || Number(hours) > 23 || Number(minutes) > 59) return undefined;
  return `${hours.padStart(2, '0')}:${minutes.padStart(2, '0')}`;
}
