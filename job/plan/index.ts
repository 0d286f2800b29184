export { patchesTried, type ToldLayer, toldInMinutes } from './found';
export {
  asWorked,
  comesOff,
  isAircraft,
  lyingOnSheet,
  plannedJob,
  planOf,
  staying,
  staysOn,
  withTakenOff,
} from './planned-job';
export { planFile } from './write-plan';
export { runsheetFile } from './write-runsheet';
