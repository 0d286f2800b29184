import fc from 'fast-check';
import { product } from '../../testing/samples';
import { atWork, materialMoneyPerM2 } from './at-work';

const trial = { substrate: 'clear-gloss', airC: 20, rhPct: 50, matteSchool: 'fixed-early' } as const;

test('at the sheet’s own reference the window is the sheet’s own, and the section what one person manages in it', () => {
  const at = atWork(product(), trial);
  expect(at).toMatchObject({ verdict: 'open', outside: false });
  expect(at.levelFromMin).toBeCloseTo(2, 9);
  expect(at.levelByMin).toBeCloseTo(5, 9);
  expect(at.waterSafeMin).toBeCloseTo(720, 6);
  expect(at.handoverMin).toBeUndefined();
  expect(at.largestM2!).toBeGreaterThan(0);
});

test('warmer shortens the window and the section; outside the sheet’s limits is said', () => {
  const limited = product({ limits: { airC: [10, 28] } });
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 30, noNaN: true }),
      fc.double({ min: 0.5, max: 8, noNaN: true }),
      (airC, by) => {
        const [cold, warm] = [airC, airC + by].map((each) => atWork(limited, { ...trial, airC: each }));
        expect(warm!.levelByMin!).toBeLessThan(cold!.levelByMin!);
        expect(warm!.largestM2!).toBeLessThanOrEqual(cold!.largestM2!);
        expect(cold!.outside).toBe(airC < 10 || airC > 28);
      },
    ),
  );
});

test('in dry air what cures by moisture never gets wet-safe', () => {
  expect(atWork(product(), { ...trial, rhPct: 0 }).waterSafeMin).toBeNull();
});

test('material by the best pack, the substrate and what was learned of use', () => {
  const bought = product({
    packs: [
      { size: 30, price: 4200 },
      { size: 100, price: 10_000 },
    ],
    usageFactor: 1.2,
  });
  expect(materialMoneyPerM2(bought, 'clear-gloss')).toBeCloseTo(6.5 * 1.2 * 100, 9);
  expect(materialMoneyPerM2(bought, 'clear-matte')).toBeCloseTo(6.5 * 1.2 * 1.4 * 100, 9);
});
