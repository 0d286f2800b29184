export { cheapestAlone } from './baseline';
export { choose } from './choose';
export type { Choice } from './choice-of';
export { differencesBetween } from './differences';
export { frontier, type FrontierPoint } from './frontier';
export { solveWith } from './highs';
export { bayAir, readyAfterMin } from './in-bay';
export { optionsFor } from './options';
export type { Solve } from './program';
export { type ChoiceSurface, sameLayers, type StackLayer, validStacks } from './stacks';
export {
  type Concern,
  CONCERN_NAMES,
  CONCERNS,
  FILM_WISH_NAMES,
  FILM_WISHES,
  USUAL_WISHES,
  type Wishes,
} from './wishes';
export { comparedInWords, honestWords, whyNot } from './words';
