export { flashLessons, withMeasuredAir } from './calibrate';
export { type LoggedEntry, type Patch, patchKey, type RunEntry } from './events';
export {
  type BeadReading,
  CHECK_LIGHTS,
  type CheckLight,
  type FoundFault,
  type NetPoint,
  PROOF_KINDS,
  type ProofKind,
  type ProofReading,
  REMEDIES,
  type Remedy,
} from './checking';
export {
  ANSWERED_LISTS,
  answerKey,
  HELP_ROLES,
  type HelpRole,
  LEFT_REASONS,
  LEFT_WORDS,
  openPause,
  PICTURE_CONSENTS,
} from './course';
export { type Hand, HAND_ROLES, type HandRole, nextFor, type NextThing } from './next';
export { cutInto, isTooLarge, mayBeCut } from './sections-by-hand';
export { levelledLoaded, towelLoad } from './towel';
export { type HandsOn, handsOn, handsOnBy, handsOnProducts } from './hands-on';
export { patchWindow } from './patch-window';
export { windowMoments, windowState, type WindowState } from './window-state';
export { entryFault, foldLog, type PatchRecord, patchState, type RunRecord, undoable } from './record';
export { carriedOn, coatRecords, mayCarryOn, paceOf, runSheet, type RunSheet, type SheetPatch } from './sheet';
export { strays, unfit, untimely } from './fits';
export { progressOf, type RunProgress } from './progress';
export { cueRatios, type CueSeen, flashBeliefs, learnedFlash } from './calibrate';
