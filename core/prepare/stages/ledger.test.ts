/** The paint ledger: clear now, less this correction, less the removals to come, against the reserve. */
import fc from 'fast-check';
import { CLEAR_RESERVE_UM } from '#core/survey/paint';
import { type AllowedLevel, allowedLevel, ledgerOf } from './ledger';
import { type Level, LEVELS } from './levels';
import { mostTakenUm, polishSteps } from './polish-steps';

const um = (max: number) => fc.double({ min: 0, max, noNaN: true });
const aCase = fc.record({
  clearUm: um(200),
  paint: fc.constantFrom('factory' as const, 'refinished' as const),
  reserveUm: fc.constant(CLEAR_RESERVE_UM),
  removalsUm: um(20),
});
const taken = fc.oneof(fc.constant(0), fc.double({ min: 0.1, max: 30, noNaN: true }));
const takesUm = (level: Level) => mostTakenUm(polishSteps({ substrate: 'clear-gloss', clearUm: 45 }, level));

test('its parts add up to the clear that is there', () => {
  fc.assert(
    fc.property(aCase, taken, (paint, takes) => {
      const ledger = ledgerOf(paint, takes)!;
      const { clearNowUm, thisCorrectionUm, removalsUm, reserveUm, spareUm } = ledger;
      expect(thisCorrectionUm + removalsUm + reserveUm + spareUm).toBeCloseTo(clearNowUm, 9);
      expect(thisCorrectionUm).toBe(takes);
    }),
  );
});

test('a correction that could be done again really leaves the reserve each time, and one more would not', () => {
  fc.assert(
    fc.property(aCase, taken, (paint, takes) => {
      const { correctionsLeft, spareUm, thisCorrectionUm } = ledgerOf(paint, takes)!;
      if (thisCorrectionUm === 0) return expect(correctionsLeft).toBe(Infinity);
      if (spareUm < 0) return expect(correctionsLeft).toBe(0);
      expect(correctionsLeft * thisCorrectionUm).toBeLessThanOrEqual(spareUm + 1e-9);
      expect((correctionsLeft + 1) * thisCorrectionUm).toBeGreaterThan(spareUm - 1e-9);
    }),
  );
});

test('where nobody knows the clear there is no ledger, and no level is raised above trust', () => {
  const untold = { clearUm: undefined, paint: 'factory', reserveUm: 25, removalsUm: 0 } as const;
  expect(ledgerOf(untold, 4)).toBeUndefined();
  expect(LEVELS.map((wanted) => allowedLevel(untold, wanted, false, takesUm).level)).toEqual([
    'none',
    'gloss-refresh',
    'one-step',
    'one-step',
    'one-step',
  ]);
});

test('where it cannot be read from outside, the mildest step until somebody who knows has told', () => {
  const hidden = { clearUm: undefined, paint: 'refinished', reserveUm: 25, removalsUm: 0, unreadable: true } as const;
  for (const wanted of ['one-step', 'full'] as const) {
    expect(allowedLevel(hidden, wanted, false, takesUm)).toEqual({
      level: 'gloss-refresh',
      why: expect.stringMatching(/read/),
    });
  }
  expect(allowedLevel({ ...hidden, clearUm: 60 }, 'two-step', false, takesUm)).toEqual({ level: 'two-step' });
});

test('no machine goes on a suspected burn-through, however thick the rest', () => {
  for (const wanted of LEVELS) {
    const { level, why } = allowedLevel(
      { clearUm: 200, paint: 'factory', reserveUm: 25, removalsUm: 0 },
      wanted,
      true,
      takesUm,
    );
    expect([wanted, level, why !== undefined]).toEqual([wanted, 'none', wanted !== 'none']);
  }
});

test('each level takes at least as much as the one before it', () => {
  const each = LEVELS.map(takesUm);
  expect(each).toEqual(each.toSorted((a, b) => a - b));
  expect(each[0]).toBe(0);
});

const rank = ({ level }: AllowedLevel) => LEVELS.indexOf(level);

test('what is allowed is never more than was wanted, says why where it is less, and keeps the reserve', () => {
  fc.assert(
    fc.property(aCase, fc.constantFrom(...LEVELS), (paint, wanted) => {
      const allowed = allowedLevel(paint, wanted, false, takesUm);
      expect(rank(allowed)).toBeLessThanOrEqual(LEVELS.indexOf(wanted));
      expect(allowed.why !== undefined).toBe(allowed.level !== wanted);
      const { spareUm, thisCorrectionUm } = ledgerOf(paint, takesUm(allowed.level))!;
      if (thisCorrectionUm > 0) expect(spareUm).toBeGreaterThanOrEqual(-1e-9);
    }),
  );
});

test('thicker clear, or fewer removals to come, never allows less', () => {
  fc.assert(
    fc.property(aCase, fc.constantFrom(...LEVELS), um(100), (paint, wanted, more) => {
      const before = rank(allowedLevel(paint, wanted, false, takesUm));
      expect(
        rank(allowedLevel({ ...paint, clearUm: paint.clearUm + more }, wanted, false, takesUm)),
      ).toBeGreaterThanOrEqual(before);
      const kept = Math.max(0, paint.removalsUm - more);
      expect(rank(allowedLevel({ ...paint, removalsUm: kept }, wanted, false, takesUm))).toBeGreaterThanOrEqual(before);
    }),
  );
});
