/** The table of preparation steps: rates as the trade's defaults have them, and what holds for any step ever added. */
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { isPolishing, STEP_KIND_IDS, STEP_KINDS, type StepKindId, takesPolish } from '.';

/** Minutes per m², per piece or per metre at medium condition. */
const RATES: Readonly<Partial<Record<StepKindId, number>>> = {
  wheels: 8,
  tar: 1,
  iron: 1.5,
  clay: 4,
  dry: 1.5,
  tape: 0.25,
  cutting: 18,
  refining: 7,
  'single-stage': 9,
  finishing: 5,
  'glass-polish': 3,
  inspection: 1.5,
};

test.each(Object.entries(RATES))('%s takes the trade’s %d minutes', (kind, minutes) => {
  expect(STEP_KINDS[kind as StepKindId].pace.min).toBe(minutes);
});

test('pre-wash and wash together take two and a half minutes a square metre, and so does a rinseless wash', () => {
  expect(STEP_KINDS['pre-wash'].pace.min + STEP_KINDS.wash.pace.min).toBe(2.5);
  expect(STEP_KINDS.rinseless.pace.min).toBe(2.5);
});

test('consumables are those of the trade: panel wipe 12 ml a round, clay 50 g per 10 m², tape a tenth more than its edge', () => {
  const per = (kind: StepKindId, what: string) => STEP_KINDS[kind].uses.find((use) => use.what === what)?.per;
  expect(per('panel-wipe', 'panel wipe')).toBe(12);
  expect(per('clay', 'clay')! * 10).toBe(50);
  expect(per('tape', 'masking tape')).toBe(1.1);
  // A pad per 2.5 m² of cutting, per 5 m² of refining; a towel per 3 m² a step.
  expect(1 / per('cutting', 'cutting pads')!).toBeCloseTo(2.5, 9);
  expect(1 / per('refining', 'polishing pads')!).toBeCloseTo(5, 9);
  expect(1 / per('cutting', 'polishing towels')!).toBeCloseTo(3, 9);
});

describe.each(STEP_KIND_IDS)('%s', (kind) => {
  const step = STEP_KINDS[kind];

  test('says what may hurt and what follows if it is left out, each in a sentence', () => {
    for (const words of [step.caution, step.leftOut]) expect(words).toMatch(/^[A-Z].{10,}\.$/);
    expect(step.stopWhen ?? 'it is seen').not.toMatch(/\d+ passes/);
  });

  test('takes time, uses things by a positive amount, each once and with one unit wherever it is used', () => {
    expect(step.pace.min).toBeGreaterThan(0);
    expect(new Set(step.uses.map(({ what }) => what)).size).toBe(step.uses.length);
    for (const { what, unit, per } of step.uses) {
      expect([what, per > 0]).toEqual([what, true]);
      const units = STEP_KIND_IDS.flatMap((other) => STEP_KINDS[other].uses)
        .filter((use) => use.what === what)
        .map((use) => use.unit);
      expect([what, ...new Set(units)]).toEqual([what, unit]);
    }
  });

  test('takes from the clear no less at its most than at its least, and nothing where it does not rub', () => {
    const [least, most] = step.clearUm;
    expect(least).toBeGreaterThanOrEqual(0);
    expect(most).toBeGreaterThanOrEqual(least);
    if (most > 0) expect(isPolishing(kind) || kind === 'clay').toBe(true);
  });

  test('what must not dry on is rinsed, where there is water, a drain and no frost, or wiped off', () => {
    if (step.dwellMin === undefined) return;
    if (!step.orWiped) expect(step.needs).toEqual(expect.arrayContaining(['running-water', 'drain', 'above-freezing']));
    expect(step.dwellMin).toBeLessThanOrEqual(10);
  });
});

test('a solvent says gloves and air, a machine says eyes or edges', () => {
  for (const kind of ['tar', 'iron', 'panel-wipe'] as const) {
    expect([kind, STEP_KINDS[kind].caution]).toEqual([kind, expect.stringMatching(/gloves/i)]);
    expect([kind, STEP_KINDS[kind].caution]).toEqual([kind, expect.stringMatching(/\bair\b/)]);
  }
  for (const kind of ['cutting', 'refining', 'single-stage', 'finishing'] as const) {
    expect([kind, STEP_KINDS[kind].caution]).toEqual([kind, expect.stringContaining('edges')]);
    expect(STEP_KINDS[kind].needs).toContain('power');
  }
});

test('satin is never polished, nor is anything that has no coat to take from', () => {
  for (const id of SUBSTRATE_IDS) {
    const { matte, polishable } = SUBSTRATES[id];
    if (matte || !polishable) expect([id, takesPolish(id)]).toEqual([id, false]);
  }
  expect(SUBSTRATE_IDS.filter(takesPolish)).toEqual(expect.arrayContaining(['clear-gloss', 'single-stage', 'gelcoat']));
});
