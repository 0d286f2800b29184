export {
  IRON_TESTS,
  TOUCHES,
  type Evidence,
  foundByWater,
  twinDifferences,
  twinOf,
  WATER_BEHAVIOURS,
  whatFollows,
} from './evidence';
export {
  INSPECTION_LIGHTS,
  type InspectionLight,
  type Mark,
  isWorn,
  MARK_KIND_IDS,
  MARK_KINDS,
  MARK_SEVERITIES,
  type MarkKindId,
  type MarkSeverity,
  type Outcome,
  outcomePossible,
  OUTCOMES,
  OUTCOME_NAMES,
  LIGHT_NAMES,
  worstSeverity,
  marksInWords,
} from './marks';
export { seenSeverity, type Tone, TONES } from './tone';
