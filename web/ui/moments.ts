import { MINUTES_PER_DAY, MINUTES_PER_HOUR, MINUTES_PER_MONTH } from '#core/measures';
import { DateTime } from 'luxon';

/** Whether clocks here stand at an offset in winter or in summer, minutes. */
const isOffsetHere = (offset: number, year: number) =>
  [1, 7].some((month) => DateTime.local(year, month, 1).offset === offset);

/**
 * Times are said in the workshop's own zone. An instant carries its offset, not its zone: where that is one of this
 * device's own, winter or summer, it is said by the clock on the wall here, on either side of a change.
 */
const at = (instant: string) => {
  // No clock on any wall: it is said by the one here.
  if (instant.endsWith('Z')) return DateTime.fromISO(instant);
  const own = DateTime.fromISO(instant, { setZone: true });
  return isOffsetHere(own.offset, own.year) ? own.toLocal() : own;
};

/** A moment of this device, with its own offset. */
export const instantOf = (ms: number): string => DateTime.fromMillis(ms).toISO({ suppressMilliseconds: true })!;

export const clock = (instant: string): string => at(instant).toFormat('HH:mm');

/** "today 14:20", "tomorrow 09:00", "Thu 4 Mar, 09:00", further away with the year. */
export function moment(instant: string, now: Date = new Date()): string {
  const time = at(instant);
  const today = DateTime.fromJSDate(now).setZone(time.zone).startOf('day');
  const days = time.startOf('day').diff(today, 'days').days;
  if (Math.abs(days) < 1) return `today ${time.toFormat('HH:mm')}`;
  if (days === 1) return `tomorrow ${time.toFormat('HH:mm')}`;
  if (days === -1) return `yesterday ${time.toFormat('HH:mm')}`;
  return Math.abs(days) < 180 ? time.toFormat('ccc d LLL, HH:mm') : time.toFormat('d LLL yyyy');
}

export const day = (instant: string): string => at(instant).toFormat('d LLL yyyy');

/** Minutes as a person says them: "40 s", "12 min", "3 h 20 min", "4 days". */
export function span(minutes: number): string {
  const size = Math.abs(minutes);
  if (size < 2) return `${Math.round(size * 60)} s`;
  if (size < 90) return `${Math.round(size)} min`;
  if (size < 48 * 60) {
    const hours = Math.floor(size / MINUTES_PER_HOUR);
    const rest = Math.round((size % 60) / 5) * 5;
    return rest === 60 ? `${hours + 1} h` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
  }
  if (size < 90 * MINUTES_PER_DAY) return `${Math.round(size / MINUTES_PER_DAY)} days`;
  return `${Math.round(size / MINUTES_PER_MONTH)} months`;
}

/** A countdown: "2:05", "1:02:40". */
export function countdown(minutes: number): string {
  const seconds = Math.max(0, Math.floor(Math.abs(minutes) * 60));
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** An instant as a date-and-time input wants it, and back with the zone of this device. */
export const toInput = (instant: string): string => at(instant).toFormat("yyyy-MM-dd'T'HH:mm");
export function fromInput(value: string, zoneOf?: string): string | undefined {
  const zone = zoneOf === undefined ? 'local' : at(zoneOf).zone;
  const time = DateTime.fromISO(value, { zone });
  return time.isValid ? time.toISO({ suppressMilliseconds: true }) : undefined;
}
export const nowInstant = (): string => DateTime.now().toISO();
