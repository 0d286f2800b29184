import { MS_PER_MIN } from '#core/measures';
import { DateTime } from 'luxon';

/**
 * Minutes from one instant to another.
 * @example minutesBetween('2027-03-02T08:30:00+01:00', '2027-03-02T07:45:00Z') // 15: later is positive
 */
export function minutesBetween(from: string, to: string): number {
  return (Date.parse(to) - Date.parse(from)) / MS_PER_MIN;
}

/**
 * Minutes from `startAt` to the local midnight that begins a calendar day, at the offset of `startAt`.
 * @example minutesToDay('2027-03-02T08:30:00+01:00', '2027-03-02') // -510: that day began before
 */
export function minutesToDay(startAt: string, day: string): number {
  const start = DateTime.fromISO(startAt, { setZone: true });
  return (DateTime.fromISO(day, { zone: start.zone }).toMillis() - start.toMillis()) / MS_PER_MIN;
}

/** Local minutes since midnight of an instant, at its own offset. */
export function minuteOfDay(instant: string): number {
  const moment = DateTime.fromISO(instant, { setZone: true });
  return moment.hour * 60 + moment.minute + moment.second / 60;
}

/** The next full so many minutes of the clock on the wall, from a full minute on. */
export const onTheClock = (at: string, everyMin: number): string =>
  instantAfter(at, (everyMin - (minuteOfDay(at) % everyMin)) % everyMin);

/** Day of the week of an instant at its own offset, 1 Monday to 7 Sunday. */
export const weekday = (instant: string): number => DateTime.fromISO(instant, { setZone: true }).weekday;

/**
 * The instant so many minutes after `startAt`, at the offset of `startAt`, to the second.
 * @example instantAfter('2027-03-02T08:30:00+01:00', 90) // '2027-03-02T10:00:00+01:00'
 */
export function instantAfter(startAt: string, minutes: number): string {
  const start = DateTime.fromISO(startAt, { setZone: true });
  const roundedMs = Math.round((start.toMillis() + minutes * MS_PER_MIN) / 1000) * 1000;
  return DateTime.fromMillis(roundedMs, { zone: start.zone }).toISO({ suppressMilliseconds: true })!;
}

/**
 * By how many minutes the clocks of this workshop have been put forward since an instant, at a moment after it; 0 where
 * the instant was told by another clock than theirs.
 */
export function clockShift(startAt: string): (tMin: number) => number {
  const startMs = Date.parse(startAt);
  const behind = (ms: number) => new Date(ms).getTimezoneOffset();
  const own = behind(startMs);
  if (DateTime.fromISO(startAt, { setZone: true }).offset !== -own) return () => 0;
  return (tMin) => own - behind(startMs + tMin * MS_PER_MIN);
}
