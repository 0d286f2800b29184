import { MS_PER_MIN } from '#core/measures';
import { instantAfter } from '#formats/values';

/** A device's clock that is ahead of ours by no more than this is right enough. */
const AHEAD_MS = 5 * MS_PER_MIN;
/** One that is behind contradicts nothing, until it is of another day: then its battery was flat. */
const BEHIND_MS = 12 * 60 * MS_PER_MIN;

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
  const aheadMs = deviceMs - nowMs;
  if (aheadMs <= AHEAD_MS && aheadMs >= -BEHIND_MS) return { at, nowMs };
  const isOursBack = lastMs !== undefined && nowMs < lastMs - AHEAD_MS && deviceMs >= lastMs - AHEAD_MS;
  if (isOursBack) return { at, nowMs: deviceMs };
  return { at: instantAfter(at, -aheadMs / MS_PER_MIN), deviceAt: at, nowMs };
}
