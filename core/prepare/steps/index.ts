export {
  type StepUse,
  isPolishing,
  type SiteNeed,
  STEP_KIND_IDS,
  STEP_KINDS,
  type StepKind,
  type StepKindId,
  takesPolish,
} from './steps';
