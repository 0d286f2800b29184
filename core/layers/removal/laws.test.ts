/** Laws of taking off: nothing is forgotten, nothing is counted twice, paint is never asked for more than it has. */
import fc from 'fast-check';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { FAMILY_IDS } from '#core/products/families';
import { seeded } from '#core/measures';
import { REMOVAL_METHODS } from '#core/products/removal-methods';
import { type AgedLayer, planRemoval } from '.';
import type { RemovalCase } from './ladder';

const aLayer: fc.Arbitrary<AgedLayer> = fc.record({
  name: fc.constantFrom('Base', 'Top', 'Wax', 'Skin'),
  family: fc.constantFrom(...FAMILY_IDS),
  ageMonths: fc.integer({ min: 0, max: 120 }),
  hard: fc.boolean(),
  lifeMonths: fc.integer({ min: 1, max: 90 }),
});
const aCase = fc.record({
  substrate: fc.constantFrom(...SUBSTRATE_IDS),
  areaM2: fc.double({ min: 0.01, max: 8, noNaN: true }),
  layers: fc.array(aLayer, { maxLength: 4 }),
  clearUm: fc.option(fc.integer({ min: 20, max: 70 }), { nil: undefined }),
  refinished: fc.boolean(),
});

test('every layer comes off once, from the top down, and the whole is the sum of its parts', () => {
  fc.assert(
    fc.property(aCase, (item) => {
      const removal = planRemoval(item);
      expect(removal.layers.map(({ layer }) => layer)).toEqual(item.layers.toReversed());
      const sum = (pick: (layer: (typeof removal.layers)[number]) => number) =>
        removal.layers.reduce((total, layer) => total + pick(layer), 0);
      expect(removal.expectedMin).toBeCloseTo(
        sum(({ expectedMin }) => expectedMin),
        6,
      );
      expect(removal.expectedClearUm).toBeCloseTo(
        sum(({ expectedClearUm }) => expectedClearUm),
        6,
      );
      for (const { steps, staysChance, expectedClearUm, worstClearUm, expectedMin } of removal.layers) {
        expect(expectedMin).toBeGreaterThanOrEqual(0);
        expect(staysChance).toBeGreaterThanOrEqual(0);
        expect(staysChance).toBeLessThanOrEqual(1);
        expect(expectedClearUm).toBeLessThanOrEqual(worstClearUm + 1e-9);
        // A step is reached as far as those before it have failed.
        let failed = 1;
        for (const { chance, reached, refused } of steps) {
          if (refused) continue;
          expect(reached).toBeCloseTo(failed, 9);
          failed *= 1 - chance;
        }
      }
    }),
  );
});

test('what is not polished otherwise is not polished to take something off', () => {
  fc.assert(
    fc.property(aCase, (item) => {
      const { polishable, matte } = SUBSTRATES[item.substrate];
      if (polishable && !matte) return;
      for (const { steps } of planRemoval(item).layers) {
        for (const { refused, clearUm } of steps) if (!refused) expect(clearUm[1]).toBeLessThan(0.5);
      }
    }),
  );
});

test('the clear that is left is known where it was known, and never less than nothing', () => {
  fc.assert(
    fc.property(aCase, (item) => {
      const { clearLeftUm } = planRemoval(item);
      expect(clearLeftUm === undefined).toBe(item.clearUm === undefined);
      if (clearLeftUm === undefined) return;
      expect(clearLeftUm).toBeLessThanOrEqual(item.clearUm!);
      expect(clearLeftUm).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('a larger surface takes as much longer; the order of its steps stays', () => {
  fc.assert(
    fc.property(aCase, fc.double({ min: 1, max: 5, noNaN: true }), (item, factor) => {
      const [small, large] = [planRemoval(item), planRemoval({ ...item, areaM2: item.areaM2 * factor })];
      expect(large.expectedMin).toBeGreaterThanOrEqual(small.expectedMin - 1e-9);
      expect(large.layers.map(({ steps }) => steps.map(({ method }) => method))).toEqual(
        small.layers.map(({ steps }) => steps.map(({ method }) => method)),
      );
    }),
  );
});

test('every method says how it is done safely and how one sees that it has worked; only waiting takes no hand', () => {
  for (const { name, caution, test: tells } of Object.values(REMOVAL_METHODS)) {
    expect([name, caution.length > 10, tells.length > 5]).toEqual([name, true, true]);
  }
  const free = Object.entries(REMOVAL_METHODS).filter(([, { minPerM2 }]) => minPerM2 <= 0);
  expect(free.map(([method]) => method)).toEqual(['wear-off']);
});

test('time and paint expected of a removal are those of ten thousand done, each rung tried as it comes to it', () => {
  const at = seeded(20_270_302);
  const cases: RemovalCase[] = [
    // A coated hatchback's bonnet with a topper, a waxed roof, a launch's side, film three and seven years old.
    { substrate: 'clear-gloss', areaM2: 1.4, clearUm: 95, layers: [aged('ceramic', 14), aged('topper', 2)] },
    { substrate: 'clear-gloss', areaM2: 2.1, clearUm: 48, layers: [aged('sealant', 5), aged('paste-wax', 3)] },
    { substrate: 'gelcoat', areaM2: 9, layers: [aged('ceramic-base', 20), aged('ceramic-top', 20)] },
    { substrate: 'clear-gloss', areaM2: 1.6, clearUm: 90, layers: [aged('film', 36), aged('spray-coating', 8)] },
    { substrate: 'clear-gloss', areaM2: 0.8, layers: [aged('film', 84)] },
    { substrate: 'clear-matte', areaM2: 1.2, clearUm: 60, layers: [aged('ceramic', 30)] },
    { substrate: 'glass', areaM2: 1, layers: [aged('glass-coating', 9)] },
  ];
  for (const subject of cases) {
    const removal = planRemoval(subject);
    let [minutes, um] = [0, 0];
    for (let done = 0; done < REMOVALS; done++) {
      for (const { steps } of removal.layers) {
        for (const step of steps.filter(({ refused }) => !refused)) {
          minutes += step.minutes;
          um += step.clearUm[0] + at() * (step.clearUm[1] - step.clearUm[0]);
          if (at() < step.chance) break;
        }
      }
    }
    // Satin is left to wear off: nothing is done, and nothing is expected.
    expect(removal.expectedMin === 0).toBe(subject.substrate === 'clear-matte');
    expect(Math.abs(minutes / REMOVALS - removal.expectedMin)).toBeLessThanOrEqual(0.02 * removal.expectedMin);
    expect(Math.abs(um / REMOVALS - removal.expectedClearUm)).toBeLessThanOrEqual(0.02 * removal.expectedClearUm);
  }
});
const REMOVALS = 10_000;
const aged = (family: AgedLayer['family'], ageMonths: number): AgedLayer => ({
  name: family,
  family,
  ageMonths,
  hard: true,
  lifeMonths: 30,
});
