export { type CutPiece, type CutPlan, cutPlanOf } from './cut-plan';
export { type Offcut, offcutsOf } from './offcuts';
