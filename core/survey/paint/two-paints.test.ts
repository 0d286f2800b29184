import fc from 'fast-check';
import { twoPaints } from './two-paints';

const left = [118, 121, 116].map((um, nth) => ({ um, at: [0.1 + nth / 10, 0.5] as const }));
const right = [231, 238].map((um, nth) => ({ um, at: [0.7 + nth / 10, 0.4] as const }));

test('two groups with a gap between them are two paints, and part where the readings part', () => {
  expect(twoPaints([...left, ...right])).toEqual({
    medianUm: [118, 234.5],
    line: [
      [expect.closeTo(0.5, 9), 0],
      [expect.closeTo(0.5, 9), 1],
    ],
  });
  expect(twoPaints([...left, ...right].map(({ um }) => ({ um })))).toEqual({ medianUm: [118, 234.5] });
});

test('one slip of the probe, a spread, or a gap of 40 µm is one paint', () => {
  expect(twoPaints([...left, { um: 400 }])).toBeUndefined();
  expect(twoPaints([100, 110, 120, 130, 140].map((um) => ({ um })))).toBeUndefined();
  expect(twoPaints([100, 100, 140, 140].map((um) => ({ um })))).toBeUndefined();
  expect(twoPaints([100, 100, 140.1, 140.1].map((um) => ({ um })))).toBeDefined();
  expect(twoPaints([])).toBeUndefined();
});

test('law: whatever is read, in whatever order, it says the same; its medians lie apart', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 20, max: 900, noNaN: true }), { maxLength: 30 }), (values) => {
      const said = twoPaints(values.map((um) => ({ um })));
      expect(twoPaints(values.toReversed().map((um) => ({ um })))).toEqual(said);
      if (said) expect(said.medianUm[1] - said.medianUm[0]).toBeGreaterThan(40);
    }),
  );
});
