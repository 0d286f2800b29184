import fc from 'fast-check';
import { FAMILIES, FAMILY_IDS } from '#core/products/families';
import {
  CIRCUMSTANCE_IDS,
  circumstanceFactor,
  CIRCUMSTANCES,
  type Exposure,
  hotDaysShare,
  hottestC,
  USUAL_EXPOSURE,
} from './exposure';
import { conditionLeft, expectedLife, stackLife } from './life';

const sheet = { family: 'ceramic' as const, ratedMonths: 60 };

test('rated months by the circumstances, each with the family’s sensitivity, and a range below the rating', () => {
  const { months, lowMonths, highMonths, ratedBy } = expectedLife(sheet, { parking: 'street', wash: 'brush' });
  // 0.85 x 0.78 x 0.6 is less than any sheet is wrong by.
  expect(months).toBeCloseTo(60 * 0.45, 9);
  expect(expectedLife(sheet, { parking: 'street' }).months).toBeCloseTo(60 * 0.85 * 0.78, 9);
  expect(lowMonths).toBeCloseTo(months * Math.exp(-1.2816 * 0.28), 9);
  expect(highMonths).toBeGreaterThan(months);
  expect(ratedBy).toBe('sheet');
  expect(expectedLife({ family: 'film', ratedMonths: 60 }, { wash: 'brush' }).months).toBeCloseTo(
    60 * 0.85 * 0.92 ** 0.5 * 0.6 ** 0.5,
    9,
  );
  const worst = { parking: 'coastal', wash: 'brush', climate: 'hot', distance: 'very-much' } as const;
  expect(expectedLife({ family: 'paste-wax', ratedMonths: 6, meltsAtC: 999 }, worst).months).toBeCloseTo(6 * 0.3, 9);
  expect(conditionLeft(30, 30)).toBeCloseTo(0.5, 12);
});

test('what worsens it most stands first, with its months', () => {
  const { factors, months } = expectedLife(sheet, { wash: 'brush' });
  expect(factors[0]).toMatchObject({ name: 'Washing: brush wash', factor: 0.6 });
  expect(factors[0]!.costsMonths).toBeCloseTo(months / 0.6 - months, 9);
  expect(expectedLife(sheet, { preparation: 'thorough' }).factors.at(-1)!.costsMonths).toBeLessThan(0);
});

test('a hot day counts for a wax on the days it is hot: a soft one on dark paint in hot sun', () => {
  const wax = (meltsAtC: number, ratedMonths = 6) => ({ family: 'paste-wax' as const, ratedMonths, meltsAtC });
  const sun: Exposure = { parking: 'street', climate: 'hot' };
  expect([hottestC({ ...sun, tone: 'dark' }), hottestC({ ...sun, tone: 'pale' }), hottestC({})]).toEqual([80, 64, 38]);
  // Noon between 41 and 80 °C: above 60.5 on half of the days that are sunny, above 80 on none, above 40 on all of them.
  const days = (melts: number) => hotDaysShare(melts, { ...sun, tone: 'dark' });
  expect([days(60.5), days(80), days(40)].map((share) => Math.round(1000 * share) / 1000)).toEqual([0.35, 0, 0.7]);
  const life = (melts: number, tone: Exposure['tone']) => expectedLife(wax(melts), { ...sun, tone }).months;
  expect(life(60.5, 'dark')).toBeCloseTo(life(999, 'dark') / 0.82 ** 1.2 / (0.65 + 0.35 / 0.35), 9);
  // The heat of the climate counts once, and a wax that never melts still has that.
  expect(life(79, 'dark')).toBe(life(999, 'dark'));
  expect(life(70, 'pale')).toBe(life(999, 'pale'));
  expect(expectedLife(wax(50), {}).months).toBe(expectedLife(wax(999), {}).months);
  // In a hot street, by hand: a blend of three to four months is waxed fifteen to twenty-five times in three years.
  for (const rated of [3, 4]) {
    const waxings = 36 / expectedLife(wax(70, rated), sun).months;
    expect(waxings).toBeGreaterThan(15);
    expect(waxings).toBeLessThan(25);
  }
});

