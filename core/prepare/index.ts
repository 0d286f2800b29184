export * from './item';
export { type Ledger } from './ledger';
export { type Level, LEVELS } from './levels';
export { type PanelCase, type PanelPreparation, type PrepareSettings } from './panel';
export { removalsToComeUm } from './removals';
export * from './schools';
export { FULL_SITE } from './site';
export * from './stage-log';
export { isPolishing, STEP_KIND_IDS, STEP_KINDS } from './steps';
