/** A run sheet gone through on many days: when it is late, how long it takes, what may be promised. */
import fc from 'fast-check';
import { seeded } from '#core/measures';
import type { PlanInput } from '#core/plan/job';
import { begunKey, layOut } from '#core/lay/run-sheet';
import { job, product, surface } from '../../testing/samples';
import {
  aDay,
  momentsOf,
  type RehearsalCase,
  rehearsalCase,
  type Rehearsed,
  rehearsing,
  spreadOf,
  type Uncertainty,
  USUAL_UNCERTAINTY,
} from './index';

const CERTAIN: Uncertainty = { airK: 0, flash: 0, pace: 0, action: 0, cure: 0, preparation: 0 };
const panels = (areas: readonly number[]) =>
  areas.map((areaM2, index) => surface({ id: `p${index}`, shape: { kind: 'area', areaM2 } }));
const SMALL_CAR = [1.1, 1.2, 0.6, 0.6, 0.55, 0.55, 0.7, 0.7, 0.6, 0.5, 0.5, 0.9];
const window = (from: number, by: number, more: Parameters<typeof product>[0] = {}) =>
  product({
    milestones: [
      { name: 'levelFrom', clock: 'flash', min: from },
      { name: 'levelBy', clock: 'flash', min: by },
      { name: 'recoatFrom', clock: 'set', min: 120 },
      { name: 'waterSafe', clock: 'set', min: 720 },
      { name: 'handover', clock: 'set', min: 1200 },
    ],
    ...more,
  });
/** A bay that cools at night. */
const NIGHTS: PlanInput['ambient'] = [
  { atMin: 0, airC: 20, rhPct: 50, airSpeed: 0.1 },
  { atMin: 480, airC: 13, rhPct: 68, airSpeed: 0.1 },
  { atMin: 1320, airC: 20, rhPct: 50, airSpeed: 0.1 },
];
const CAR = job({ products: [window(4, 15)], surfaces: panels(SMALL_CAR), ambient: NIGHTS });
const caseOf = (planned: PlanInput, preparationMin = 0): RehearsalCase =>
  rehearsalCase(layOut(planned), planned.ambient, preparationMin);
const over = (asked: RehearsalCase, days: number, seed = 1, by?: Uncertainty): Rehearsed => {
  const steps = rehearsing(asked, days, seed, by);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
};

test('a day on which all comes as expected is the sheet itself: its end, its readiness, nothing late', () => {
  // Without a guard the sheet levels in the middle of the estimate, as the day does.
  const sure = { ...CAR, products: [window(4, 15, { flashSigma: 0 })], crew: { ...CAR.crew, guardSigma: 0 } };
  for (const planned of [
    sure,
    { ...sure, crew: { ...sure.crew, mode: 'pair' as const } },
    {
      ...sure,
      surfaces: panels([0.8, 0.6]).map((each) => ({
        ...each,
        layers: [{ product: 'base', coats: 2, method: 'small-block' as const }],
      })),
      products: [window(4, 15, { over: ['bare', 'self'], flashSigma: 0 })],
    },
  ]) {
    const sheet = layOut(planned);
    const seen = over(caseOf(planned), 20, 1, CERTAIN);
    expect(seen.allHold).toBe(1);
    expect(seen.end.middle).toBeCloseTo(sheet.endMin, 6);
    expect(seen.ready!.tenth).toBeCloseTo(sheet.plan.handoverMin!, 6);
    expect(seen.waterSafe!.nineTenths).toBeCloseTo(sheet.plan.waterSafeMin!, 6);
  }
});

test('taken up in the middle, what is wet is levelled first and what was laid before counts', () => {
  const sure = { ...CAR, products: [window(4, 15, { flashSigma: 0 })], crew: { ...CAR.crew, guardSigma: 0 } };
  const begun = {
    sections: 1,
    done: new Set<number>(),
    wet: [{ section: 1, startMin: -3, endMin: -1 }],
    startMin: -3,
    endMin: -Infinity,
  };
  const sheet = layOut(sure, { nowMin: 0, begun: new Map([[begunKey('p0', 0, 1, 1), begun]]) });
  const seen = over(rehearsalCase(sheet, sure.ambient, 0), 20, 1, CERTAIN);
  expect(seen.allHold).toBe(1);
  expect(seen.end.middle).toBeCloseTo(sheet.endMin, 6);
  const usual = over(rehearsalCase(sheet, sure.ambient, 0), 300);
  expect(usual.end.nineTenths).toBeGreaterThan(sheet.endMin);
  const asked = rehearsalCase(sheet, sure.ambient, 0);
  const later = { ...asked, before: { wetMin: 5000, readyMin: 9000 } };
  expect(over(later, 20, 1, CERTAIN).ready!.middle).toBe(9000);
  expect(over({ ...later, before: { wetMin: null, readyMin: null } }, 20).ready).toBeUndefined();
});

