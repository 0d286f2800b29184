export { amountOnSurface, applicatorCount, dropsOf, pullsOf, seamFactor, wetFilmUm } from './amount';
export { COATING_TOWEL_M2, consumablesFor, GLOVES_MIN, TOWEL_ROLES } from './consumables';
export type { Pack } from './packs';
export { purchase, type Purchase } from './purchase';
