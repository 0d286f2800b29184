import fc from 'fast-check';
import { airAt, correctedBy, withReadings } from './ambient';
import { bayAmbient } from './bay-climate';
import { condensation } from './condensation';
import { dewPointC, saturationPressurePa, vapourPressurePa } from './moist-air';
import { minutesToWarm, warmedSurfaceC } from './warm-up';

describe('moist air', () => {
  test.each([
    [20, 2338.8],
    [30, 4246.03],
    [-5, 401.76],
  ])('saturation pressure at %d °C is %d Pa', (celsius, pa) => {
    expect(saturationPressurePa(celsius)).toBeCloseTo(pa, 1);
  });

  test.each([
    [24, 65, 17.02],
    [20, 50, 9.27],
    [8, 90, 6.46],
  ])('dew point of %d °C and %d %% is %d °C', (airC, rhPct, dew) => {
    expect(dewPointC(airC, rhPct)).toBeCloseTo(dew, 2);
  });

  test('bone-dry air has a dew point at the floor of the formula, not an exception', () => {
    expect(dewPointC(20, 0)).toBe(-100);
  });

  test('refuses a temperature the formula is not fitted for', () => {
    expect(() => saturationPressurePa(250)).toThrow(RangeError);
  });

  test('a surface below the dew point is a stop, up to 3 K above it a warning', () => {
    expect(condensation(20, 50, 9).verdict).toBe('stop');
    expect(condensation(20, 50, 12).verdict).toBe('warn');
    expect(condensation(20, 50, 12.3).verdict).toBe('ok');
  });
});

describe('a cold item brought in', () => {
  test('from 2 °C into 20 °C reaches 15 °C after 89.67 min at a lag of 70', () => {
    expect(minutesToWarm(2, 20, 70, 15)).toBeCloseTo(89.67, 2);
    expect(warmedSurfaceC(2, 20, 70, 89.67)).toBeCloseTo(15, 2);
  });

  test('never gets warmer than the air, and needs no time for what it is already', () => {
    expect(minutesToWarm(2, 20, 70, 21)).toBeNull();
    expect(minutesToWarm(2, 20, 70, 1)).toBe(0);
    expect(minutesToWarm(30, 20, 70, 35)).toBe(0);
  });
});

describe('the air of a bay', () => {
  const bay = { openC: 21, openRhPct: 45, nightC: 9, opensAtHour: 8, closesAtHour: 18, tauMin: 120 };

  test('cools after closing, grows more humid with the same water in it, and is warm again next day', () => {
    const series = bayAmbient(bay, 14 * 60, 2);
    const at = (hours: number) => airAt(series, hours * 60);
    expect(series[0].atMin).toBe(0);
    expect(at(1).airC).toBeGreaterThan(20);
    expect(at(12).airC).toBeLessThan(10);
    expect(at(12).rhPct).toBeGreaterThan(80);
    const water = (hours: number) => vapourPressurePa(at(hours).airC, at(hours).rhPct);
    expect(water(10)).toBeCloseTo(water(1), -1);
    expect(at(26).airC).toBeGreaterThan(20);
  });

  test('a reading holds only until the forecast says something new', () => {
    const forecast = [
      { atMin: 0, airC: 21, rhPct: 45, airSpeed: 0.1 },
      { atMin: 60, airC: 15, rhPct: 60, airSpeed: 0.1 },
    ] as const;
    const corrected = withReadings(forecast, [{ atMin: 30, airC: 25, rhPct: 40, airSpeed: 0.1 }]);
    expect([10, 45, 90].map((t) => airAt(corrected, t).airC)).toEqual([21, 25, 15]);
  });

  test('stays between its two set points at any hour', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1439 }), fc.integer({ min: 0, max: 2880 }), (start, at) => {
        const { airC } = airAt(bayAmbient(bay, start, 2), at);
        return airC >= bay.nightC - 0.01 && airC <= bay.openC + 0.01;
      }),
    );
  });
});

test('a reading at the start holds at first and fades, so that the bay still cools at night', () => {
  const climate = { openC: 20, openRhPct: 50, nightC: 8, opensAtHour: 8, closesAtHour: 18, tauMin: 120 };
  const expected = bayAmbient(climate, 12 * 60, 2);
  const read = { airC: 24, rhPct: 40, airSpeed: 0.3 };
  const corrected = correctedBy(expected, read, climate.tauMin);
  expect(airAt(corrected, 0)).toEqual({ atMin: 0, ...read });
  expect(airAt(corrected, 120).airC - airAt(expected, 120).airC).toBeCloseTo(
    (24 - airAt(expected, 0).airC) * Math.exp(-1),
    9,
  );
  expect(airAt(corrected, 20 * 60).airC).toBeCloseTo(airAt(expected, 20 * 60).airC, 2);
  expect(correctedBy([{ atMin: 0, airC: 20, rhPct: 50, airSpeed: 0.1 }], read, 60)).toEqual([{ atMin: 0, ...read }]);
});
