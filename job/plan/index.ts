export { asWorked, isAircraft, plannedJob, planOf } from './planned-job';
export { planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
