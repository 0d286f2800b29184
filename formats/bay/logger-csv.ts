import { DateTime } from 'luxon';
import Papa from 'papaparse';
import { type Fault, FaultsError } from '#formats/values';
import { MOST_IN_FILE, type NewReadings } from './readings';

/** What loggers call their columns. */
const NAMES = {
  at: /^(at|date.?time|time ?stamp|time|zeit|datum.*|date)\b/i,
  airC: /^(air.*|temp.*|t\b|°c)/i,
  rhPct: /^(r\.?h.*|hum.*|feuchte.*|rel.*|%)/i,
} as const;
type Column = keyof typeof NAMES;

/** Ways loggers write a moment without its offset. */
const FORMATS = [
  'yyyy-MM-dd HH:mm:ss',
  'yyyy-MM-dd HH:mm',
  'dd.MM.yyyy HH:mm:ss',
  'dd.MM.yyyy HH:mm',
  'dd/MM/yyyy HH:mm',
];

/**
 * Readings of a logger's CSV: a line of names, then a reading a line; decimal commas where columns are parted otherwise.
 * @param zone of moments without an offset
 * @throws FaultsError with every fault at its line
 */
export function readLoggerCsv(text: string, zone = 'local'): NewReadings['readings'] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: true });
  const [header = [], ...rows] = data;
  const places = new Map(
    (Object.keys(NAMES) as Column[]).map((column) => [
      column,
      header.findIndex((name) => NAMES[column].test(name.trim())),
    ]),
  );
  const missing = [...places].filter(([, place]) => place < 0).map(([column]) => column);
  if (missing.length > 0)
    throw new FaultsError([
      { path: 'line 1', message: `has no column for ${missing.map((column) => WORDS[column]).join(', ')}` },
    ]);
  if (rows.length > MOST_IN_FILE)
    throw new FaultsError([
      { path: `line ${MOST_IN_FILE + 2}`, message: `only ${MOST_IN_FILE} readings of a file are read` },
    ]);
  const faults: Fault[] = [];
  const readings = rows.map((row, index) => {
    const cell = (column: Column) => (row[places.get(column)!] ?? '').trim();
    const number = (column: 'airC' | 'rhPct') => {
      const value = Number(
        cell(column)
          .replace(',', '.')
          .replace(/[°%C ]+$/, ''),
      );
      if (cell(column) === '' || !Number.isFinite(value))
        faults.push({ path: `line ${index + 2}`, message: `"${cell(column)}" is no ${WORDS[column]}` });
      return value;
    };
    const at = momentOf(cell('at'), zone);
    if (!at) faults.push({ path: `line ${index + 2}`, message: `"${cell('at')}" is no date and time` });
    return { at: at ?? '', airC: number('airC'), rhPct: number('rhPct') };
  });
  if (readings.length === 0) faults.push({ path: 'line 2', message: 'has no reading' });
  if (faults.length > 0) throw new FaultsError(faults);
  return readings;
}
const WORDS: Readonly<Record<Column, string>> = { at: 'date and time', airC: 'temperature', rhPct: 'humidity' };

function momentOf(text: string, zone: string): string | undefined {
  const known = [
    DateTime.fromISO(text, { zone, setZone: true }),
    ...FORMATS.map((format) => DateTime.fromFormat(text, format, { zone })),
  ].find(({ isValid }) => isValid);
  return known?.toISO({ suppressMilliseconds: true }) ?? undefined;
}