test('the workshop’s own margin is kept on every day: two days after the last coat, whenever that was', () => {
  const two = { school: 'two-days', startMinuteOfDay: 510 } as const;
  const asked = rehearsalCase(layOut(CAR), CAR.ambient, 0, two);
  const [own, makers] = [over(asked, 200), over(caseOf(CAR), 200)];
  expect(own.ready!.middle).toBeGreaterThanOrEqual(own.end.middle + 2 * 1440 - 1e-6);
  expect(own.ready!.nineTenths).toBeGreaterThan(makers.ready!.nineTenths);
  expect(own.end).toEqual(makers.end);
});

test('the same seed gives the same days; tenths are in their order, and preparation that takes longer moves all', () => {
  const asked = caseOf(CAR);
  const seen = over(asked, 200);
  expect(over(asked, 200)).toEqual(seen);
  expect(over(asked, 200, 2)).not.toEqual(seen);
  for (const { tenth, middle, nineTenths } of [seen.end, seen.ready!, seen.waterSafe!]) {
    expect(tenth).toBeLessThanOrEqual(middle);
    expect(middle).toBeLessThanOrEqual(nineTenths);
  }
  expect(over(caseOf(CAR, 600), 200).end.nineTenths).toBeGreaterThan(seen.end.nineTenths + 60);
});

test('what is promised at nine in ten holds on 87 to 93 of a hundred days', () => {
  const asked = caseOf(CAR, 300);
  const promised = over(asked, 1000).ready!.nineTenths;
  const when = momentsOf(asked);
  const random = seeded(77);
  const held = Array.from({ length: 500 }, () => when(aDay(asked, USUAL_UNCERTAINTY, random)).readyMin).filter(
    (ready) => ready !== null && ready <= promised,
  );
  expect(held.length / 500).toBeGreaterThanOrEqual(0.87);
  expect(held.length / 500).toBeLessThanOrEqual(0.93);
});

test('a window that hardly leaves time is late more often than a wide one; more guard is never more often late', () => {
  const holds = (from: number, by: number, guardSigma = 1.2816) =>
    over(
      caseOf(job({ products: [window(from, by)], surfaces: panels(SMALL_CAR), crew: { ...CAR.crew, guardSigma } })),
      300,
    ).allHold;
  expect(holds(4, 60)).toBeGreaterThan(0.99);
  expect(holds(2, 5)).toBeLessThan(holds(4, 60));
  expect(holds(4, 15, 2)).toBeGreaterThanOrEqual(holds(4, 15, 0));
});

test('law: nobody does two things at once, nothing is levelled before it is laid and open, coats keep their order', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.2, max: 1.5, noNaN: true }), { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 1, max: 3 }),
      fc.integer({ min: 1, max: 1000 }),
      (areas, people, seed) => {
        const crew = {
          ...CAR.crew,
          people: Array.from({ length: people }, (_, who) => ({
            id: `${who}`,
            layM2PerMin: 0.45,
            levelM2PerMin: 0.5,
            does: ['lay', 'level'] as const,
          })),
        };
        const planned = { ...CAR, surfaces: panels(areas), crew };
        const asked = caseOf(planned);
        const day = aDay(asked, USUAL_UNCERTAINTY, seeded(seed));
        expect(day.lateMin.every((min) => min >= 0)).toBe(true);
        expect(day.lastMin[0]).toBeLessThanOrEqual(day.endMin);
        // The work itself cannot be done faster than all hands at their best would.
        const work = asked.actions.reduce((sum, { lastsMin }) => sum + lastsMin, 0);
        expect(day.endMin).toBeGreaterThan(0.5 * (work / people));
      },
    ),
    { numRuns: 60 },
  );
});

test('spread: one in ten, the middle, nine in ten; what does not come on one day in ten is no promise', () => {
  expect(spreadOf([10, 9, 8, 7, 6, 5, 4, 3, 2, 1])).toEqual({ tenth: 1, middle: 5, nineTenths: 9 });
  expect(spreadOf([1, 2, 3, 4, 5, 6, 7, 8, null, null])).toBeUndefined();
  expect(spreadOf([])).toBeUndefined();
  const never = job({ products: [window(4, 15, { flashSigma: 0, clocks: { flash: { mechanism: 'solvent' } } })] });
  // Without a clock of its own nothing has to cure: it is ready when it is laid.
  const seen = over(caseOf(never), 20, 1, CERTAIN);
  expect(seen.ready!.middle).toBeCloseTo(seen.end.middle, 9);
});
