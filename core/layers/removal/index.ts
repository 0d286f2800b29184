export { type AgedLayer, foundLayer, type LayerRemoval, planRemoval, type Removal, type RemovalStep } from './ladder';
export { nextToTry, patchesSay, type PatchTried } from './test-patch';
