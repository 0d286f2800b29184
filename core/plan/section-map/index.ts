export { inWorkOrder, WORK_ORDERS, type WorkOrder } from './work-order';
export { type PanelOnSheet, sectionsOf, type WorkPatch, workPatches } from './work-patches';
