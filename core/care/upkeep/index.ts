export {
  clearOnSurfaces,
  conditionAt,
  dropSays,
  dropsOnFound,
  dropsOnLaid,
  firstWashAfter,
  hardFromMin,
  lastedOn,
  type LastedOn,
  removalFrom,
  type StandingLayer,
  type StandingSurface,
  standingSurfaces,
  topOf,
  waterSeen,
} from './care';
export { agedFound, foundOn, type Wearing } from './found';
export { firstRenewMin, firstWashMin, phaseOf, PHASES } from './phase';
export { neverOn } from './never';
export { GRACE_DAYS, inspectionsDueMs, type LookState, warrantyStands } from './warranty';
export { takesTopper, TOPPER_EVERY_WASHES, WASH_EVERY_WEEKS } from './upkeep';
