export { CLOCK_SKEW_MIN, isClockOff } from './device-clock';
export { type Measure, MEASURES } from './imperial';
export { normal, seeded } from './random';
export { NINE_IN_TEN_SIGMAS, TENTH_SIGMAS } from './spread';
export {
  MINUTES_PER_DAY,
  MINUTES_PER_HOUR,
  MINUTES_PER_MONTH,
  MONTHS_PER_YEAR,
  MS_PER_DAY,
  MS_PER_HOUR,
  MS_PER_MIN,
} from './time';
