/** The site and the order: liquid water, run-off, shade, power; what is washed off, wiped off, or not done there. */
import { STEP_KINDS } from '#core/prepare/steps';
import { panel, settings, swirled } from '../../testing/preparation';
import { prepareItem } from './item';
import { preparePanel } from './panel';
import { isDone, type PanelCase, type PrepareSettings } from './panel-case';
import { USUAL_SCHOOLS } from './schools';
import { FULL_SITE } from './site';

const steps = (subject: PanelCase, changes: Partial<PrepareSettings> = {}) =>
  preparePanel(subject, settings(changes)).steps;
const done = (subject: PanelCase, changes: Partial<PrepareSettings> = {}) =>
  steps(subject, changes)
    .filter(isDone)
    .map(({ kind }) => kind);
const at = (subject: PanelCase, site: Partial<typeof FULL_SITE>) => done(subject, { site: { ...FULL_SITE, ...site } });
const dirty = panel({
  iron: 'bleeds',
  touch: 'rough',
  marks: [{ id: 'n', kind: 'contamination', severity: 'medium' }],
});
const wheel = panel({ id: 'wheel', substrate: 'wheel', count: 4, areaM2: 1, iron: 'bleeds', touch: 'rough' });

describe('by what there is', () => {
  test('below 3 °C nothing is rinsed and nothing clayed; iron and tar are wiped off; at 3 °C all of it goes', () => {
    expect(at(dirty, { airC: 2 })).toEqual(expect.arrayContaining(['rinseless', 'iron', 'tar']));
    for (const kind of ['pre-wash', 'wash', 'clay'] as const) expect(at(dirty, { airC: 2 })).not.toContain(kind);
    expect(at(dirty, { airC: 3 })).toEqual(expect.arrayContaining(['wash', 'iron', 'tar', 'clay']));
    const wiped = steps(dirty, { site: { ...FULL_SITE, airC: 2 } }).find(({ kind }) => kind === 'iron')!;
    expect(wiped.reason).toMatch(/wiped off, not rinsed, since it freezes/);
    expect(wiped.minutes).toBeCloseTo(1.5 * 1.5 * 1.5, 9);
    expect(wiped.uses).toContainEqual({ what: 'wipe cloths', unit: '', amount: 0.75 });
  });

  test('without a drain: rinseless, clay by its lubricant, no acid and no alkali to the ground', () => {
    const kinds = at({ ...dirty, low: true }, { drain: false });
    expect(kinds).toEqual(expect.arrayContaining(['rinseless', 'clay', 'iron']));
    expect(kinds).not.toContain('degrease');
    const acid = {
      kind: 'cleaner',
      name: 'Sour',
      serves: ['iron'],
      notFor: [],
      ph: 'acid',
      dilution: 0,
      mlPer: 30,
    } as const;
    const kit = { sheets: [{ ...acid, id: 'sour' }], things: [] };
    const [iron] = steps(dirty, { kit, site: { ...FULL_SITE, drain: false } }).filter(({ kind }) => kind === 'iron');
    expect(iron!.impossible).toMatch(/acid and may not run to the ground/);
    const mild = { ...acid, id: 'mild', name: 'Mild', ph: 'neutral' as const };
    const both = { sheets: [{ ...acid, id: 'sour' }, mild], things: [] };
    expect(
      steps(dirty, { kit: both, site: { ...FULL_SITE, drain: false } }).find(({ kind }) => kind === 'iron')!.cleaner!
        .name,
    ).toBe('Mild');
  });

  test('without power: nothing by cable, what runs on a battery goes on, towels dry', () => {
    const swirly = panel({ marks: swirled('medium') });
    expect(at(swirly, { power: false })).not.toContain('cutting');
    const machine = {
      id: 'cordless',
      kind: 'machine',
      name: 'Cordless',
      action: 'dual',
      throwMm: 15,
      plateMm: 125,
      speedFrom: 1,
      speedTo: 6,
      drive: 'battery',
      runMin: 40,
    } as const;
    const kit = { sheets: [{ ...machine, id: 'corded', drive: 'cable' as const, throwMm: 21 }, machine], things: [] };
    const cutting = (power: boolean) =>
      steps(swirly, { kit, site: { ...FULL_SITE, power } }).find(({ kind }) => kind === 'cutting')!;
    expect([cutting(false).tool!.machine!.id, cutting(false).impossible]).toEqual(['cordless', undefined]);
    expect(cutting(true).tool!.machine!.id).toBe('corded');
    expect(at(swirly, { power: false })).not.toContain('dry');
    const byTowel = { site: { ...FULL_SITE, power: false }, schools: { ...USUAL_SCHOOLS, drying: 'towel' as const } };
    expect(done(swirly, byTowel)).toContain('dry-by-towel');
  });

  test('without a lift each wheel that comes off is jacked: six minutes more, and it says so', () => {
    const barrels = { ...wheel, piece: 'wheel-barrel' as const };
    const wiped = (subject: PanelCase, lift: boolean) =>
      steps(subject, { site: { ...FULL_SITE, lift } }).find(({ kind }) => kind === 'panel-wipe')!;
    expect(wiped(barrels, false).minutes - wiped(barrels, true).minutes).toBeCloseTo(4 * 6, 9);
    expect(wiped(barrels, false).reason).toMatch(/jacked corner by corner: there is no lift/);
    expect(wiped(wheel, false)).toEqual(wiped(wheel, true));
  });

  test('in the sun one dwell for as many panels as are sprayed within it, not one for each', () => {
    const small = Array.from({ length: 6 }, (_, nth) => panel({ id: `p${nth}`, areaM2: 0.5, iron: 'bleeds' }));
    const iron = (shade: boolean) =>
      prepareItem(small, settings({ site: { ...FULL_SITE, shade } })).stages.find(({ kind }) => kind === 'iron')!
        .minutes;
    const spraying = 6 * 0.5 * 1.5;
    expect(iron(true)).toBeCloseTo(spraying + 4, 9);
    // Five of 0.75 min fit into a dwell of 4 min, the sixth begins the next.
    expect(iron(false)).toBeCloseTo(spraying + 2 * 4, 9);
  });

  test('a job that moves in the middle says which of the steps still to come cannot be done there', () => {
    const drive = { ...FULL_SITE, power: false, drain: false };
    const moved = steps(panel({ marks: swirled('medium') }), { move: { from: 'tape', site: drive } });
    expect(moved.find(({ kind }) => kind === 'wash')!.impossible).toBeUndefined();
    expect(moved.find(({ kind }) => kind === 'cutting')!.impossible).toMatch(/no power/);
    expect(moved.map(({ kind }) => kind)).not.toContain('prep-wash');
    expect(moved.find(({ kind }) => kind === 'panel-wipe')!.impossible).toBeUndefined();
  });
});

