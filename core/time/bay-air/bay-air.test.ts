/** A bay's own readings: which to believe, how they are drawn, and the bay that is fitted to them. */
import fc from 'fast-check';
import { MS_PER_HOUR, MS_PER_MIN, seeded } from '#core/measures';
import { rhAfterTemperatureChange } from '#core/time/air';
import { type BayReading, downsampled, fitBay, lastGood, readingFaults } from './index';

const at = (min: number, airC: number, rhPct = 50): BayReading => ({ atMs: min * MS_PER_MIN, airC, rhPct });
const minuteOfDay = (atMs: number) => (atMs / MS_PER_MIN) % 1440;

test('what no bay has and what no air does is not believed; a change that stays is', () => {
  expect(readingFaults([at(0, 20), at(1, 85), at(2, 20.1), at(3, 20, 0), at(4, 20, 140)])).toEqual([
    undefined,
    'out-of-range',
    undefined,
    'out-of-range',
    'out-of-range',
  ]);
  expect(readingFaults([at(0, 20), at(1, 2), at(2, 20)])).toEqual([undefined, 'jumped', undefined]);
  // The door was opened: it stays cold.
  expect(readingFaults([at(0, 20), at(1, 8), at(2, 7.5), at(3, 7)])).toEqual([
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
  // An hour apart nothing is a jump.
  expect(readingFaults([at(0, 20), at(60, 2)])).toEqual([undefined, undefined]);
});

test('the last good reading is used, with a spread that grows while nothing is heard', () => {
  const readings = [at(0, 20), at(5, 20.2), at(6, 99)];
  const now = (min: number) => lastGood(readings, min * MS_PER_MIN)!;
  expect(now(6)).toMatchObject({ reading: readings[1], ageMin: 1, isStale: false });
  expect(now(60).isStale).toBe(true);
  expect(now(120).spreadK).toBeGreaterThan(now(6).spreadK);
  expect(now(6).spreadK).toBeCloseTo(0.3, 1);
  expect(lastGood([at(0, 99)], 1e9)).toBeUndefined();
  // What is to come is not known.
  expect(lastGood(readings, -1)).toBeUndefined();
});

test('law: downsampled, nothing is lost: each reading is counted once and lies within its bucket', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 0, max: 100_000 }), fc.double({ min: -10, max: 40, noNaN: true })), {
        maxLength: 300,
      }),
      fc.integer({ min: 1, max: 50 }),
      (raw, most) => {
        const readings = raw.sort((a, b) => a[0] - b[0]).map(([min, airC]) => at(min, airC));
        const buckets = downsampled(readings, most);
        expect(buckets.length).toBeLessThanOrEqual(most);
        expect(buckets.reduce((sum, { count }) => sum + count, 0)).toBe(readings.length);
        for (const { lowC, meanC, highC } of buckets) {
          expect(meanC).toBeGreaterThanOrEqual(lowC - 1e-9);
          expect(meanC).toBeLessThanOrEqual(highC + 1e-9);
        }
        if (readings.length > 0)
          expect(Math.max(...buckets.map(({ highC }) => highC))).toBe(Math.max(...readings.map(({ airC }) => airC)));
      },
    ),
  );
});

const BAY = { openC: 20, openRhPct: 50, nightC: 9, opensAtHour: 8, closesAtHour: 18, tauMin: 150 };
/** Readings of a bay that runs as its climate says, minute by minute, with an instrument's noise. */
function history(days: number, noiseK: number, everyMin = 30): BayReading[] {
  const random = seeded(3);
  const readings: BayReading[] = [];
  let airC = BAY.nightC;
  for (let min = 0; min < days * 1440; min++) {
    const hour = (min % 1440) / 60;
    const target = hour >= BAY.opensAtHour && hour < BAY.closesAtHour ? BAY.openC : BAY.nightC;
    if (min % everyMin === 0) {
      const rhPct = rhAfterTemperatureChange(BAY.openC, BAY.openRhPct, airC);
      readings.push(at(min, airC + noiseK * (random() + random() - 1), rhPct));
    }
    airC = target + (airC - target) * Math.exp(-1 / BAY.tauMin);
  }
  return readings;
}

test('a bay is found again from its readings: what it is heated to, where it settles, its time constant, its water', () => {
  const fitted = fitBay(history(7, 0.8), BAY, minuteOfDay)!;
  expect(fitted.openC).toBeCloseTo(20, 0);
  expect(fitted.nightC).toBeCloseTo(9, 0);
  expect(fitted.tauMin).toBeGreaterThan(125);
  expect(fitted.tauMin).toBeLessThan(180);
  expect(Math.abs(fitted.openRhPct - 50)).toBeLessThan(2);
  expect(fitted.rmsK).toBeLessThan(0.6);
  expect(fitted.hours).toBeCloseTo(7 * 24 - 0.5, 6);
  // Less noise is a better fit, and nonsense among it changes nothing.
  expect(fitBay(history(7, 0.1), BAY, minuteOfDay)!.rmsK).toBeLessThan(fitted.rmsK);
  const withNonsense = history(7, 0.8).flatMap((reading, index) =>
    index % 40 === 7 ? [{ ...reading, atMs: reading.atMs - 1000, airC: 85 }, reading] : [reading],
  );
  expect(fitBay(withNonsense, BAY, minuteOfDay)!.openC).toBeCloseTo(fitted.openC, 6);
});

test('too little, or only one side of it, says nothing', () => {
  expect(fitBay([], BAY, minuteOfDay)).toBeUndefined();
  expect(fitBay(history(0.5, 0), BAY, minuteOfDay)).toBeUndefined();
  expect(fitBay(history(7, 0.2), { opensAtHour: 0, closesAtHour: 24 }, minuteOfDay)).toBeUndefined();
  const twoEvenings = history(3, 0.2).filter(({ atMs }) => atMs % (24 * MS_PER_HOUR) > 20 * MS_PER_HOUR);
  expect(fitBay(twoEvenings, BAY, minuteOfDay)).toBeUndefined();
});
