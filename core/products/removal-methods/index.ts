export {
  REMOVAL_METHOD_IDS,
  REMOVAL_METHODS,
  removalLadder,
  type RemovalMethod,
  type RemovalMethodId,
} from './methods';
