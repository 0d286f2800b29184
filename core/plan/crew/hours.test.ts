import fc from 'fast-check';
import { type Hours, inOrder, within, without } from '.';

/** Stretches as somebody may have typed them: in any order, over one another, some with nothing in them. */
const anyHours = fc.array(
  fc
    .tuple(fc.integer({ min: 0, max: 120 }), fc.integer({ min: -5, max: 40 }))
    .map(([from, lasts]) => [from, from + lasts] as const),
  { maxLength: 8 },
);
const isThere = (hours: Hours, min: number) => hours.some(([from, to]) => from <= min && min < to);

test('law: minute by minute, somebody is there in both, in the first and not in what is taken, or in any', () => {
  fc.assert(
    fc.property(anyHours, anyHours, (a, b) => {
      const [both, left, all] = [within(a, b), without(a, b), inOrder([...a, ...b])];
      for (let min = -1; min < 170; min += 1) {
        expect([min, isThere(both, min)]).toEqual([min, isThere(a, min) && isThere(b, min)]);
        expect([min, isThere(left, min)]).toEqual([min, isThere(a, min) && !isThere(b, min)]);
        expect([min, isThere(all, min)]).toEqual([min, isThere(a, min) || isThere(b, min)]);
      }
      // In order, with something in each and something between: what counts them relies on it.
      for (const hours of [both, left, all])
        hours.forEach(([from, to], nth) => expect(Math.max(from, hours[nth - 1]?.[1] ?? -Infinity)).toBeLessThan(to));
      for (const hours of [both, all])
        hours.slice(1).forEach(([from], nth) => expect(from).toBeGreaterThan(hours[nth]![1]));
      expect(within(b, a)).toEqual(both);
    }),
  );
});

test('what never ends is there with whatever ends', () => {
  expect(
    within(
      [[0, Infinity]],
      [
        [480, 1020],
        [1920, 2460],
      ],
    ),
  ).toEqual([
    [480, 1020],
    [1920, 2460],
  ]);
  expect(within([[0, Infinity]], [[30, Infinity]])).toEqual([[30, Infinity]]);
  expect(within([], [[0, Infinity]])).toEqual([]);
});
