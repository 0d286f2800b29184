export { asWorked, excludedFrom, isAircraft, plannedJob, planOf, staysOn } from './planned-job';
export { planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
