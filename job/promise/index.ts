export { countsFrom, inOpeningHours, layingFrom, lostHours, weekOf } from './promise';
