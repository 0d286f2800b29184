export { operationsOf } from './operations';
export { asKept, bayOf, openOf, personOf, type ShopCase, shopCase, taskOf } from './shop-case';
export { STEP_WORDS, stepName } from './words';
