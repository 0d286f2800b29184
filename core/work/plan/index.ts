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
export { type Plan, planJob, substrateUnder } from './plan';
export type { CoatPlan, ProductPurchase } from './readiness';
export { type CoatRecord, inOnePiece, type LaidCoat, paceWith, surfaceAreaM2 } from './lay-coat';
