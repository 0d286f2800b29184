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
  MARK_KIND_IDS,
  MARK_KINDS,
  MARK_SEVERITIES,
  type MarkKindId,
  type MarkSeverity,
  type Outcome,
  outcomeOf,
  outcomePossible,
  OUTCOMES,
  OUTCOME_NAMES,
  LIGHT_NAMES,
  worstSeverity,
  marksInWords,
} from './marks';
export { seenSeverity, type Tone, TONES } from './tone';
