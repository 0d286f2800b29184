import fc from 'fast-check';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { FAMILY_IDS } from '#core/products/families';
import { type AgedLayer, planRemoval } from './ladder';

const coating: AgedLayer = { name: 'Keelstone', family: 'ceramic', ageMonths: 12, hard: true, lifeMonths: 30 };
const wax: AgedLayer = { name: 'Paste', family: 'paste-wax', ageMonths: 1, hard: true, lifeMonths: 2 };
const film: AgedLayer = { name: 'Film', family: 'film', ageMonths: 72, hard: true, lifeMonths: 84 };

test('from the top down, mildest first, counted with the chance of getting there', () => {
  const { layers, expectedMin } = planRemoval({
    substrate: 'clear-gloss',
    areaM2: 2,
    layers: [coating, wax],
    clearUm: 50,
  });
  expect(layers.map(({ layer }) => layer.name)).toEqual(['Paste', 'Keelstone']);
  const [, hard] = layers;
  const methods = hard!.steps.map(({ method }) => method);
  expect(methods.indexOf('finishing-polish')).toBeLessThan(methods.indexOf('cutting'));
  let reached = 1;
  let minutes = 0;
  for (const step of hard!.steps) {
    expect(step.reached).toBeCloseTo(reached, 12);
    minutes += reached * step.minutes;
    reached *= 1 - step.chance;
  }
  expect(hard!.expectedMin).toBeCloseTo(minutes, 9);
  expect(expectedMin).toBeCloseTo(layers[0]!.expectedMin + minutes, 9);
});

test('what sits on film leaves with it; old film is warned of, and glue grows with age', () => {
  const plan = planRemoval({
    substrate: 'clear-gloss',
    areaM2: 1.4,
    layers: [film, coating],
    clearUm: 40,
    paint: 'refinished',
  });
  expect(plan.layers.map(({ withFilm }) => withFilm)).toEqual([true, false]);
  expect(plan.warnings.join(' ')).toMatch(/leaves with the film/);
  expect(plan.warnings.join(' ')).toMatch(/Refinished paint may lift/);
  // In the sun it is older than its years.
  const pull = (more: object) =>
    planRemoval({ substrate: 'clear-gloss', areaM2: 1.4, layers: [{ ...film, ageMonths: 30, ...more }] });
  expect(pull({ aging: 1.6 }).expectedMin).toBeGreaterThan(pull({}).expectedMin);
  expect(pull({ aging: 2.1 }).warnings.join(' ')).toMatch(/tears/);
  const young = planRemoval({ substrate: 'clear-gloss', areaM2: 1.4, layers: [{ ...film, ageMonths: 6 }] });
  expect(plan.expectedMin).toBeGreaterThan(young.expectedMin);
});

test('a fresh coating comes off by chemistry, a hard one wants polish, a worn one less of it', () => {
  const off = (changes: Partial<AgedLayer>) =>
    planRemoval({ substrate: 'clear-gloss', areaM2: 1, layers: [{ ...coating, ...changes }], clearUm: 60 });
  expect(off({ hard: false, ageMonths: 0 }).expectedClearUm).toBeLessThan(off({}).expectedClearUm);
  expect(off({ ageMonths: 40 }).expectedClearUm).toBeLessThan(off({ ageMonths: 3 }).expectedClearUm);
});

test('what the sheet says it comes off by is tried in its place and most likely works, where the surface stands it', () => {
  const off = (comesOffBy: AgedLayer['comesOffBy'], substrate: 'clear-gloss' | 'acrylic-window' = 'clear-gloss') =>
    planRemoval({ substrate, areaM2: 1, layers: [{ ...coating, comesOffBy }], clearUm: 60 });
  const steps = off(['strip-wash', 'alkali-acid-wash']).layers[0]!.steps;
  expect(steps.slice(0, 3).map(({ method, chance }) => [method, chance >= 0.9])).toEqual([
    ['strip-wash', true],
    ['alkali-acid-wash', true],
    ['finishing-polish', false],
  ]);
  expect(off(['strip-wash']).expectedClearUm).toBeLessThan(off(undefined).expectedClearUm / 5);
  const onAcrylic = off(['alkali-acid-wash'], 'acrylic-window').layers[0]!.steps.map(({ method }) => method);
  expect(onAcrylic).not.toContain('alkali-acid-wash');
});

test('thin clear refuses the harsher step and names the milder one', () => {
  const { layers } = planRemoval({ substrate: 'clear-gloss', areaM2: 1, layers: [coating], clearUm: 29 });
  const refused = layers[0]!.steps.filter((step) => step.refused);
  expect(refused.map(({ method }) => method)).toEqual(['cutting']);
  expect(refused[0]!.refused).toMatch(/reserve of 25: stop at one-step polish/);
  expect(layers[0]!.staysChance).toBeGreaterThan(0);
});

test('on every surface: no polish on matte, glass is not cut', () => {
  const layer = fc.record({
    name: fc.constant('x'),
    family: fc.constantFrom(...FAMILY_IDS),
    ageMonths: fc.double({ min: 0, max: 120, noNaN: true }),
    hard: fc.boolean(),
    lifeMonths: fc.double({ min: 1, max: 96, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.constantFrom(...SUBSTRATE_IDS),
      fc.array(layer, { maxLength: 4 }),
      fc.double({ min: 0, max: 90, noNaN: true }),
      (substrate, layers, clearUm) => {
        const plan = planRemoval({ substrate, areaM2: 1, layers, clearUm });
        const steps = plan.layers.flatMap((l) => l.steps.filter((step) => !step.refused));
        if (substrate === 'clear-matte' || substrate === 'film-matte')
          expect(steps.every((s) => s.clearUm[1] === 0)).toBe(true);
        if (substrate === 'glass') expect(steps.some((s) => s.method === 'cutting')).toBe(false);
        for (const { staysChance } of plan.layers) expect(staysChance).toBeGreaterThanOrEqual(0);
      },
    ),
  );
});
