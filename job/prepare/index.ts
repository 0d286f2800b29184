export { hiddenMarks, type MarkBecame, marksBecame } from './hidden-marks';
export { remindersOf } from './reminders';
export { closingList } from './closing-list';
export { stillBeforeLaying, type StillToDo, type Unready, unreadyMatters, unreadyPanels } from './unready';
export {
  clearTakenUm,
  donePanels,
  foundStill,
  pairsFound,
  paintForRemoval,
  panelCases,
  preparedItem,
  preparedPanels,
  prepareSettings,
  strippedPanels,
  strippingMin,
  USUAL_YEARS,
  withFoundStill,
} from './prepared-job';
