export { asWorked, comesOff, isAircraft, lyingOnSheet, plannedJob, planOf, staysOn, withTakenOff } from './planned-job';
export { planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
