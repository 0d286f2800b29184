export { remindersOf } from './reminders';
export { closingList } from './closing-list';
export { clearTakenUm, pairsFound, panelCases, prepareSettings, strippingMin, USUAL_YEARS } from './prepared-job';
