export { clearTakenUm, pairsFound, panelCases, prepareSettings, USUAL_YEARS } from './prepared-job';
