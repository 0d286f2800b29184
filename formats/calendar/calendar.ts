import ical, { ICalCalendarMethod } from 'ical-generator';
import { DateTime } from 'luxon';

/** One date for somebody's calendar. */
export interface CalendarEvent {
  /** The same in every edition, so that a calendar that has it moves it instead of adding another. */
  readonly key: string;
  readonly title: string;
  /** An instant with its offset. */
  readonly from: string;
  readonly until?: string;
  /** The whole of the day of `from`, where it is. */
  readonly allDay?: boolean;
  readonly says?: string;
}

/**
 * Dates as an iCalendar file (RFC 5545). Moments are written in universal time, so that a change of summer time between
 * moves none; whole days as days.
 * @param about what they belong to: its id, its edition (a later one replaces an earlier), and when it is written
 */
export function calendarFile(
  name: string,
  events: readonly CalendarEvent[],
  about: { readonly id: string; readonly edition: number; readonly at: Date },
): string {
  const calendar = ical({
    // It stands on a line of its own.
    name: name.replaceAll(/\s+/g, ' '),
    prodId: { company: 'Glaphyra', product: 'Glaphyra', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { key, title, from, until, allDay = false, says } of events) {
    calendar.createEvent({
      id: `${about.id}.${key}@glaphyra`,
      sequence: about.edition,
      stamp: about.at,
      start: allDay ? localDay(from) : new Date(Date.parse(from)),
      ...(until !== undefined && { end: new Date(Date.parse(until)) }),
      allDay,
      summary: title,
      ...(says !== undefined && { description: says }),
    });
  }
  return `${calendar.toString().replace(OF_ONE_PROGRAM, '')}\r\n`;
}

/** Lines that mean something to one program only; the name is no such line. */
const OF_ONE_PROGRAM = /^X-(?!WR-CALNAME).*\r\n/gm;

/** The calendar day of an instant at its own offset, as the writer of whole days reads it: on this machine's clock. */
function localDay(instant: string): Date {
  const { year, month, day } = DateTime.fromISO(instant, { setZone: true });
  return new Date(year, month - 1, day);
}
