export {
  clearOnSurfaces,
  conditionAt,
  dropSays,
  dropsOnFound,
  dropsOnLaid,
  hardFromMin,
  lastedOn,
  type LastedOn,
  removalFrom,
  type RemovalPaint,
  type StandingLayer,
  type StandingSurface,
  standingSurfaces,
  topOf,
  waterSeen,
} from './care';
export { agedFound, foundOn, type Wearing } from './found';
export { type DatedBy, type DatedCare, firstWashOf, hardOf, latestDated } from './curing';
export { firstRenewMin, firstWashMin, phaseOf, PHASES } from './phase';
export { neverOn } from './never';
export { GRACE_DAYS, inspectionsDueMs, type LookState, warrantyStands } from './warranty';
export { CARE_KINDS, type CareDays, careDaysOf, type CareKind, USUAL_CARE_DAYS } from './upkeep';
