import { CLOCK_SKEW_MIN, MS_PER_MIN } from '#core/measures';

/** What is wrong with a moment that lies in the future; undefined: nothing. */
export const untimely = (at: string, now: Date): string | undefined =>
  Date.parse(at) > now.getTime() + CLOCK_SKEW_MIN * MS_PER_MIN
    ? 'its time lies in the future; is the clock of that device right'
    : undefined;
