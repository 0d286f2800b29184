export * from './item';
export { type AllowedLevel, type Ledger } from './ledger';
export { type Level, LEVEL_DEFINITIONS, LEVELS } from './levels';
export { type PanelCase, type PanelPreparation, type PrepareSettings, type PrepStep } from './panel';
export { removalsToComeUm } from './removals';
export * from './schools';
export { FULL_SITE, type Site } from './site';
export * from './stage-log';
export { isPolishing, STEP_KIND_IDS, STEP_KINDS, type StepKindId } from './steps';
