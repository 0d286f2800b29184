export { operationsOf } from './operations';
export {
  asKept,
  bayOf,
  dueAt,
  handingOverMin,
  lastTask,
  openOf,
  personOf,
  readyIn,
  type ShopCase,
  shopCase,
  type ShopSources,
  stands,
  taskOf,
  toolOf,
  weightOf,
} from './shop-case';
export { STEP_WORDS, stepName } from './words';
export { datesFor, type DateOffered } from './put-in';
export { toldAt } from './told';
export { type JobRisk, promiseRisks } from './risk';
export { type Way, type WayOut, waysOut } from './ways-out';
export { blocks, loads } from './load';
export { withSaved } from './saved';