describe('the order', () => {
  test('salt is melted off before anything, the lower half degreased, gaps brushed, one bucket before polish', () => {
    const door = panel({ zone: 'left', low: true, marks: swirled('medium') });
    const kinds = done(door, { salted: true });
    expect(kinds.slice(0, 4)).toEqual(['melt', 'degrease', 'pre-wash', 'wash']);
    const minutes = (level: 'none' | 'two-step') => steps(door, { level }).find(({ kind }) => kind === 'wash')!.minutes;
    expect(minutes('two-step')).toBeCloseTo(0.8 * minutes('none'), 9);
    expect(done(panel({ substrate: 'chrome' }))).toContain('brush-gaps');
    expect(done(panel({ low: true, aircraft: true, substrate: 'aircraft-paint' }))).not.toContain('degrease');
  });

  test('wheels get iron, clay and drying like the rest, after their own cleaner', () => {
    expect(done(wheel)).toEqual(expect.arrayContaining(['wheels', 'iron', 'clay', 'dry', 'panel-wipe']));
    expect(done(wheel)[0]).toBe('wheels');
    expect(done({ ...wheel, piece: 'wheel-barrel' })).not.toContain('wheels');
  });

  test('each of glass, metal and acrylic has its own polish; an interior is cleaned before its guard, and never washed', () => {
    expect(done(panel({ substrate: 'glass', toCome: ['glass-coating'] }))).toContain('glass-polish');
    expect(done(panel({ substrate: 'chrome', toCome: ['ceramic'] }))).toContain('metal-polish');
    expect(done(panel({ substrate: 'acrylic-window', toCome: ['sealant'] }))).toContain('acrylic-polish');
    expect(done(panel({ substrate: 'leather', toCome: ['fabric-guard'] }))).toEqual(['interior-clean']);
    expect(done(panel({ substrate: 'leather', toCome: [] }))).toEqual([]);
  });

  test('no solvent on vinyl, lenses and acrylic; on satin on the cloth; over night once more', () => {
    for (const substrate of ['vinyl', 'lens-plastic', 'acrylic-window'] as const) {
      const kinds = done(panel({ substrate, toCome: ['ceramic'], marks: dirty.marks }));
      expect([substrate, kinds.includes('panel-wipe'), kinds.includes('tar')]).toEqual([substrate, false, false]);
      expect(kinds).toContain('mild-wipe');
    }
    const satin = steps(panel({ substrate: 'clear-matte', toCome: ['ceramic'] })).find(
      ({ kind }) => kind === 'panel-wipe',
    )!;
    expect(satin.reason).toMatch(/on the cloth/);
    const rounds = (overnight: boolean) => done(panel(), { overnight }).filter((kind) => kind === 'panel-wipe').length;
    expect([rounds(false), rounds(true)]).toEqual([1, 2]);
  });

  test('ports are covered before any water, and only approved cleaners go on an aircraft', () => {
    const port = panel({ id: 'static-port', substrate: 'sensor', aircraft: true, toCome: [] });
    expect(done(port)[0]).toBe('cover');
    const soap = { kind: 'cleaner', name: 'Soap', serves: ['wash'], notFor: [], dilution: 0, mlPer: 500 } as const;
    const wash = (aviationApproved: boolean) =>
      steps(panel({ substrate: 'aircraft-paint', aircraft: true }), {
        kit: { sheets: [{ ...soap, id: 'soap', aviationApproved }], things: [] },
      }).find(({ kind }) => kind === 'wash')!.impossible;
    expect([wash(true), wash(false)]).toEqual([undefined, expect.stringMatching(/not approved for aircraft/)]);
  });

  test('acid and alkaline never meet: rinsed between them, and where nothing is rinsed the second is not done', () => {
    const sheet = (id: string, serves: 'degrease' | 'iron', ph: 'acid' | 'alkaline') =>
      ({ kind: 'cleaner', id, name: id, serves: [serves], notFor: [], dilution: 0, mlPer: 30, ph }) as const;
    const kit = { sheets: [sheet('Lye', 'degrease', 'alkaline'), sheet('Sour', 'iron', 'acid')], things: [] };
    const door = panel({ low: true, iron: 'bleeds' });
    expect(steps(door, { kit }).find(({ kind }) => kind === 'iron')!.mind).toMatch(/Lye is alkaline and Sour acid/);
  });
});

