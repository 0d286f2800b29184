export { type PickGroup, pickList, type PickLine, shortOf } from './pick-list';
