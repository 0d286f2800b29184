export {
  type AgedLayer,
  ENOUGH_CLEAR,
  foundLayer,
  type LayerRemoval,
  type PaintToSpare,
  planRemoval,
  type Removal,
  type RemovalStep,
} from './ladder';
export { nextToTry, patchesSay, type PatchTried } from './test-patch';
