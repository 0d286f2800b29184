import fc from 'fast-check';
import { minutesWithin } from '#core/plan/crew';
import { layOut } from '#core/lay/run-sheet';
import { job, surface } from '../../testing/samples';
import { layingHours } from './laying';
import { openHours, USUAL_WEEK, workedBy } from './opening';
import { preparationMin, preparedBy } from './prepared';

const HOUR = 60;

describe('laying', () => {
  test('busy minutes, set-up once a job and once a product, towels each section, packing up', () => {
    const hours = layingHours(layOut(job()));
    const busy = 1.372 / 0.45 + 1.372 / 0.5;
    expect(hours.busyMin).toBeCloseTo(busy, 9);
    expect(hours.addedMin).toBe(20 + 5 + 0.5 + 15);
    expect(hours.personMin).toBeCloseTo(busy + 40.5, 9);
    expect(hours.elapsedMin).toBeCloseTo(busy + 40.5, 9);
    expect(hours.waitingMin).toBeCloseTo(0, 9);
    expect(layingHours(layOut(job({ surfaces: [surface({ layers: [] })] }))).personMin).toBe(0);
  });

  test('a lazy crew costs more than a quick one, two people no more than one, and take less time', () => {
    const with_ = (pace: number, mode: 'solo' | 'pair') =>
      layingHours(
        layOut(
          job({
            surfaces: [0, 1, 2, 3].map((index) => surface({ id: `p${index}` })),
            crew: { mode, layM2PerMin: pace, levelM2PerMin: pace, guardSigma: 0 },
          }),
        ),
      );
    expect(with_(0.25, 'solo').personMin).toBeGreaterThan(with_(0.5, 'solo').personMin + 20);
    expect(with_(0.5, 'pair').busyMin).toBeCloseTo(with_(0.5, 'solo').busyMin, 6);
    expect(with_(0.5, 'pair').elapsedMin).toBeLessThan(with_(0.5, 'solo').elapsedMin);
  });
});

describe('opening hours', () => {
  const week = openHours([[8, 18], [8, 18], [8, 18], [8, 18], [8, 16], null, null], 16 * HOUR, 5);

  test('from a Friday at four: nothing more on Friday, nothing at the weekend, Monday at eight', () => {
    expect(week[0]).toEqual([-8 * HOUR, 0]);
    expect(week[1]).toEqual([64 * HOUR, 74 * HOUR]);
    expect(workedBy(week, 0, 30, 0)).toBe(64 * HOUR + 30);
    expect(workedBy([], 0, 30, 0)).toBeNull();
  });

  test('what is worked within the hours adds up', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 3000, noNaN: true }),
        fc.double({ min: 0, max: 5000, noNaN: true }),
        (workMin, from) => {
          const until = workedBy(week, from, workMin, 0)!;
          expect(minutesWithin(week, from, until)).toBeCloseTo(workMin, 6);
        },
      ),
    );
  });
});

describe('preparation', () => {
  // From Saturday night on the clocks are an hour ahead: what opens at eight opens an hour sooner.
  const spring = openHours(USUAL_WEEK, 16 * HOUR, 5, (tMin) => (tMin > 34 * HOUR ? HOUR : 0));
  const winter = openHours(USUAL_WEEK, 16 * HOUR, 5);
  expect(spring[0]).toEqual(winter[0]);
  const monday = winter.findIndex(([from]) => from > 34 * HOUR);
  expect(spring[monday]).toEqual(winter[monday]!.map((min) => min - HOUR));
  const open = openHours(USUAL_WEEK, 16 * HOUR, 2);
  const day = { elapsedMin: 14 * HOUR, waitedMin: 0, readyMin: 14 * HOUR };

  test('14 hours begun at four are not done by ten the next morning', () => {
    // 1.5 h today, 9.5 h tomorrow, half an hour of set-up each day; the rest on the third.
    expect(preparedBy(day, 1, [open], 0)!.driedMin).toBe((40 + 0.5 + 3) * HOUR);
    expect(preparedBy(day, 1, [open, open], 0)!.driedMin).toBe((16 + 0.5 + 5.5) * HOUR);
    expect(preparedBy(day, 0, [open], 0)!.driedMin).toBe(0);
  });

  test('whoever comes later or leaves before the end counts while they are there, and no longer', () => {
    // Alone all day 10 h of work take 10 h and half an hour of set-up.
    const day10 = { elapsedMin: 10 * HOUR, waitedMin: 0, readyMin: 10 * HOUR };
    const [all, evening] = [[[0, 24 * HOUR]], [[18 * HOUR, 21 * HOUR]]] as const;
    expect(preparedBy(day10, 1, [all], 0)!.driedMin).toBe(10.5 * HOUR);
    // A helper for the first three hours does two and a half of them, set-up taken off.
    expect(preparedBy(day10, 1, [all, [[0, 3 * HOUR]]], 0)!.driedMin).toBe(8 * HOUR);
    // One who comes at the end of the day, when all is done, and one who has left by then change nothing.
    expect(preparedBy(day10, 1, [all, evening, [[-5, 0]]], 0)!.driedMin).toBe(10.5 * HOUR);
    // What dwells is waited for together: with two hands only the work is halved.
    const dwells = { elapsedMin: 4 * HOUR, waitedMin: 2 * HOUR, readyMin: 4 * HOUR };
    expect(preparedBy(dwells, 1, [all, all], 0)!.driedMin).toBeCloseTo(3.5 * HOUR, 9);
    // Three evenings of three hours, half an hour of each to set up: 7.5 h of work.
    const evenings = [0, 24, 48].map((h) => [(h + 18) * HOUR, (h + 21) * HOUR] as const);
    const short = { elapsedMin: 7 * HOUR, waitedMin: 0, readyMin: 7 * HOUR };
    expect(preparedBy(short, 1, [evenings], 0)!.driedMin).toBe((48 + 20.5) * HOUR);
    expect(preparedBy(day10, 1, [evenings], 0)).toBeNull();
  });

  test('drying and curing go on when nobody is there', () => {
    expect(preparedBy({ elapsedMin: HOUR, waitedMin: 0, readyMin: 13 * HOUR }, 1, [open], 0)!.driedMin).toBe(
      13.5 * HOUR,
    );
  });

  test('half an hour a day is paid for', () => {
    expect([preparationMin(0, 600), preparationMin(570, 600), preparationMin(571, 600)]).toEqual([0, 600, 631]);
  });
});
