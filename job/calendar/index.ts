export { operationsOf } from './operations';
export {
  asKept,
  bayOf,
  dueAt,
  lastTask,
  openOf,
  personOf,
  type ShopCase,
  shopCase,
  type ShopSources,
  stands,
  taskOf,
  toolOf,
  weightOf,
} from './shop-case';
export { STEP_WORDS, stepName } from './words';
export { datesFor, type DateOffered, toldAt } from './put-in';
export { type JobRisk, promiseRisks } from './risk';
export { type Way, type WayOut, waysOut } from './ways-out';
export { blocks, loads } from './load';
