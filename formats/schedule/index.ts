export {
  CALENDAR_FORMAT,
  calendarCase,
  calendarSchema,
  readCalendar,
  SCHEDULED_FORMAT,
  scheduledFile,
  scheduledSchema,
} from './schedule';
export {
  type CalendarJob,
  type CalendarView,
  calendarViewSchema,
  NO_CALENDAR,
  type ShopCalendar,
  shopCalendarFaults,
  shopCalendarSchema,
  type Skill,
  SKILLS,
  TOOLED,
} from './shop-calendar';
