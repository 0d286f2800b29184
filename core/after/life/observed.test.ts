/** How long a layer lasts, by what water does on it. */
import fc from 'fast-check';
import { ageAtCondition, conditionLeft, expectedLife, observedLife, USUAL_WATER } from '.';

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
    expect(same.months).toBeCloseTo(life.months, 0);
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
