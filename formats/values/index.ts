export { changedPaths } from './changed-paths';
export { type Clash, mergeThree } from './merge';
export { type Fault, faultLine, FaultsError, faultsOfIssues, pathText } from './faults';
export { clockShift, instantAfter, minuteOfDay, minutesBetween, minutesToDay, onTheClock, weekday } from './moments';
export { money } from './money';
export { isNumber, isRecord, type Raw, records } from './raw';
export { parseJson, read } from './read';
export {
  anyNumber,
  calendarDay,
  celsius,
  flag,
  id,
  instant,
  list,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  percent,
  positive,
  range,
  share,
  text,
  wholeNonNegative,
  wholePositive,
} from './values';

export { keptStrokes, strokes } from './strokes';
