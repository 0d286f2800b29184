export {
  clearOnSurfaces,
  conditionAt,
  firstWashAfter,
  hardFromMin,
  removalFrom,
  type StandingLayer,
  type StandingSurface,
  standingSurfaces,
  waterSeen,
} from './care';
export { firstRenewMin, firstWashMin, phaseOf, PHASES } from './phase';
export { neverOn } from './never';
