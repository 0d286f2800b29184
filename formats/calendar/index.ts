export { type CalendarEvent, calendarFile } from './calendar';