test('every caution that a step needs stands at it', () => {
  const words = {
    cutting: [/dust/, /vibration/, /ears/],
    'single-stage': [/vibration/],
    dry: [/ear/i],
    wheels: [/lifted|stands/],
    melt: [/run-off/i],
    'panel-wipe': [/vapour/],
    tar: [/solvent/i],
    'sanding-p3000': [/dust/, /edges/],
    cover: [/licensed/],
  } as const;
  for (const [kind, patterns] of Object.entries(words)) {
    for (const pattern of patterns)
      expect([kind, STEP_KINDS[kind as keyof typeof words].caution]).toEqual([kind, expect.stringMatching(pattern)]);
  }
});

describe('schools change figures', () => {
  const swirly = panel({ marks: swirled('medium') });
  const minutes = (kind: string, schools: Partial<typeof USUAL_SCHOOLS>) =>
    steps(swirly, { schools: { ...USUAL_SCHOOLS, ...schools } }).find((step) => step.kind === kind)?.minutes;

  test('a rotary cuts in three quarters of the time, also where the shelf has no machine yet', () => {
    expect(minutes('cutting', { machine: 'rotary' })).toBeCloseTo(0.75 * minutes('cutting', {})!, 9);
  });

  test('drying, pad, marks', () => {
    expect(minutes('dry', { drying: 'air' })).toBeCloseTo(0.8 * minutes('dry', {})!, 9);
    expect(minutes('dry-by-towel', { drying: 'towel' })).toBeCloseTo(0.7 * minutes('dry', {})!, 9);
    expect(minutes('cutting', { pad: 'raised' })).toBeCloseTo(0.9 * minutes('cutting', {})!, 9);
    expect(minutes('refining', { pad: 'raised' })).toBeCloseTo(1.1 * minutes('refining', {})!, 9);
    expect(minutes('cutting', { marks: 'fill' })).toBeUndefined();
    expect(minutes('cutting', { marks: 'leave' })).toBeUndefined();
    const filled = preparePanel(
      { ...swirly, toCome: ['paste-wax'] },
      settings({ schools: { ...USUAL_SCHOOLS, marks: 'fill' } }),
    );
    expect(filled.goes).toEqual([{ mark: 'm', share: 0, hidden: true }]);
  });
});

describe('what is found', () => {
  test('transit film is peeled by a step, and only then said to go', () => {
    const filmed = panel({ marks: [{ id: 'x', kind: 'transit-film', severity: 'light' }] });
    expect(done(filmed)).toContain('peel-transit');
    const goes = (leftOut: string[]) =>
      preparePanel(filmed, settings({ leftOut: new Set(leftOut) })).goes.map(({ share }) => share);
    expect([goes([]), goes(['peel-transit'])]).toEqual([[1], [0]]);
  });

  test('an old coating that something goes over is opened first, never on satin; wax is not', () => {
    const over = (existing: PanelCase['existing'], changes: Partial<PanelCase> = {}) =>
      done(panel({ existing, toCome: ['ceramic'], ...changes })).includes('abrade');
    expect([over(['ceramic']), over(['paste-wax']), over([])]).toEqual([true, false, false]);
    expect(over(['ceramic'], { substrate: 'clear-matte' })).toBe(false);
  });
});
