import fc from 'fast-check';
import { product } from '../../testing/samples';
import { millilitres, outsideLimits } from './product';

test('limits: both ends belong to them, what is not measured or not limited is not asked', () => {
  const limited = product({ limits: { airC: [10, 28], surfaceC: [8, 30] } });
  expect(outsideLimits(limited, { airC: 10, rhPct: 99, surfaceC: 30 })).toEqual([]);
  expect(outsideLimits(limited, { airC: 9.9, surfaceC: 30.1 })).toEqual([
    { key: 'airC', value: 9.9, limit: [10, 28] },
    { key: 'surfaceC', value: 30.1, limit: [8, 30] },
  ]);
  expect(outsideLimits(limited, {})).toEqual([]);
  expect(outsideLimits(product(), { airC: -40 })).toEqual([]);
  fc.assert(
    fc.property(fc.double({ min: -50, max: 80, noNaN: true }), (airC) => {
      expect(outsideLimits(limited, { airC }).length).toBe(airC < 10 || airC > 28 ? 1 : 0);
    }),
  );
});

test('millilitres of what is poured, by weight through its density; film is none', () => {
  expect(millilitres(product({ unit: 'ml' }), 12)).toBe(12);
  expect(millilitres(product({ unit: 'g', densityGPerMl: 0.8 }), 12)).toBeCloseTo(15, 12);
  expect(millilitres(product({ unit: 'm2' }), 12)).toBe(0);
});
