export { type CheckNet, checkNet, checkView } from './check-view';
export { closingView } from './closing-view';
export { patchAt, remediesFor } from './faults';
