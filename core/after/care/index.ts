export {
  clearOnSurfaces,
  conditionAt,
  firstWashAfter,
  MINUTES_PER_MONTH,
  removalFrom,
  type StandingLayer,
  type StandingSurface,
  standingSurfaces,
} from './care';
export { firstRenewMin, firstWashMin, stageOf, STAGES } from './stage';
