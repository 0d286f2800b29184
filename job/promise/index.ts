export { countsFrom, inOpeningHours, layingFrom, weekOf } from './promise';
