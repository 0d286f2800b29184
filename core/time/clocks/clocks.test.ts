import fc from 'fast-check';
import type { AmbientSeries } from '#core/time/air';
import { clockRate, type Mechanism } from './mechanisms';
import { clockRunMin, reachedAtMin } from './milestones';
import { guardedWindow, windowVerdict } from './window';
import { rateInWords, rateShares } from './words';

const rate = (mechanism: Mechanism, airC: number, rhPct: number, surfaceC: number, airSpeed: number) =>
  clockRate({ mechanism }, { airC, rhPct, airSpeed }, surfaceC);

describe('rates against the sheet', () => {
  test.each([
    [20, 50, 20, 0.1, 1, 1, 1, 1],
    [28, 70, 28, 0.1, 1.5131, 0.9703, 2.4572, 1.8211],
    [12, 80, 12, 0.1, 0.6457, 0.2399, 0.5835, 0.531],
    [10, 40, 6, 0.1, 0.4575, 0.3797, 0.2568, 0.3225],
    [33, 30, 41, 0.5, 5.4813, 10.3751, 3.9043, 4.5196],
  ])('air %d °C, %d %%, surface %d °C, %d m/s', (airC, rhPct, surfaceC, v, solvent, water, moisture, thermal) => {
    const at = (mechanism: Mechanism) => rate(mechanism, airC, rhPct, surfaceC, v);
    expect(at('solvent')).toBeCloseTo(solvent, 4);
    expect(at('water')).toBeCloseTo(water, 4);
    expect(at('moisture')).toBeCloseTo(moisture, 4);
    expect(at('thermal')).toBeCloseTo(thermal, 4);
  });

  const airC = fc.double({ min: -10, max: 45, noNaN: true });
  const rhPct = fc.double({ min: 1, max: 99, noNaN: true });
  const rise = fc.double({ min: 0, max: 20, noNaN: true });

  test('a warmer surface never slows any clock', () => {
    fc.assert(
      fc.property(
        airC,
        rhPct,
        rise,
        fc.constantFrom<Mechanism>('solvent', 'water', 'moisture', 'thermal'),
        (t, rh, dT, m) => {
          expect(rate(m, t, rh, t + dT, 0.1)).toBeGreaterThanOrEqual(rate(m, t, rh, t, 0.1) - 1e-12);
        },
      ),
    );
  });

  test('humidity slows a water-borne product and hurries a moisture-curing one', () => {
    fc.assert(
      fc.property(airC, fc.double({ min: 1, max: 80, noNaN: true }), rise, (t, rh, more) => {
        expect(rate('water', t, rh + more, t, 0.1)).toBeLessThanOrEqual(rate('water', t, rh, t, 0.1));
        expect(rate('moisture', t, rh + more, t, 0.1)).toBeGreaterThanOrEqual(rate('moisture', t, rh, t, 0.1));
        expect(rate('solvent', t, rh + more, t, 0.1)).toBe(rate('solvent', t, rh, t, 0.1));
      }),
    );
  });

  test('says the rate and what moves it most', () => {
    const still = { airSpeed: 0.1 };
    expect(rateInWords({ mechanism: 'solvent' }, { airC: 20, rhPct: 50, ...still })).toBe('as on the sheet');
    expect(rateInWords({ mechanism: 'solvent' }, { airC: 21, rhPct: 50, ...still }, 29)).toBe(
      '1.6× faster than the sheet: panel 29 °C 1.6×',
    );
    expect(rateInWords({ mechanism: 'moisture' }, { airC: 20, rhPct: 0, ...still })).toMatch(
      /^stands still: air 20 °C, 0 %/,
    );
    expect(rateInWords({ mechanism: 'solvent' }, { airC: 20, rhPct: 50, airSpeed: 2 })).toMatch(
      /^4.1× faster than the sheet: air at 2 m\/s 4.1×$/,
    );
  });
});

