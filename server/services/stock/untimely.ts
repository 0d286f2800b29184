/** A clock of a tablet may be ahead by so much, ms. */
const CLOCK_SKEW_MS = 5 * 60_000;

/** What is wrong with a moment that lies in the future; undefined: nothing. */
export const untimely = (at: string, now: Date): string | undefined =>
  Date.parse(at) > now.getTime() + CLOCK_SKEW_MS
    ? 'its time lies in the future; is the clock of that device right'
    : undefined;
