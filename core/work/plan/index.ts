export { atWork, materialMoneyPerM2 } from './at-work';
export {
  type CoatCase,
  coatMilestones,
  type CoatMilestones,
  coatWindow,
  type CoatWindow,
  cueRatio,
  handoverOf,
  levelling,
  readyBySheet,
  waterSafeOf,
} from './coat';
export { type Finding, FINDING_CODES, SEVERITIES, type Severity } from './findings';
export {
  AHEAD_SCHOOLS,
  type AheadSchool,
  coatKey,
  type CoatName,
  type Move,
  type PlannedJob,
  type FoundTold,
  type PlannedSurface,
} from './job';
export { breathing, conditionFindings } from './conditions';
export { asSeen, coatsInOrder, intervalRulings, type Plan, planJob, planned, substrateUnder } from './plan';
export * as say from './say';
export type { CoatPlan, ProductPurchase, SurfacePlan } from './readiness';
export { amountOnCopy, inOnePiece, type LaidCoat, paceWith, surfaceAreaM2 } from './lay-coat';
export { productsThatFit } from './would-fit';
