export { atWork, materialMoneyPerM2 } from './at-work';
export {
  type CoatCase,
  coatMilestones,
  type CoatMilestones,
  coatWindow,
  type CoatWindow,
  cueRatio,
  handoverOf,
  readyBySheet,
  waterSafeOf,
} from './coat';
export { type Finding, FINDING_CODES, SEVERITIES, type Severity } from './findings';
export type { PlannedJob, PlannedSurface } from './job';
export {
  type CoatPlan,
  type CoatRecord,
  inOnePiece,
  type LaidCoat,
  paceWith,
  type Plan,
  planJob,
  type ProductPurchase,
  surfaceAreaM2,
} from './plan';
