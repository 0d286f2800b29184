export { type CheckNet, checkNet, checkView } from './check-view';
export { closingView } from './closing-view';
export { stillToCheck } from './still-to-check';
export { keepDryUntilMin, patchAt, remediesFor } from './faults';
export { panelDrops } from './drops';
export { laidOver, onPanel, onSheet, shownAt } from './wet-picture';
