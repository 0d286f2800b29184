/** The paint ledger: clear now, less this correction, less the removals to come, against the reserve. */
import fc from 'fast-check';
import { CLEAR_RESERVE_UM } from '#core/item/paint';
import { STEP_KIND_IDS, type StepKindId } from '#core/work/steps';
import { type AllowedLevel, allowedLevel, ledgerOf, mostTakenUm } from './ledger';
import { LEVEL_DEFINITIONS, LEVELS } from './levels';

const um = (max: number) => fc.double({ min: 0, max, noNaN: true });
const aCase = fc.record({
  clearUm: um(200),
  paint: fc.constantFrom('factory' as const, 'refinished' as const),
  reserveUm: fc.constant(CLEAR_RESERVE_UM),
  removalsUm: um(20),
});
const someSteps = fc.array(fc.constantFrom(...STEP_KIND_IDS), { maxLength: 6 });

test('its parts add up to the clear that is there', () => {
  fc.assert(
    fc.property(aCase, someSteps, (paint, steps) => {
      const ledger = ledgerOf(paint, steps)!;
      const { clearNowUm, thisCorrectionUm, removalsUm, reserveUm, spareUm } = ledger;
      expect(thisCorrectionUm + removalsUm + reserveUm + spareUm).toBeCloseTo(clearNowUm, 9);
      expect(thisCorrectionUm).toBeCloseTo(mostTakenUm(steps), 9);
    }),
  );
});

test('a correction that could be done again really leaves the reserve each time, and one more would not', () => {
  fc.assert(
    fc.property(aCase, someSteps, (paint, steps) => {
      const { correctionsLeft, spareUm, thisCorrectionUm } = ledgerOf(paint, steps)!;
      if (thisCorrectionUm === 0) return expect(correctionsLeft).toBe(Infinity);
      if (spareUm < 0) return expect(correctionsLeft).toBe(0);
      expect(correctionsLeft * thisCorrectionUm).toBeLessThanOrEqual(spareUm + 1e-9);
      expect((correctionsLeft + 1) * thisCorrectionUm).toBeGreaterThan(spareUm - 1e-9);
    }),
  );
});

test('where nobody knows the clear there is no ledger, and no level is raised above trust', () => {
  const untold = { clearUm: undefined, paint: 'factory', reserveUm: 25, removalsUm: 0 } as const;
  expect(ledgerOf(untold, ['cutting'])).toBeUndefined();
  expect(LEVELS.map((wanted) => allowedLevel(untold, wanted, false).level)).toEqual([
    'none',
    'gloss-refresh',
    'one-step',
    'one-step',
    'one-step',
  ]);
});

test('no machine goes on a suspected burn-through, however thick the rest', () => {
  for (const wanted of LEVELS) {
    const { level, why } = allowedLevel({ clearUm: 200, paint: 'factory', reserveUm: 25, removalsUm: 0 }, wanted, true);
    expect([wanted, level, why !== undefined]).toEqual([wanted, 'none', wanted !== 'none']);
  }
});

test('each level takes at least as much as the one before it', () => {
  const taken = LEVELS.map((level) => mostTakenUm(LEVEL_DEFINITIONS[level].steps));
  expect(taken).toEqual(taken.toSorted((a, b) => a - b));
  expect(taken[0]).toBe(0);
});

const rank = ({ level }: AllowedLevel) => LEVELS.indexOf(level);

test('what is allowed is never more than was wanted, says why where it is less, and keeps the reserve', () => {
  fc.assert(
    fc.property(aCase, fc.constantFrom(...LEVELS), (paint, wanted) => {
      const allowed = allowedLevel(paint, wanted, false);
      expect(rank(allowed)).toBeLessThanOrEqual(LEVELS.indexOf(wanted));
      expect(allowed.why !== undefined).toBe(allowed.level !== wanted);
      const steps: readonly StepKindId[] = LEVEL_DEFINITIONS[allowed.level].steps;
      const { spareUm, thisCorrectionUm } = ledgerOf(paint, steps)!;
      if (thisCorrectionUm > 0) expect(spareUm).toBeGreaterThanOrEqual(-1e-9);
    }),
  );
});

test('thicker clear, or fewer removals to come, never allows less', () => {
  fc.assert(
    fc.property(aCase, fc.constantFrom(...LEVELS), um(100), (paint, wanted, more) => {
      const before = rank(allowedLevel(paint, wanted, false));
      expect(rank(allowedLevel({ ...paint, clearUm: paint.clearUm + more }, wanted, false))).toBeGreaterThanOrEqual(
        before,
      );
      const kept = Math.max(0, paint.removalsUm - more);
      expect(rank(allowedLevel({ ...paint, removalsUm: kept }, wanted, false))).toBeGreaterThanOrEqual(before);
    }),
  );
});
