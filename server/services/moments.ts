import { DateTime } from 'luxon';

/** A moment as the clock on the workshop's wall has it, with its offset. */
export const localInstant = (ms: number): string => DateTime.fromMillis(ms).toISO({ suppressMilliseconds: true })!;
