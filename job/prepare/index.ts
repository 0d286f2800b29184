export { hiddenMarks } from './hidden-marks';
export { remindersOf } from './reminders';
export { closingList } from './closing-list';
export {
  clearTakenUm,
  pairsFound,
  panelCases,
  preparedPanels,
  prepareSettings,
  strippingMin,
  USUAL_YEARS,
} from './prepared-job';
