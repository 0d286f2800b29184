export { asAgreed, daysView, type DaysView, halfDays, USUAL_HANDOVER_MIN } from './days-view';
export { ownerDates } from './owner-dates';
export { DATED_WORDS } from './dated-words';
export { readyIf } from './ready-if';
export { airOnceOutside, leavesMin, type Outdoors, outdoorsOf, curingDates, type CuringDates } from './curing-dates';
