export { countsFrom, inOpeningHours, layingFrom, setUpMin, lostHours, weekOf } from './promise';
