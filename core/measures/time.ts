/** Spans of time as whole numbers of smaller ones. */
export const MINUTES_PER_HOUR = 60;
export const MINUTES_PER_DAY = 24 * MINUTES_PER_HOUR;
const DAYS_PER_YEAR = 365.25;
export const MONTHS_PER_YEAR = 12;
/** The mean month of the Gregorian calendar's cycle of four years: 30.4375 days. */
export const MINUTES_PER_MONTH = (DAYS_PER_YEAR / MONTHS_PER_YEAR) * MINUTES_PER_DAY;
export const MS_PER_MIN = 60_000;
export const MS_PER_HOUR = MINUTES_PER_HOUR * MS_PER_MIN;
export const MS_PER_DAY = MINUTES_PER_DAY * MS_PER_MIN;
