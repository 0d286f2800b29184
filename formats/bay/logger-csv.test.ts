import { FaultsError } from '#formats/values';
import { readLoggerCsv } from './logger-csv';

const faults = (text: string) => {
  try {
    readLoggerCsv(text);
  } catch (error) {
    if (error instanceof FaultsError) return error.faults.map(({ path, message }) => `${path}: ${message}`);
    throw error;
  }
  return [];
};

test('a logger’s table is read whatever it calls its columns and however it parts them', () => {
  expect(readLoggerCsv('time,temperature,humidity\n2027-03-01T08:00:00+01:00,14.5,61\n')).toEqual([
    { at: '2027-03-01T08:00:00+01:00', airC: 14.5, rhPct: 61 },
  ]);
  expect(readLoggerCsv('Datum/Zeit;Temp. °C;Feuchte %\n01.03.2027 08:00;14,5;61,2\n', 'Europe/Berlin')).toEqual([
    { at: '2027-03-01T08:00:00+01:00', airC: 14.5, rhPct: 61.2 },
  ]);
  // The hour that is there twice when summer ends is told by its offset.
  const twice = readLoggerCsv('at\tT\tRH\n2027-10-31T02:30:00+02:00\t9\t70\n2027-10-31T02:30:00+01:00\t8.5\t71');
  expect(Date.parse(twice[1]!.at) - Date.parse(twice[0]!.at)).toBe(3_600_000);
});

test('what cannot be read is told with its line, all of it, and nothing is taken', () => {
  expect(faults('a,b\n1,2')).toEqual(['line 1: has no column for date and time, temperature, humidity']);
  expect(faults('time,temp,rh\nyesterday,warm,61\n2027-03-01T08:00:00+01:00,14,\n')).toEqual([
    'line 2: "yesterday" is no date and time',
    'line 2: "warm" is no temperature',
    'line 3: "" is no humidity',
  ]);
  expect(faults('time,temp,rh')).toEqual(['line 2: has no reading']);
  expect(faults('')).toHaveLength(1);
  expect(faults(`time,temp,rh\n${'2027-03-01 08:00,1,50\n'.repeat(600_001)}`)).toEqual([
    'line 600002: only 600000 readings of a file are read',
  ]);
});
