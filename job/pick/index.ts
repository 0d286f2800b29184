export { pickListOf } from './pick-job';
