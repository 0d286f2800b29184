export { readReadingsCsv } from './readings-csv';
