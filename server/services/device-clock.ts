import { CLOCK_SKEW_MIN, isClockOff, MS_PER_MIN } from '#core/measures';
import { instantAfter } from '#formats/values';

/** Whose an entry is, and what the device it comes from takes it to be. */
export interface SentBy {
  readonly by?: string | undefined;
  readonly deviceMs?: number | undefined;
}

/** The clocks as a device sends something. */
export interface Contact {
  readonly nowMs: number;
  /** What the device takes it to be; undefined: it does not say. */
  readonly deviceMs: number | undefined;
  /** When the last entry was recorded here. */
  readonly lastMs: number | undefined;
}

/** A moment a device says, on the clock everything else is recorded by. */
export interface Timed {
  readonly at: string;
  /** As the device said it, where its clock is another. */
  readonly deviceAt?: string;
  /** What it is now, as far as can be told. */
  readonly nowMs: number;
}

/**
 * Puts a moment a device says on the clock of the workshop. Where both clocks differ, the device's is wrong, unless ours
 * has been set back: it says earlier than what was recorded already.
 * @param at instant (ISO 8601)
 */
export function onOurClock(at: string, { nowMs, deviceMs, lastMs }: Contact): Timed {
  if (deviceMs === undefined) return { at, nowMs };
  const aheadMin = (deviceMs - nowMs) / MS_PER_MIN;
  if (!isClockOff(aheadMin)) return { at, nowMs };
  const earliestMs = (lastMs ?? -Infinity) - CLOCK_SKEW_MIN * MS_PER_MIN;
  const isOursBack = nowMs < earliestMs && deviceMs >= earliestMs;
  if (isOursBack) return { at, nowMs: deviceMs };
  return { at: instantAfter(at, -aheadMin), deviceAt: at, nowMs };
}
