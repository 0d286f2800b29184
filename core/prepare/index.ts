export * from './advice';
export * from './closing';
export * from './item';
export { type Ledger } from './ledger';
export { type Level, LEVEL_DEFINITIONS, LEVELS } from './levels';
export { type Turn, type WorkingDay, workingDay } from './order';
export {
  isDone,
  type MarkFate,
  type PanelCase,
  type PanelPreparation,
  type PrepareSettings,
  SCOPE_STATES,
} from './panel';
export { removalsToComeUm } from './removals';
export * from './schools';
export { FULL_SITE } from './site';
export * from './stage-log';
export { isPolishing, STEP_KIND_IDS, STEP_KINDS, type StepKindId, takesPolish } from './steps';
export * from './test-ladder';
