import fc from 'fast-check';
import { MEASURES, MINUTES_PER_MONTH } from './index';

test.each([
  ['length', 25.4, 1],
  ['area', 1, 10.7639104],
  ['volume', 30, 1.0144207],
  ['mass', 100, 3.5273962],
  ['thickness', 127, 5],
  ['temperature', 20, 68],
  ['temperature', -40, -40],
  ['speed', 0.1, 0.328084],
] as const)('%s: %d metric is %d imperial', (id, metric, imperial) => {
  expect(MEASURES[id].toImperial(metric)).toBeCloseTo(imperial, 6);
});

test('there and back is where one was', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...Object.values(MEASURES)),
      fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      ({ toImperial, toMetric }, value) => {
        expect(toMetric(toImperial(value))).toBeCloseTo(value, 6);
      },
    ),
  );
});

test('twelve months are a year', () => {
  expect(12 * MINUTES_PER_MONTH).toBe(365.25 * 1440);
});
