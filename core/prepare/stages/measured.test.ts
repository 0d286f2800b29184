/** A test spot decides: what was measured on one panel is the plan for all of its paint. Sanding and its gates. */
import { panel, settings, swirled } from '../../testing/preparation';
import { measuredPair } from './measured';
import { preparePanel } from './panel';
import type { PanelCase } from './panel-case';
import { mostTakenUm, polishSteps } from './polish-steps';
import type { SpotTest } from './test-ladder';

const test_ = (changes: Partial<SpotTest> = {}): SpotTest => ({
  pair: 'medium-onestep',
  gonePct: 85,
  hazePct: 2,
  minutes: 3,
  ...changes,
});
const decided = (changes: Partial<SpotTest> = {}) => measuredPair([test_(changes)], 'roof', 80)!;
const polish = (subject: PanelCase, level: 'one-step' | 'two-step' | 'full' = 'two-step') =>
  preparePanel(subject, settings({ level })).steps.filter(({ kind }) =>
    ['cutting', 'single-stage', 'refining', 'finishing'].includes(kind),
  );

test('what met the goal is pace by area, clear, share and haze; what did not decides nothing', () => {
  expect(decided({ tookUm: 1.2 })).toEqual({
    pair: 'medium-onestep',
    on: 'roof',
    minPerM2: 12,
    tookUm: 1.2,
    goneShare: 0.85,
    hazy: false,
  });
  expect(decided({ areaM2: 0.5, hazePct: 20, machine: 'forced' })).toMatchObject({
    minPerM2: 6,
    hazy: true,
    machine: 'forced',
  });
  expect(measuredPair([test_({ gonePct: 60 })], 'roof', 80)).toBeUndefined();
});

test('its pad, liquid, minutes, micrometres and share are the plan, marked as measured', () => {
  const bonnet = panel({ marks: swirled('heavy'), hardness: 'hard', measured: decided({ tookUm: 1.2 }) });
  const steps = polish(bonnet);
  expect(steps.map(({ kind }) => kind)).toEqual(['single-stage']);
  const [step] = steps;
  // Marks and hardness are in what was measured; the table's figure is kept beside it for learning.
  expect(step!.minutes).toBeCloseTo(12 * 1.5, 9);
  expect(step!.defaultMin).toBeCloseTo(9 * 1.6 * 1.1 * 1.5, 9);
  expect(step).toMatchObject({ clearUm: [1.2, 1.2], measured: { on: 'roof' } });
  expect(step!.tool!.says).toEqual({
    machine: 'a dual-action machine, large plate',
    pad: 'polishing foam pad',
    liquid: 'one-step polish',
  });
  const { ledger, goes } = preparePanel(bonnet, settings());
  expect(ledger!.thisCorrectionUm).toBeCloseTo(1.2, 9);
  expect(goes).toEqual([{ mark: 'm', share: 0.85 }]);
  const shaped = polish({ ...bonnet, curvature: 1.3 });
  expect(shaped[0]!.minutes).toBeCloseTo(12 * 1.5 * 1.5, 9);
});

test('haze wants a refining step, a full correction does it twice, gloss alone is not bought with a stronger pair', () => {
  const bonnet = (changes: Partial<SpotTest>) =>
    panel({ marks: swirled('medium'), clearUm: 60, measured: decided(changes) });
  const kinds = (changes: Partial<SpotTest>, level?: 'one-step' | 'full') =>
    polish(bonnet(changes), level).map(({ kind, round }) => `${kind} ${round}`);
  expect(kinds({ hazePct: 15 })).toEqual(['single-stage 1', 'refining 1']);
  expect(kinds({ pair: 'microfibre-compound', hazePct: 15 }, 'one-step')).toEqual(['cutting 1', 'refining 1']);
  expect(kinds({}, 'full')).toEqual(['single-stage 1', 'single-stage 2', 'finishing 1']);
  expect(preparePanel(bonnet({}), settings({ level: 'full' })).goes[0]!.share).toBeCloseTo(1 - 0.15 ** 2, 9);
  expect(polishSteps(bonnet({}), 'gloss-refresh').map(({ kind }) => kind)).toEqual(['finishing']);
  // A scratch that polishing only eases is not gone because swirls were.
  const scratched = panel({ marks: [{ id: 'd', kind: 'deep-scratch', severity: 'heavy' }], measured: decided() });
  expect(preparePanel(scratched, settings()).goes[0]!.share).toBe(0.15);
});

