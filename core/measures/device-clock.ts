/** A device's clock that is ahead of the workshop's by no more is right enough, min. */
export const CLOCK_SKEW_MIN = 5;
/** One that is behind contradicts nothing, until it is of another day, min: then its battery was flat. */
const BEHIND_MIN = 12 * 60;

/** Whether a device's clock is so far from the workshop's that what it says is put right. @param aheadMin minutes */
export const isClockOff = (aheadMin: number): boolean => aheadMin > CLOCK_SKEW_MIN || aheadMin < -BEHIND_MIN;
