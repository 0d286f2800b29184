export { atWork, materialMoneyPerM2 } from './at-work';
export { amountOnCopy, inOnePiece, paceWith, surfaceAreaM2 } from './amount';
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
  aheadOf,
  type AheadSchool,
  coatKey,
  type CoatName,
  type KnownOfFound,
  type Move,
  type PlanInput,
  type InputSurface,
} from './input';
export type { CoatsLaid, CopyCoat } from './laid';
export type { Refusal, RefusalCode } from './refusal';
export { mustLieOutside } from './outside';
export { planOneByOne } from './one-by-one';
export { type Plan, planFrom } from './plan';
export * as say from './say';
export type { CoatPlan, LaidCoat, ProductPurchase } from './readiness';
export {
  coatName,
  coatsOf,
  coatStart,
  overBelow,
  substrateUnder,
  type SurfaceCoat,
  told,
  type ToldCoat,
} from './surface-coat';
export { productsThatFit } from './would-fit';