test('a rotary or a hand that decided is taken where it may go', () => {
  const tool = (changes: Partial<SpotTest>, subject: Partial<PanelCase> = {}) =>
    polish(panel({ marks: swirled('medium'), measured: decided(changes), ...subject }))[0]!.tool!;
  expect(tool({ pair: 'wool-compound', machine: 'rotary' }).says.machine).toBe('a rotary machine');
  expect(tool({ pair: 'wool-compound', machine: 'rotary' }, { curvature: 1.3 }).says.machine).toMatch(/small plate/);
  expect(tool({ machine: 'hand' }).reach).toBe('recess');
});

test('nothing cuts on trust because it did so elsewhere, and what the paint cannot stand is refused as ever', () => {
  const compound = decided({ pair: 'microfibre-compound', tookUm: 3 });
  const untold = panel({ marks: swirled('medium'), clearUm: undefined, measured: compound });
  expect(polish(untold).map(({ kind }) => kind)).toEqual(['single-stage']);
  const thin = panel({ marks: swirled('medium'), clearUm: 28, removalsUm: 2, measured: compound });
  expect(preparePanel(thin, settings()).level).toMatchObject({
    level: 'gloss-refresh',
    why: expect.stringMatching(/short/),
  });
});

test('gelcoat is softer: a cut takes 10 to 20 µm of it', () => {
  expect(polishSteps({ substrate: 'gelcoat', clearUm: 350 }, 'two-step')[0]!.clearUm).toEqual([10, 20]);
  expect(mostTakenUm(polishSteps({ substrate: 'gelcoat', clearUm: 350 }, 'full'))).toBe(50);
});

describe('sanding', () => {
  const thick = panel({ marks: swirled('heavy'), clearUm: 90, paint: 'refinished', sand: 'p3000' });
  const sanded = (changes: Partial<PanelCase> = {}, level: 'one-step' | 'two-step' = 'two-step') =>
    preparePanel({ ...thick, ...changes }, settings({ level })).steps.find(({ kind }) => kind.startsWith('sanding'))!;

  test('where the paint has room it is a step of its own, and the ledger counts it', () => {
    expect(sanded()).toMatchObject({ kind: 'sanding-p3000', clearUm: [2, 4] });
    expect(sanded().impossible).toBeUndefined();
    expect(preparePanel(thick, settings()).ledger!.thisCorrectionUm).toBe(4 + 4 + 1);
    expect(sanded({ sand: 'p2000' })).toMatchObject({ kind: 'sanding-p2000', clearUm: [4, 7] });
  });

  test.each([
    ['nobody knows the clear', { clearUm: undefined }, /not known/],
    ['plastic', { body: 'plastic' as const }, /plastic/],
    ['a lens', { substrate: 'lens-plastic' as const }, /plastic/],
    ['thin factory paint', { clearUm: 48, paint: 'factory' as const }, /factory paint/],
    ['no room with the cut after it', { clearUm: 35 }, /short/],
  ])('%s: ruled out', (_, changes, why) => {
    expect(sanded(changes).impossible).toMatch(why);
  });

  test('without a cut and a refining step after it: ruled out; satin never', () => {
    expect(sanded({}, 'one-step').impossible).toMatch(/cut/);
    expect(sanded({ substrate: 'clear-matte' }).impossible).toMatch(/matte/);
    expect(preparePanel({ ...thick, clearUm: 35 }, settings()).ledger!.thisCorrectionUm).toBe(5);
  });

  test('a run is levelled on itself where it is cut after it', () => {
    const run = panel({ marks: [{ id: 'u', kind: 'run', severity: 'medium' }], clearUm: 60 });
    const level = (changes: 'two-step' | 'one-step') =>
      preparePanel(run, settings({ level: changes })).steps.find(({ kind }) => kind === 'run-level')!;
    expect(level('two-step').impossible).toBeUndefined();
    expect(level('one-step').impossible).toMatch(/cut/);
  });
});
