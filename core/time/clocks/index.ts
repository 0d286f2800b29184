export { latestMoment } from './latest';
export {
  AIR_SPEED_EXPONENT,
  type Clock,
  clockRate,
  DEFAULT_E_KJ,
  DEFAULT_MOISTURE_ORDER,
  MECHANISMS,
  NATURAL_CONVECTION,
  REFERENCE_AIR,
} from './mechanisms';
export {
  CLOCK_NAMES,
  type ClockName,
  clockRunMin,
  countsFrom,
  LEVELLING_MILESTONES,
  type Milestone,
  type MilestoneName,
  MILESTONES,
  reachedAtMin,
  stepAt,
} from './milestones';
export { minutesInWords, spanInWords } from './span';
export {
  CLOSED_WINDOW_MIN,
  guardedWindow,
  LARGEST_GUARD_SHARE,
  type LevelWindow,
  NARROW_WINDOW_MIN,
  type WindowVerdict,
  windowVerdict,
} from './window';
export { mechanismInWords, rateInWords } from './words';
