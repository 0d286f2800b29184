export { type CutPiece, type CutPlan, cutPlanOf, type Offcut, offcutsOf } from './cut-plan';
