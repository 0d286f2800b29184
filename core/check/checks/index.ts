export { CLOSING_LINES } from './closing';
export {
  type CheckPanel,
  type CheckPatch,
  HOT_REASONS,
  type HotPlace,
  inWalk,
  placesOfRecord,
  placesOnNet,
  type Side,
} from './hot-list';
export { proofsOf } from './proof';
export { remedyOptions, type RemedyOption } from './remedies';
export { checkProgress, type CheckProgress, type Look, SIDE_WORDS } from './state';
