/** The ground under a stack, and the clear coat parted by what becomes of it. */
import fc from 'fast-check';
import { CLEAR_RESERVE_UM } from '#core/survey/paint';
import type { Ledger } from '#core/prepare/stages';
import { groundOf, ledgerGround } from './strata';

/** A ledger of its parts, so much of each. */
function ledger(thisCorrectionUm: number, removalsUm: number, spareUm: number): Ledger {
  const clearNowUm = thisCorrectionUm + removalsUm + spareUm + CLEAR_RESERVE_UM;
  const correctionsLeft = thisCorrectionUm === 0 ? Infinity : Math.max(0, Math.floor(spareUm / thisCorrectionUm));
  return { clearNowUm, thisCorrectionUm, removalsUm, reserveUm: CLEAR_RESERVE_UM, spareUm, correctionsLeft };
}
const um = (max: number) => fc.oneof(fc.constant(0), fc.double({ min: 0.1, max, noNaN: true }));
const aLedger = fc.tuple(um(15), um(12), um(80)).map((parts) => ledger(...parts));
const PARTS = ['This correction, at most', 'Kept for taking the protection off', 'To spare', 'Reserve, never touched'];

test('a ledger is drawn in its order, each part once and only where there is some of it, on the same ground', () => {
  fc.assert(
    fc.property(aLedger, (its) => {
      const strata = ledgerGround('clear-gloss', its);
      const parts = strata.filter(({ name }) => PARTS.includes(name));
      const order = parts.map(({ name }) => PARTS.indexOf(name));
      expect(order).toEqual([...new Set(order)].toSorted((a, b) => a - b));
      const has = (nth: number) => order.includes(nth);
      expect([has(0), has(1), has(2)]).toEqual([its.thisCorrectionUm > 0, its.removalsUm > 0, its.spareUm > 0]);
      expect(has(3)).toBe(true);
      const below = strata.slice(parts.length).map(({ name }) => name);
      expect(below).toEqual(
        groundOf({ substrate: 'clear-gloss', clearUm: its.clearNowUm })
          .slice(1)
          .map(({ name }) => name),
      );
    }),
  );
});

test('parts are to scale with each other but for the smallest, which can still be seen', () => {
  fc.assert(
    fc.property(aLedger, (its) => {
      const height = (part: number) =>
        ledgerGround('clear-gloss', its).find(({ name }) => name === PARTS[part])?.heightPx;
      const [removals, spare] = [height(1), height(2)];
      for (const px of [height(0), removals, spare, height(3)]) expect(px ?? 20).toBeGreaterThanOrEqual(20);
      if (spare !== undefined && removals !== undefined && spare > 20 && removals > 20)
        expect(spare / removals).toBeCloseTo(its.spareUm / its.removalsUm, 6);
    }),
  );
});

test('how often it could be done again is said in the right number', () => {
  const spare = (spareUm: number) =>
    ledgerGround('clear-gloss', ledger(2, 0, spareUm)).find(({ name }) => name === 'To spare')?.detail;
  expect(spare(2.5)).toMatch(/1 more such correction$/);
  expect(spare(6.5)).toMatch(/3 more such corrections$/);
  expect(spare(1.5)).toMatch(/0 more such corrections$/);
  expect(spare(0)).toBeUndefined();
});

test('satin has no reserve to polish down to, bare metal and glass no clear to speak of', () => {
  expect(groundOf({ substrate: 'clear-matte', clearUm: 40 })[0]!.reserveShare).toBeUndefined();
  expect(groundOf({ substrate: 'clear-matte', clearUm: 40 })[0]!.detail).toContain('never polished');
  for (const substrate of ['glass', 'acrylic-window', 'chrome'] as const) {
    expect(groundOf({ substrate, clearUm: 40 }).map(({ name }) => name)).not.toContain('Clear coat');
  }
});
