export {
  fromFinish,
  isPolishing,
  type SiteNeed,
  STEP_KIND_IDS,
  STEP_KINDS,
  type StepKind,
  type StepKindId,
  type StepUse,
  takenUm,
  takesPolish,
} from './steps';
