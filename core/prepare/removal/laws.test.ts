/** Laws of taking off: nothing is forgotten, nothing is counted twice, paint is never asked for more than it has. */
import fc from 'fast-check';
import { BODIES } from '#core/item/make';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { MARK_KIND_IDS } from '#core/survey/condition';
import { prepareRuling } from '#core/prepare/rules';
import type { StepKindId } from '#core/prepare/steps';
import { FAMILY_IDS } from '#core/products/families';
import { seeded } from '#core/measures';
import { REMOVAL_METHODS, type RemovalMethodId } from '#core/products/removal-methods';
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
  clearUm: fc.option(fc.integer({ min: 20, max: 400 }), { nil: undefined }),
  reserveUm: fc.option(fc.integer({ min: 10, max: 60 }), { nil: undefined }),
  paint: fc.constantFrom('factory', 'refinished', 'single-stage'),
  unreadable: fc.boolean(),
  body: fc.constantFrom(...BODIES),
  marks: fc.array(fc.record({ kind: fc.constantFrom(...MARK_KIND_IDS) }), { maxLength: 2 }),
  breathesForMin: fc.option(fc.integer({ min: -10, max: 40_000 }), { nil: undefined }),
  existing: fc.array(fc.constantFrom(...FAMILY_IDS), { maxLength: 2 }),
});
/** The preparation step that each method is: what is against the one is against the other. */
const SAME_WORK: Readonly<Partial<Record<RemovalMethodId, StepKindId>>> = {
  'panel-wipe': 'panel-wipe',
  'adhesive-remover': 'tar',
  clay: 'clay',
  'finishing-polish': 'finishing',
  'single-stage-polish': 'single-stage',
  cutting: 'cutting',
  'alkali-acid-wash': 'degrease',
};

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

test('no step is offered that preparation would refuse on that panel, nor more than its paint may give', () => {
  fc.assert(
    fc.property(aCase, (item) => {
      const { polishable, matte } = SUBSTRATES[item.substrate];
      const { layers } = planRemoval(item);
      const offered = layers.flatMap(({ steps }) => steps.filter(({ refused }) => refused === undefined));
      for (const { method, clearUm } of offered) {
        if (!polishable || matte) expect(clearUm[1]).toBe(0);
        const kind = SAME_WORK[method];
        if (kind) expect(prepareRuling({ kind, panel: item, polished: false })).toBeUndefined();
        if (item.clearUm === undefined) expect(method).not.toBe('cutting');
        if (item.clearUm === undefined && item.unreadable) expect(method).not.toBe('single-stage-polish');
      }
      const most = offered.reduce((sum, { clearUm }) => sum + clearUm[1], 0);
      const gelcoat = item.substrate === 'gelcoat';
      const singleStage = item.paint === 'single-stage' || item.substrate === 'single-stage';
      const reserve = item.reserveUm ?? (gelcoat ? 150 : singleStage ? 40 : 25);
      if (item.clearUm !== undefined && most > 0) expect(item.clearUm - most).toBeGreaterThanOrEqual(reserve - 1e-9);
    }),
    { numRuns: 1000 },
  );
});

test('gelcoat gives five times what clear does; the reserve is that of the paint, or as it was typed', () => {
  const layers = [aged('ceramic-base', 20)];
  const took = (substrate: 'clear-gloss' | 'gelcoat') =>
    planRemoval({ substrate, areaM2: 1, layers, clearUm: 1000 }).expectedClearUm;
  expect(took('gelcoat') / took('clear-gloss')).toBeCloseTo(5, 9);
  const cut = (item: Partial<RemovalCase>) =>
    planRemoval({ substrate: 'clear-gloss', areaM2: 1, layers, ...item }).layers[0]!.steps.find(
      ({ method }) => method === 'cutting',
    )!.refused;
  // A cutting step after a finishing and a one-step polish takes up to 1 + 2 + 4 µm.
  expect(cut({ clearUm: 33 })).toBeUndefined();
  expect(cut({ clearUm: 31 })).toMatch(/reserve of 25/);
  expect(cut({ clearUm: 33, reserveUm: 30 })).toMatch(/reserve of 30/);
  expect(cut({ clearUm: 46, paint: 'single-stage' })).toMatch(/reserve of 40/);
  expect(cut({ clearUm: 184, substrate: 'gelcoat' })).toMatch(/reserve of 150/);
  expect(cut({ clearUm: 186, substrate: 'gelcoat' })).toBeUndefined();
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