test('the shares of a rate are its factors: together they are the rate, in whatever air', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<Mechanism>('solvent', 'water', 'moisture', 'thermal'),
      fc.double({ min: 0, max: 40, noNaN: true }),
      fc.double({ min: 5, max: 95, noNaN: true }),
      fc.double({ min: 2, max: 45, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      (mechanism, airC, rhPct, surfaceC, airSpeed) => {
        const clock = { mechanism };
        const shares = rateShares(clock, { airC, rhPct, airSpeed }, surfaceC);
        const whole = shares.reduce((product, { factor }) => product * factor, 1);
        const rate = clockRate(clock, { airC, rhPct, airSpeed }, surfaceC);
        if (shares[0]!.factor > 0) expect(whole).toBeCloseTo(rate, 9);
        if (rate > 0 && rate < 1e-3) return;
        expect(rateInWords(clock, { airC, rhPct, airSpeed }, surfaceC)).not.toMatch(/NaN|Infinity/);
      },
    ),
  );
});

describe('milestones through changing air', () => {
  const night: AmbientSeries = [
    { atMin: 0, airC: 21, rhPct: 45, airSpeed: 0.1 },
    { atMin: 120, airC: 14, rhPct: 60, airSpeed: 0.1 },
    { atMin: 720, airC: 8, rhPct: 75, airSpeed: 0.1 },
    { atMin: 900, airC: 21, rhPct: 45, airSpeed: 0.1 },
  ];

  test.each([
    ['moisture', 720, 1051.29, 2],
    ['solvent', 90, 85.354, 3],
    ['moisture', 20160, 19711.5, 1],
  ] as const)('%s clock reaches %d reference minutes at %d', (mechanism, min, at, digits) => {
    expect(reachedAtMin({ mechanism }, min, night, 0)).toBeCloseTo(at, digits);
  });

  test('never is an answer', () => {
    const dry: AmbientSeries = [{ atMin: 0, airC: 20, rhPct: 0, airSpeed: 0.1 }];
    expect(reachedAtMin({ mechanism: 'moisture' }, 1, dry, 0)).toBeNull();
    expect(reachedAtMin({ mechanism: 'moisture' }, 0, dry, 5)).toBe(5);
  });

  test('the first step holds before the series and the run of the clock is the inverse of reaching', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -500, max: 1500, noNaN: true }),
        fc.double({ min: 0.1, max: 3000, noNaN: true }),
        fc.constantFrom<Mechanism>('solvent', 'water', 'moisture', 'thermal'),
        (from, min, mechanism) => {
          const at = reachedAtMin({ mechanism }, min, night, from)!;
          expect(clockRunMin({ mechanism }, night, from, at)).toBeCloseTo(min, 6);
        },
      ),
    );
  });
});

describe('windows', () => {
  test('the guard moves both edges inward, never by more than 40 % of the window', () => {
    const wide = guardedWindow({ fromMin: 2, byMin: 20 }, 0.2, 1.2816);
    expect(wide.fromMin).toBeCloseTo(2 * Math.exp(0.25632), 9);
    expect(wide.byMin).toBeCloseTo(20 * Math.exp(-0.25632), 9);
    const narrow = guardedWindow({ fromMin: 10, byMin: 11 }, 0.2, 1.2816);
    expect(narrow.fromMin).toBeCloseTo(10.4, 9);
    expect(narrow.byMin).toBeCloseTo(10.6, 9);
    expect(guardedWindow({ fromMin: 1, byMin: null }, 0.2, 1).byMin).toBeNull();
  });

  test('narrow below a minute, closed below a quarter or when it never opens', () => {
    expect(windowVerdict(2, 3)).toBe('open');
    expect(windowVerdict(2, 2.9)).toBe('narrow');
    expect(windowVerdict(2, 2.2)).toBe('closed');
    expect(windowVerdict(null, null)).toBe('closed');
    expect(windowVerdict(2, null)).toBe('open');
  });
});
