export {
  ALWAYS,
  type Hours,
  inOrder,
  minutesWithin,
  nextFit,
  SAME_MOMENT_MIN,
  unbrokenUntil,
  within,
  without,
  workedIn,
} from './hours';
export { CREW_ROLES, hoursOf, mayDo, peopleOf, type Person } from './people';
