export {
  amountOnSurface,
  applicatorCount,
  DROP_ML,
  dropsOf,
  pullsOf,
  SEAM_OVERLAP_M,
  seamFactor,
  TRIGGER_PULL_ML,
  wetFilmUm,
} from './amount';
export { COATING_TOWEL_M2, GLOVES_MIN } from './consumables';
export { choosePacks, type Pack, type PackCount } from './packs';
export { purchase, type Purchase, type PurchaseInputs } from './purchase';
export { feeding } from './feeding';
