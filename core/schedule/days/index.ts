export {
  begins,
  type BlockKind,
  type DayBlock,
  type DaysCase,
  ends,
  jobDays,
  type JobDays,
  readyAfter,
} from './blocks';
export { type Agreed, type DayChange, dayChanges } from './changes';
export { untilDeadline, type UntilDeadline } from './until';
