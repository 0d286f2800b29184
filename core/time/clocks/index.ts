export { latestMoment } from './latest';
export { type Clock, clockRate, MECHANISMS } from './mechanisms';
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
} from './milestones';
export { minutesInWords, spanInWords } from './span';
export { guardedWindow, type LevelWindow, type WindowVerdict, windowVerdict } from './window';
export { mechanismInWords, rateInWords } from './words';
