export { ADDED_MIN } from './added';
export { layingHours } from './laying';
export { DAYS_OF_WEEK, type OpenDay, openHours, USUAL_WEEK, type Week } from './opening';
export { preparationMin, preparationSpeed, preparedBy } from './prepared';
