export {
  asWorked,
  bySchoolsOf,
  comesOff,
  excludedFrom,
  isAircraft,
  layingSchools,
  lyingOnSheet,
  overlaid,
  plannedJob,
  planOf,
  staysOn,
  withTakenOff,
} from './planned-job';
export { planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
