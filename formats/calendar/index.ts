export { type CalendarEvent, calendarFile } from './calendar';
export { CARE_WORDS, careCalendar, careCsv } from './care';
