export { inOpeningHours, layingFrom, weekOf } from './promise';
