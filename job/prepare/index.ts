export { remindersOf } from './reminders';
export { closingList, type ClosingLine } from './closing-list';
export { clearTakenUm, pairsFound, panelCases, prepareSettings, strippingMin, USUAL_YEARS } from './prepared-job';
