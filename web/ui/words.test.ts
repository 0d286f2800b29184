import fc from 'fast-check';
import { Settings } from 'luxon';
import { clock, countdown, fromInput, moment, span, toInput } from './moments';
import { formatNumber, parseNumber } from './numbers';

describe('numbers as people type them', () => {
  test.each([
    ['6,5', 6.5],
    ['6.5', 6.5],
    [' 1 400 ', 1400],
    ['−3', -3],
    ['.5', 0.5],
  ])('%j is %d', (text, value) => expect(parseNumber(text)).toBe(value));

  test.each(['', 'abc', '1,2,3', '1e9', '12 mm', '--1', 'NaN', 'Infinity'])('%j is none', (text) =>
    expect(parseNumber(text)).toBeUndefined(),
  );

  test('what is shown is read back to its last digit shown', () => {
    fc.assert(
      fc.property(fc.double({ min: -99_999, max: 99_999, noNaN: true }), (value) => {
        const read = parseNumber(formatNumber(value))!;
        expect(Math.abs(read - value)).toBeLessThanOrEqual(Math.abs(value) >= 100 ? 0.0501 : 0.00501);
        expect(formatNumber(read)).toBe(formatNumber(value));
      }),
    );
  });
});

describe('times as people say them', () => {
  test.each([
    [0.5, '30 s'],
    [12, '12 min'],
    [89.7, '90 min'],
    [150, '2 h 30 min'],
    [179, '3 h'],
    [4 * 1440, '4 days'],
    [200 * 1440, '7 months'],
  ])('%d minutes are %s', (minutes, words) => expect(span(minutes)).toBe(words));

  test('a countdown shows whole seconds left, and hours where there are some', () => {
    expect(countdown(2.099)).toBe('2:05');
    expect(countdown(62.5)).toBe('1:02:30');
    expect(countdown(-0.5)).toBe('0:30');
  });

  test('near days are told by their name, in the zone the instant carries', () => {
    const now = new Date('2027-03-02T23:30:00Z');
    expect(moment('2027-03-03T00:45:00+01:00', now)).toBe('today 00:45');
    expect(moment('2027-03-04T09:00:00+01:00', now)).toBe('tomorrow 09:00');
    expect(moment('2027-03-06T09:00:00+01:00', now)).toBe('Sat 6 Mar, 09:00');
    expect(moment('2028-03-06T09:00:00+01:00', now)).toBe('6 Mar 2028');
  });

  test('an instant survives the input it is edited in', () => {
    const instant = '2027-03-02T08:30:00+01:00';
    expect(fromInput(toInput(instant), instant)).toBe(instant);
    expect(fromInput('soon', instant)).toBeUndefined();
  });
});

describe('summer time', () => {
  const zone = Settings.defaultZone;
  afterEach(() => void (Settings.defaultZone = zone));

  test('what was planned before the change is said by the clock on the wall after it', () => {
    Settings.defaultZone = 'Europe/Berlin';
    // A job begun in winter: its instants carry +01:00 all through.
    expect(clock('2027-03-27T10:00:00+01:00')).toBe('10:00');
    expect(clock('2027-03-28T10:00:00+01:00')).toBe('11:00');
    expect(clock('2027-10-31T10:00:00+02:00')).toBe('09:00');
    // Typed beside it, it is the same moment again.
    const shown = toInput('2027-03-28T10:00:00+01:00');
    expect(Date.parse(fromInput(shown, '2027-03-27T10:00:00+01:00')!)).toBe(Date.parse('2027-03-28T10:00:00+01:00'));
  });

  test('an instant of another part of the world keeps its own', () => {
    Settings.defaultZone = 'Europe/Berlin';
    expect(clock('2027-03-28T10:00:00+09:00')).toBe('10:00');
    Settings.defaultZone = 'UTC';
    expect(clock('2027-03-28T10:00:00+01:00')).toBe('10:00');
  });
});
