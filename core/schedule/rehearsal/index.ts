export { type RehearsalCase, rehearsalCase, type RehearsedPatch, type Uncertainty, USUAL_UNCERTAINTY } from './case';
export { aDay } from './day';
export { momentsOf, type Rehearsed, rehearsing, spreadOf } from './rehearse';
