/** How long a layer lasts, by what water does on it. */
import fc from 'fast-check';
import { seeded } from '#core/measures';
import {
  ageAtCondition,
  conditionLeft,
  expectedLife,
  LIFE_SIGMA,
  observedLife,
  lifeLikelihood,
  productLasts,
  USUAL_WATER,
} from '.';

/** What a drop stands at on a layer of an age that wears as expected: the way back. */
const expectedDeg = (ageMonths: number, lifeMonths: number): number =>
  USUAL_WATER.bareDeg + (USUAL_WATER.freshDeg - USUAL_WATER.bareDeg) * conditionLeft(ageMonths, lifeMonths);

const life = expectedLife({ family: 'ceramic', ratedMonths: 36 }, {});
const seen = (ageMonths: number, deg: number, sigmaDeg = 2) => ({ ageMonths, deg, sigmaDeg });

test('the age of a condition is the way back from the condition of an age', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.02, max: 0.98, noNaN: true }),
      fc.double({ min: 1, max: 200, noNaN: true }),
      (left, months) => {
        expect(conditionLeft(ageAtCondition(left, months), months)).toBeCloseTo(left, 9);
      },
    ),
  );
  for (const left of [0, 1, -1, NaN]) expect(() => ageAtCondition(left, 10)).toThrow(RangeError);
});

test('drops just as expected leave the life as it was, only surer; higher ones make it longer, lower ones shorter', () => {
  for (const age of [8, 18, 30]) {
    const deg = expectedDeg(age, life.months);
    const same = observedLife(life, [seen(age, deg)])!;
    // What speaks for longer tails off more slowly than what speaks for shorter: a hair above.
    expect(Math.abs(same.months / life.months - 1)).toBeLessThan(0.05);
    expect(same.highMonths / same.lowMonths).toBeLessThan(
      (life.months * life.months) / (life.lowMonths * life.lowMonths) + 1e-9,
    );
    expect(observedLife(life, [seen(age, deg + 8)])!.months).toBeGreaterThan(same.months);
    expect(observedLife(life, [seen(age, deg - 8)])!.months).toBeLessThan(same.months);
  }
});

test('its error halves by some readings of a layer that lasts otherwise than thought', () => {
  for (const truth of [0.5, 0.7, 1.5]) {
    const real = life.months * truth;
    const drops = [6, 10, 14, 18, 22].map((age) => seen(age, expectedDeg(age, real)));
    const off = (count: number) =>
      Math.abs(Math.log((count === 0 ? life.months : observedLife(life, drops.slice(0, count))!.months) / real));
    expect(off(5)).toBeLessThan(off(0) / 2);
    expect(off(5)).toBeLessThan(off(1) + 1e-9);
  }
});

test('a drop read in its first weeks, or none at all, says nothing; a drop on bare paint and worse pulls no further than a bound', () => {
  expect(observedLife(life, [])).toBeUndefined();
  expect(observedLife(life, [seen(0.5, 40)])).toBeUndefined();
  expect(observedLife(life, [seen(12, 90)], { freshDeg: 60, bareDeg: 60 })).toBeUndefined();
  const gone = observedLife(life, [seen(12, 10)])!;
  expect(gone.months).toBeGreaterThan(life.months / 4);
  expect(gone.drops).toBe(1);
  // A shaky reading pulls less.
  expect(observedLife(life, [seen(12, 80, 20)])!.months).toBeGreaterThan(observedLife(life, [seen(12, 80, 1)])!.months);
});

/** A normal deviate of a seeded stream (Box and Muller). */
const normal = (at: () => number) => Math.sqrt(-2 * Math.log(1 - at())) * Math.cos(2 * Math.PI * at());

test('over many layers that last as lives differ, three readings halve the error of the estimate', () => {
  const at = seeded(41);
  let [before, after] = [0, 0];
  for (let layer = 0; layer < LAYERS; layer++) {
    const real = life.months * Math.exp(LIFE_SIGMA * normal(at));
    const drops = [0.35, 0.65, 0.95].map((share) => {
      const age = share * life.months;
      return seen(age, expectedDeg(age, real) + 3 * normal(at), 3);
    });
    before += Math.log(life.months / real) ** 2;
    after += Math.log(observedLife(life, drops)!.months / real) ** 2;
  }
  expect(Math.sqrt(after / before)).toBeLessThan(0.5);
});
const LAYERS = 2000;

test('a product that lasts less here shows it over enough items, and over too few says so; a rating that holds is left', () => {
  const at = seeded(7);
  const item = (truth: number, ages: readonly number[] = [10, 16]) => {
    const real = life.months * truth * Math.exp(LIFE_SIGMA * normal(at));
    return lifeLikelihood(
      life.months,
      ages.map((age) => seen(age, expectedDeg(age, real) + 3 * normal(at), 3)),
    )!;
  };
  const of = (truth: number, count: number) => productLasts(Array.from({ length: count }, () => item(truth)));
  expect(of(0.6, 2).says).toBe('too-few');
  const shorter = of(0.6, 30);
  expect(shorter.says).toBe('shorter');
  expect(shorter.factor).toBeGreaterThan(0.5);
  expect(shorter.factor).toBeLessThan(0.8);
  expect(of(1, 30).says).toBe('as-expected');
  expect(productLasts([])).toMatchObject({ items: 0, factor: 1, says: 'too-few' });
  // Early drops say little, and say it without leaning: of a rating that holds hardly any workshop hears otherwise.
  const early = Array.from({ length: 60 }, () =>
    productLasts(Array.from({ length: 20 }, () => item(1, [6, 10]))),
  ).filter(({ says }) => says !== 'as-expected');
  expect(early.length).toBeLessThan(8);
  // An item with drops by the dozen is still one item.
  const dozens = lifeLikelihood(
    life.months,
    Array.from({ length: 40 }, () => seen(16, expectedDeg(16, life.months / 2))),
  )!;
  expect(productLasts([dozens]).factor).toBeGreaterThan(0.7);
});
