export { flashLessons, withMeasuredAir } from './calibrate';
export { type LoggedEntry, type Patch, patchKey, type RunEntry } from './events';
export { patchWindow } from './patch-window';
export { entryFault, foldLog, type PatchRecord, patchState, type RunRecord } from './record';
export { coatRecords, runSheet, type RunSheet, type SheetPatch } from './sheet';
export { strays, unfit, untimely } from './fits';
export { runProgress, type RunProgress } from './progress';
export { cueRatios, type CueSeen, flashBeliefs, learnedFlash } from './calibrate';
