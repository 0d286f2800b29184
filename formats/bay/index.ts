export { type YardForecast, yardForecastSchema } from './forecast';
export { readLoggerCsv } from './logger-csv';
export {
  READING_SOURCES,
  type BayHistory,
  bayHistorySchema,
  type NewReadings,
  newReadingsSchema,
  READINGS_AT_ONCE,
  type ReadingSource,
} from './readings';
