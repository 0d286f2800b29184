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
  sharedIn,
  workedIn,
} from './hours';
export { CREW_ROLES, type CrewRole, hoursOf, mayDo, peopleOf, preparersOf, type Person, withHands } from './people';
