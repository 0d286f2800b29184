export {
  asWorked,
  bySchoolsOf,
  excludedFrom,
  isAircraft,
  layingSchools,
  overlaid,
  plannedJob,
  planOf,
  staysOn,
} from './planned-job';
export { planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
