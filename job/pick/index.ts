export { compareMethods, type MethodCompared } from './compare-methods';
export { pickListOf } from './pick-job';
