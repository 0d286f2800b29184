export { ADDED_MIN } from './added';
export { layingBegins, layingHours, layingSetUpMin, packingUpMin } from './laying';
export { DAYS_OF_WEEK, type OpenDay, openHours, USUAL_WEEK, type Week } from './opening';
export { preparationMin, preparationSetUpMin, preparationSpeed, preparedBy } from './prepared';