test('a stack lives as long as its longest layer, its second coat and what is sacrificed above it', () => {
  const topper = { family: 'topper' as const, ratedMonths: 6, coats: 1 };
  const coats = (count: number) => ({ ...sheet, coats: count });
  const base = stackLife([coats(1)], {}).months;
  expect(stackLife([], {}).months).toBe(0);
  expect(stackLife([coats(2)], {}).months).toBeCloseTo(1.1 * base, 9);
  expect(stackLife([coats(3)], {}).months).toBeCloseTo(1.1 * base, 9);
  expect(stackLife([coats(3)], {}, true).months).toBeCloseTo(1.13 * base, 9);
  const added = stackLife([coats(1), topper], {}).months - base;
  expect(added).toBeCloseTo(0.4 * expectedLife(topper, {}).months, 9);
  expect(stackLife([topper, coats(1)], {}).months).toBeCloseTo(base, 9);
});

test('a stack never outlives the longest rating in it, and a worse life never makes it longer', () => {
  const layer = fc.record({
    family: fc.constantFrom(...FAMILY_IDS),
    ratedMonths: fc.integer({ min: 1, max: 120 }),
    coats: fc.integer({ min: 1, max: 4 }),
  });
  const worse: readonly [Exposure, Exposure][] = [
    [{ parking: 'indoor' }, { parking: 'street' }],
    [{ parking: 'street' }, { parking: 'coastal' }],
    [{ wash: 'hand' }, { wash: 'brush' }],
    [
      { climate: 'mild', parking: 'street' },
      { climate: 'hot', parking: 'street' },
    ],
  ];
  fc.assert(
    fc.property(fc.array(layer, { minLength: 1, maxLength: 4 }), fc.constantFrom(...worse), (layers, [good, bad]) => {
      const [longer, shorter] = [stackLife(layers, good, true), stackLife(layers, bad, true)];
      const most = Math.max(...layers.map(({ ratedMonths }) => ratedMonths));
      for (const end of ['lowMonths', 'months', 'highMonths'] as const) {
        expect(longer[end]).toBeLessThanOrEqual(most);
        expect(shorter[end]).toBeLessThanOrEqual(longer[end] + 1e-9);
      }
    }),
  );
});

describe('laws', () => {
  const exposure = fc.record(
    Object.fromEntries(CIRCUMSTANCE_IDS.map((id) => [id, fc.constantFrom(...Object.keys(CIRCUMSTANCES[id].choices))])),
  ) as fc.Arbitrary<Exposure>;
  const family = fc.constantFrom(...FAMILY_IDS);

  test('life is monotone in each circumstance, and a factor of two either way at most but for the worst of all', () => {
    fc.assert(
      fc.property(family, exposure, fc.constantFrom(...CIRCUMSTANCE_IDS), (id, lived, which) => {
        const choices = Object.keys(CIRCUMSTANCES[which].choices);
        // What melts is a step of its own.
        const sheetOf = { family: id, ratedMonths: 40, meltsAtC: 999 };
        const lives = choices
          .map((choice) => ({ ...lived, [which]: choice }))
          .sort((a, b) => circumstanceFactor(which, a) - circumstanceFactor(which, b))
          .map((each) => expectedLife(sheetOf, each).months);
        for (const [index, months] of lives.slice(1).entries())
          expect(months).toBeGreaterThanOrEqual(lives[index]! - 1e-9);
        const { lowMonths, months, highMonths, ratedMonths } = expectedLife(sheetOf, lived);
        expect(lowMonths).toBeLessThan(months);
        expect(highMonths).toBeLessThanOrEqual(ratedMonths);
        const wax = ['cleaner-wax', 'paste-wax', 'liquid-wax'].includes(id);
        expect(months / ratedMonths).toBeGreaterThanOrEqual((wax ? 0.3 : 0.45) - 1e-9);
        expect(months / ratedMonths).toBeLessThanOrEqual((wax ? 1.2 : 1.15) + 1e-9);
      }),
    );
  });

  test('a longer rating never lives shorter, and what nobody says is the usual', () => {
    fc.assert(
      fc.property(family, exposure, fc.integer({ min: 1, max: 120 }), (id, lived, rated) => {
        const life = (ratedMonths: number) => expectedLife({ family: id, ratedMonths }, lived).months;
        expect(life(rated + 1)).toBeGreaterThan(life(rated));
        expect(expectedLife({ family: id }, {}).months).toBe(expectedLife({ family: id }, USUAL_EXPOSURE).months);
        expect(expectedLife({ family: id }, {}).ratedMonths).toBe(FAMILIES[id].usualLifeMonths);
      }),
    );
  });
});
