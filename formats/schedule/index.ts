export {
  CALENDAR_FORMAT,
  calendarCase,
  calendarSchema,
  readCalendar,
  SCHEDULED_FORMAT,
  scheduledFile,
  scheduledSchema,
} from './schedule';
