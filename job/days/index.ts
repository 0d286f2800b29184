export { asAgreed, daysView, type DaysView, halfDays, USUAL_HANDOVER_MIN } from './days-view';
export { firstWashPlanned, ownerDates } from './owner-dates';
