import fc from 'fast-check';
import { airAt, bayAmbient, vapourPressurePa, withoutHeating } from '.';

const climate = { openC: 21, openRhPct: 45, nightC: 9, opensAtHour: 8, closesAtHour: 18, tauMin: 240 };
/** From eight in the morning, three days. */
const expected = bayAmbient(climate, 8 * 60, 3);
const HOUR = 60;

test('four hours without power: the bay falls towards its night as a room with that time constant does, and comes back', () => {
  const cut = withoutHeating(expected, [[4 * HOUR, 8 * HOUR]], 240);
  const before = airAt(expected, 4 * HOUR).airC;
  // One time constant on 1/e of the difference to the night is left.
  const coldest = Math.min(...expected.map(({ airC }) => airC));
  expect(airAt(cut, 8 * HOUR).airC).toBeCloseTo(coldest + (before - coldest) / Math.E, 1);
  expect(airAt(cut, 3.9 * HOUR)).toEqual(airAt(expected, 3.9 * HOUR));
  // A day later it is as it would have been, to a tenth.
  expect(airAt(cut, 32 * HOUR).airC).toBeCloseTo(airAt(expected, 32 * HOUR).airC, 1);
  // No water comes or goes while it is short of saturation.
  const [there, gone] = [airAt(expected, 6 * HOUR), airAt(cut, 6 * HOUR)];
  expect(vapourPressurePa(gone.airC, gone.rhPct)).toBeCloseTo(vapourPressurePa(there.airC, there.rhPct), 0);
});

test('law: no power makes no moment warmer, a longer loss none warmer than a shorter, and the air is never colder than its coldest night', () => {
  const coldest = Math.min(...expected.map(({ airC }) => airC));
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 40 * HOUR }),
      fc.integer({ min: 5, max: 12 * HOUR }),
      fc.integer({ min: 0, max: 6 * HOUR }),
      fc.integer({ min: 0, max: 71 * HOUR }),
      (from, long, more, at) => {
        const [full, short, longer] = [
          expected,
          withoutHeating(expected, [[from, from + long]]),
          withoutHeating(expected, [[from, from + long + more]]),
        ].map((series) => airAt(series, at).airC) as [number, number, number];
        expect(short).toBeLessThanOrEqual(full + 1e-9);
        expect(longer).toBeLessThanOrEqual(short + 0.4);
        expect(longer).toBeGreaterThanOrEqual(coldest - 1e-9);
      },
    ),
  );
});

test('air that was typed in and holds all through is left as it is', () => {
  expect(withoutHeating([{ atMin: 0, airC: 20, rhPct: 50, airSpeed: 0.1 }], [[0, 600]])).toHaveLength(1);
});
