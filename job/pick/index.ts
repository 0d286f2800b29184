export { compareMethods } from './compare-methods';
export { pickListOf } from './pick-job';
