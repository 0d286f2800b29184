export { patchesTried, type ToldLayer, toldInMinutes } from './found';
export { comesOff, isAircraft, lyingOnSheet, plannedJob, planOf, staying, staysOn, withTakenOff } from './planned-job';
export { firstPlanFile, planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
