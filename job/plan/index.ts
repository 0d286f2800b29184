export { foundTold, patchesTried, type ToldLayer, toldInMinutes } from './found';
export { comesOff, isAircraft, lyingOnSheet, planInput, planOf, staying, staysOn, withTakenOff } from './plan-input';
export { firstPlanFile, planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
