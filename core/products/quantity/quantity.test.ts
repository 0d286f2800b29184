import fc from 'fast-check';
import { METHOD_IDS, METHODS } from '#core/products/methods';
import { feeding } from './feeding';
import { amountOnSurface, applicatorCount, DROP_ML, dropsOf, pullsOf, seamFactor, wetFilmUm } from './amount';
import { choosePacks } from './packs';
import { purchase } from './purchase';

describe('product on a surface', () => {
  test('1.62 m², 2 layers, 6.5 ml/m², mitt, 3 sections across 1.05 m: 25.79 ml', () => {
    const ml = amountOnSurface({
      areaM2: 1.62,
      coats: 2,
      coveragePerM2: 6.5,
      methodFactor: 1.15,
      sections: 3,
      shortSideM: 1.05,
    });
    expect(ml).toBeCloseTo(25.79, 2);
  });

  test('splitting a surface never lowers its seams', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.double({ min: 0.1, max: 5, noNaN: true }), (n, m2) => {
        expect(seamFactor(n + 1, Math.sqrt(m2), m2)).toBeGreaterThanOrEqual(seamFactor(n, Math.sqrt(m2), m2));
      }),
    );
  });

  test('is said in drops, pulls and micrometres', () => {
    expect(dropsOf(3.1)).toBe(62);
    expect(pullsOf(4.4)).toBe(4);
    expect(dropsOf(0.01)).toBe(1);
    expect(wetFilmUm(13, 2)).toBe(6.5);
  });

  test('applicators: one per so many m², one where nothing limits them, none for nothing', () => {
    expect([applicatorCount(7.9, 2), applicatorCount(8, 2), applicatorCount(8, null), applicatorCount(0, 2)]).toEqual([
      4, 4, 1, 0,
    ]);
  });
});

describe('packs', () => {
  const shelf = [
    { size: 15, price: 2500 },
    { size: 30, price: 4200 },
    { size: 50, price: 6100 },
  ];

  test('83 ml: two of 50 for 122.00', () => {
    expect(choosePacks(83, shelf)).toEqual({ packs: [{ size: 50, count: 2 }], cost: 12200, bought: 100 });
  });

  test('at equal cost the least is left over', () => {
    const equal = [
      { size: 30, price: 4000 },
      { size: 50, price: 4000 },
    ];
    expect(choosePacks(20, equal).packs).toEqual([{ size: 30, count: 1 }]);
  });

  test('nothing needed, nothing bought; nothing on sale is an error', () => {
    expect(choosePacks(0, [])).toEqual({ packs: [], cost: 0, bought: 0 });
    expect(() => choosePacks(1, [])).toThrow(RangeError);
  });

  const pack = fc.record({ size: fc.integer({ min: 1, max: 100 }), price: fc.integer({ min: 1, max: 9000 }) });
  test('always cover, never dearer than any single size, and never dearer than trying everything', () => {
    fc.assert(
      fc.property(
        fc.array(pack, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 150 }),
        (onSale, amount) => {
          const choice = choosePacks(amount, onSale);
          expect(choice.bought).toBeGreaterThanOrEqual(amount);
          for (const { size, price } of onSale)
            expect(choice.cost).toBeLessThanOrEqual(Math.ceil(amount / size) * price);
          expect([choice.cost, choice.bought]).toEqual(exhaustive(amount, onSale));
        },
      ),
    );
  });

  /** Least cost for each amount covered, by dynamic programming over whole units: slow, plain and right. */
  function exhaustive(amount: number, onSale: readonly { size: number; price: number }[]): [number, number] {
    const best: [number, number][] = [[0, 0]];
    for (let need = 1; need <= amount; need++) {
      const options = onSale.map(({ size, price }): [number, number] => {
        const [cost, bought] = best[Math.max(0, need - size)]!;
        return [cost + price, bought + size];
      });
      best.push(options.reduce((a, b) => (b[0] < a[0] || (b[0] === a[0] && b[1] < a[1]) ? b : a)));
    }
    return best[amount]!;
  }
});

test('a purchase covers the 90 % quantity after stock in hand', () => {
  const inputs = {
    laid: 40,
    laidM2: 6,
    prime: 0.5,
    applicatorM2: 2,
    residue: 1,
    usageSigma: 0.15,
    onHand: 10,
    packs: [{ size: 30, price: 4200 }],
  };
  const bought = purchase(inputs);
  expect(bought.applicators).toBe(3);
  expect(bought.need).toBeCloseTo(42.5, 9);
  expect(bought.order).toBeCloseTo(40 * Math.exp(0.19224) + 2.5, 6);
  expect(bought.packs).toEqual([{ size: 30, count: 2 }]);
  expect(bought.leftover).toBeCloseTo(70 - bought.order, 9);
  expect(purchase({ ...inputs, onHand: 100 })).toMatchObject({ packs: [], cost: 0 });
});

describe('how the applicator is fed', () => {
  test('ten drops to begin, four more at the middle', () => {
    expect(feeding(0.7, 0.2, 'small-block')).toEqual({
      firstMl: 0.5,
      moreMl: expect.closeTo(0.2, 9) as number,
      times: 1,
      everyM2: 0.1,
    });
    expect(feeding(0.3, 0.1, 'small-block')).toEqual({ firstMl: 0.3, moreMl: 0, times: 0, everyM2: 0.1 });
  });
  test('law: what it is loaded and fed with is what the section takes, in spoonfuls the applicator takes', () => {
    const ml = fc.double({ min: 0.01, max: 60, noNaN: true });
    fc.assert(
      fc.property(
        ml,
        fc.double({ min: 0.01, max: 4, noNaN: true }),
        fc.constantFrom(...METHOD_IDS),
        (amount, areaM2, method) => {
          const { firstMl, moreMl, times, everyM2 } = feeding(amount, areaM2, method);
          expect(Math.abs(firstMl + times * moreMl - amount)).toBeLessThan(DROP_ML / 2 + 1e-9);
          expect(firstMl).toBeLessThanOrEqual(METHODS[method].loadMl);
          expect(moreMl).toBeLessThanOrEqual(1.5 * METHODS[method].feedMl + 1e-9);
          expect(everyM2 * (times + 1)).toBeCloseTo(areaM2, 9);
        },
      ),
    );
  });
});
