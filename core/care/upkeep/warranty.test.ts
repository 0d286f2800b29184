import fc from 'fast-check';
import { MS_PER_DAY } from '#core/measures';
import { inspectionsDueMs, warrantyStands } from './warranty';

const day = (n: number) => n * MS_PER_DAY;
const laid = { fromMs: 0, months: 36, everyDays: 365 };
const states = (visits: readonly number[], now: number) =>
  warrantyStands(laid, visits.map(day), day(now)).looks.map(({ state }) => state);

test('a look a year, kept by a visit near its day, missed without one, and lapsed from the end of its grace', () => {
  expect(states([], 100)).toEqual(['to-come', 'to-come']);
  expect(states([], 330)).toEqual(['due', 'to-come']);
  expect(states([340], 341)).toEqual(['kept', 'to-come']);
  expect(states([405], 500)).toEqual(['kept', 'to-come']);
  expect(states([415], 500)).toEqual(['missed', 'to-come']);
  expect(warrantyStands(laid, [], day(500)).lapsedMs).toBe(day(365 + 45));
  expect(warrantyStands(laid, [day(370), day(728)], day(2000))).toMatchObject({ ended: true });
  expect(warrantyStands(laid, [day(370), day(728)], day(2000)).lapsedMs).toBeUndefined();
  // A visit that is still to come keeps nothing yet.
  expect(states([370], 360)).toEqual(['due', 'to-come']);
  // What lasts a year or less asks for no look.
  expect(warrantyStands({ fromMs: 0, months: 12, everyDays: 365 }, [], day(3000)).looks).toEqual([]);
});

test.each([
  [12, []],
  [13, []],
  [14, [365]],
  [24, [365]],
  [25, [365]],
  [26, [365, 730]],
  [37, [365, 730]],
  [38, [365, 730, 1095]],
  [60, [365, 730, 1095, 1460]],
])('a warranty of %i months is inspected each year, but not within the last weeks of its time', (months, days) => {
  expect(inspectionsDueMs({ fromMs: 0, months, everyDays: 365 })).toEqual(days.map(day));
});

test('it is inspected as often as agreed', () => {
  expect(inspectionsDueMs({ fromMs: 0, months: 24, everyDays: 182 })).toEqual([182, 364, 546].map(day));
  expect(inspectionsDueMs({ fromMs: 0, months: 24, everyDays: 5000 })).toEqual([]);
});

test('a visit more never makes a warranty worse, and time passing never unmakes a lapse', () => {
  const aTime = fc.integer({ min: 1, max: 1200 });
  fc.assert(
    fc.property(fc.array(aTime, { maxLength: 6 }), aTime, aTime, aTime, (visits, more, now, later) => {
      const lapsed = (of: readonly number[], at: number) =>
        warrantyStands(laid, of.map(day), day(at)).lapsedMs ?? Infinity;
      expect(lapsed([...visits, more], now)).toBeGreaterThanOrEqual(lapsed(visits, now));
      const [a, b] = [Math.min(now, later), Math.max(now, later)];
      expect(lapsed(visits, b)).toBeLessThanOrEqual(lapsed(visits, a));
    }),
  );
});
