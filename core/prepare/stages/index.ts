export { adviseLevel, USE_NAMES, USES } from './advice';
export { looseEnds, waterHides } from './closing';
export {
  HOURS_LEARNING,
  learnedHours,
  learnedShares,
  learnedUse,
  lessonOf,
  type PreparationLesson,
  USE_LEARNING,
} from './lessons';
export { shareKey } from './marks-gone';
export type { MarkOutcome, ObservationEntry } from './observations';
export { compareLevels, type Preparation, prepareItem, type PrepStage, type ScopeOption, usesOf } from './item';
export { fateInWords, fateOf } from './fates';
export type { Ledger } from './ledger';
export { type Level, LEVEL_DEFINITIONS, LEVELS, levelSays } from './levels';
export { type PreparePhase, preparePhase, type Turn, workingDay, type WorkingDay } from './order';
export { inOwnersWords, type PlacedMark } from './owner-words';
export {
  isDone,
  type PanelCase,
  type PanelPreparation,
  type PrepareSettings,
  type PrepStep,
  SCOPE_STATES,
} from './panel-case';
export { CUTTING_BY_HARDNESS, REFINING_BY_HARDNESS } from './pace';
export { removalsToComeUm } from './removals';
export { type Need, NEEDS } from './needs';
export { type Lacking, lackingOn, stillToDo } from './readiness';
export { type PrepareSchools, SCHOOL_CHOICES, USUAL_SCHOOLS } from './schools';
export { FULL_SITE } from './site';
export { type SpotCase, spotWipe, spotWork } from './spot-work';
export {
  afterStageEntry,
  PAUSE_REASONS,
  type PauseReason,
  rinseByMin,
  type StageEntry,
  stageFault,
  type StageRecord,
  stageState,
  withObservation,
  workedMin,
} from './stage-log';
export {
  climbLadder,
  PAIR_IDS,
  pairName,
  SPOT_MACHINES,
  type SpotTest,
  USUAL_GOAL_PCT,
  USUAL_SPOT_M2,
} from './test-ladder';
export { measuredPair, type MeasuredPair } from './measured';
export { SANDING_NAMES, SANDINGS } from './grits';
export { stageNow, type StageNow } from './stage-now';
export { stageKey, type StageRef } from './stage-ref';
export { isThrough } from './through';

export { takeSides } from './sides';
