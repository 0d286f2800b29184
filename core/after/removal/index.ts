export { type AgedLayer, foundLayer, type LayerRemoval, planRemoval, type Removal, type RemovalStep } from './ladder';
export { REMOVAL_METHOD_IDS, REMOVAL_METHODS, type RemovalMethodId } from './methods';
export { nextToTry, patchesSay, type PatchTried } from './test-patch';
