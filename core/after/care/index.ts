export {
  clearOnSurfaces,
  conditionAt,
  firstWashAfter,
  removalFrom,
  type StandingLayer,
  type StandingSurface,
  standingSurfaces,
} from './care';
export { firstRenewMin, firstWashMin, phaseOf, PHASES } from './phase';
