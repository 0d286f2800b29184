import fc from 'fast-check';
import { mixesFor } from './mixes';

test('a front of three square metres at 20 °C takes about a litre and a half of slip with a teaspoon and a half of soap', () => {
  const { slip, tack } = mixesFor(3, 20, 200);
  expect(slip.totalMl).toBeCloseTo(1350, 6);
  expect(slip.soapMl).toBeCloseTo(6.75, 6);
  expect(tack.totalMl).toBeCloseTo(450, 6);
  expect(tack.alcoholMl).toBeCloseTo(67.5, 6);
});
test('law: warmer takes more soap and less alcohol, more film more of both, and nothing is left of the whole', () => {
  const of = fc.tuple(
    fc.double({ min: 0.05, max: 40, noNaN: true }),
    fc.double({ min: -20, max: 60, noNaN: true }),
    fc.double({ min: 50, max: 400, noNaN: true }),
  );
  fc.assert(
    fc.property(of, ([areaM2, surfaceC, um]) => {
      const [one, warm, twice] = [
        mixesFor(areaM2, surfaceC, um),
        mixesFor(areaM2, surfaceC + 5, um),
        mixesFor(2 * areaM2, surfaceC, um),
      ];
      expect(warm.slip.soapMl).toBeGreaterThanOrEqual(one.slip.soapMl - 1e-9);
      expect(warm.tack.alcoholMl).toBeLessThanOrEqual(one.tack.alcoholMl + 1e-9);
      expect(twice.slip.totalMl).toBeCloseTo(2 * one.slip.totalMl, 6);
      for (const { totalMl, waterMl, ...rest } of [one.slip, one.tack]) {
        const [part] = Object.values(rest) as [number];
        expect(waterMl + part).toBeCloseTo(totalMl, 6);
        expect(part).toBeGreaterThan(0);
        expect(waterMl).toBeGreaterThan(0);
      }
    }),
  );
  expect(() => mixesFor(0, 20, 200)).toThrow(RangeError);
});
