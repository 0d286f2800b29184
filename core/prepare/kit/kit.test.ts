import fc from 'fast-check';
import { prepareItem } from '#core/prepare/stages';
import { panel, settings, swirled } from '../../testing/preparation';
import type { CleanerSheet, LiquidSheet, MachineSheet, PadSheet } from './sheets';
import { machineState, padFault, padState, type PadThing } from './things';
import { batteriesFor, cleanerFor, type Kit, lampsFor, padsFor, patchesOf, reachOf, toolFor } from './tools';

const compound: LiquidSheet = {
  id: 'compound',
  kind: 'liquid',
  name: 'Grit Stone',
  grade: 'cutting',
  diminishing: true,
  filling: false,
  mlPerDot: 0.5,
  dotsFirst: 6,
  dotsLoaded: 4,
};
const polish: LiquidSheet = {
  ...compound,
  id: 'polish',
  name: 'Grit Fine',
  grade: 'refining',
  dotsFirst: 4,
  dotsLoaded: 3,
};
const pad = (id: string, material: PadSheet['material'], sizeMm: number): PadSheet => ({
  id,
  kind: 'pad',
  name: id,
  material,
  sizeMm,
  driesH: 12,
});
const machine = (id: string, action: MachineSheet['action'], plateMm: number, throwMm: number): MachineSheet => ({
  id,
  kind: 'machine',
  name: id,
  action,
  plateMm,
  throwMm,
  speedFrom: 1,
  speedTo: 6,
  drive: 'cable',
});
const acid: CleanerSheet = {
  id: 'acid',
  kind: 'cleaner',
  name: 'Iron Tide',
  serves: ['iron'],
  notFor: ['bare-metal', 'gelcoat'],
  dwellMin: 3,
  dilution: 0,
  mlPer: 40,
};
const NOW = Date.parse('2027-03-02T10:40:00+01:00');
const H = 3_600_000;
const thing = (changes: Partial<PadThing> = {}): PadThing => ({
  id: 'pad-1',
  kind: 'pad-in-use',
  sheet: 'fibre-large',
  state: 'ready',
  sinceMs: NOW,
  ...changes,
});
const kit = (things: Kit['things'] = []): Kit => ({
  sheets: [
    compound,
    polish,
    acid,
    pad('fibre-large', 'microfibre', 125),
    pad('fibre-small', 'microfibre', 75),
    pad('wool', 'wool', 150),
    pad('foam', 'polishing-foam', 125),
    machine('long-throw', 'dual', 125, 21),
    machine('small', 'dual', 75, 12),
    machine('rotary', 'rotary', 150, 0),
  ],
  things,
});
const bonnet = { substrate: 'clear-gloss' as const, areaM2: 1.5, edgeM: 5, curvature: 1.03 };

describe('tool by the shape of the panel', () => {
  test.each([
    [bonnet, 'dual', 'flat', 'long-throw', 'fibre-large'],
    [bonnet, 'rotary', 'flat', 'rotary', 'wool'],
    [{ ...bonnet, curvature: 1.3 }, 'rotary', 'shaped', 'small', 'fibre-small'],
    [{ ...bonnet, areaM2: 0.2 }, 'dual', 'shaped', 'small', 'fibre-small'],
    // Narrow, and plastic.
    [{ ...bonnet, areaM2: 0.5, edgeM: 5 }, 'rotary', 'flat', 'long-throw', 'fibre-large'],
    [{ ...bonnet, body: 'plastic' as const }, 'rotary', 'flat', 'long-throw', 'fibre-large'],
    [{ ...bonnet, areaM2: 0.03 }, 'dual', 'recess', undefined, 'fibre-small'],
  ] as const)('%j, school %s: %s', (subject, school, reach, machineId, padId) => {
    const tool = toolFor(subject, 'cutting', kit(), school)!;
    expect([tool.reach, tool.machine?.id, tool.pad?.id]).toEqual([reach, machineId, padId]);
    expect(reachOf(subject)).toBe(reach);
  });

  test('plastics take the lower third of the speeds, what is not on the shelf is named, a wash wants no tool', () => {
    expect(toolFor(bonnet, 'cutting', kit(), 'dual')!.speeds).toEqual([1, 5]);
    expect(toolFor({ ...bonnet, substrate: 'lens-plastic' }, 'cutting', kit(), 'dual')!.speeds).toEqual([1, 3]);
    expect(toolFor({ ...bonnet, substrate: 'gelcoat' }, 'cutting', kit(), 'dual')!.speeds).toEqual([1, 5]);
    expect(toolFor(bonnet, 'finishing', kit(), 'dual')!.lacking).toEqual(['a finishing liquid', 'a pad of soft foam']);
    expect(toolFor(bonnet, 'wash', kit(), 'dual')).toBeUndefined();
  });
});

describe('liquid by the patch', () => {
  test('the first patch of a fresh pad takes more than those after it', () => {
    // 0.5 m patches: six of them, one pad.
    expect(patchesOf(1.5, compound, { sizeMm: 125 })).toMatchObject({
      count: 6,
      sideM: 0.5,
      ml: (6 + 5 * 4) * 0.5,
      pads: 1,
    });
    expect(patchesOf(3, compound, { sizeMm: 125 })).toMatchObject({ count: 12, ml: (2 * 6 + 10 * 4) * 0.5, pads: 2 });
    expect(patchesOf(0.01, compound, { sizeMm: 75 })).toMatchObject({ count: 1, ml: 3, pads: 1 });
  });

  test('law: more area never takes less, and never more than as if every pad were fresh', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 30, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (area, more) => {
          const one = patchesOf(area, compound, { sizeMm: 125 });
          expect(patchesOf(area * more, compound, { sizeMm: 125 }).ml).toBeGreaterThanOrEqual(one.ml);
          expect(one.ml).toBeLessThanOrEqual(one.count * compound.dotsFirst * compound.mlPerDot + 1e-9);
        },
      ),
    );
  });

  test('the plan pours by the patches of the shelf instead of the usual figure', () => {
    const subject = panel({ marks: swirled('medium') });
    const plan = (with_: Kit | undefined) => prepareItem([subject], settings({ kit: with_ })).uses;
    expect(plan(undefined).find(({ what }) => what === 'cutting compound')!.amount).toBeCloseTo(10.5, 9);
    expect(plan(kit()).find(({ what }) => what === 'Grit Stone')!.amount).toBe(13);
    expect(plan(kit()).map(({ what }) => what)).not.toContain('cutting compound');
  });
});

describe('pads and machines as things', () => {
  test('a pad belongs to one liquid; dirty, drying, ready', () => {
    const sheet = pad('fibre-large', 'microfibre', 125);
    expect(padFault(thing(), sheet, 'compound', NOW)).toBeUndefined();
    expect(padFault(thing({ liquid: 'compound' }), sheet, 'compound', NOW)).toBeUndefined();
    expect(padFault(thing({ liquid: 'polish' }), sheet, 'compound', NOW)).toMatch(/another liquid/);
    expect(padFault(thing({ state: 'dirty' }), sheet, 'compound', NOW)).toMatch(/dirty/);
    const wet = thing({ state: 'drying', sinceMs: NOW - 11 * H });
    expect(padFault(wet, sheet, 'compound', NOW)).toMatch(/wet/);
    expect(padState(wet, sheet, NOW + H)).toBe('ready');
    expect(padFault(wet, sheet, 'compound', NOW + H)).toBeUndefined();
  });

  test('too few clean pads are counted as cleanings in between; another liquid’s do not help', () => {
    const tool = toolFor(bonnet, 'cutting', kit(), 'dual')!;
    const things = [thing(), thing({ id: 'b', liquid: 'polish' }), thing({ id: 'c', state: 'dirty' })];
    const [count] = padsFor(
      [
        { tool, areaM2: 8 },
        { tool, areaM2: 1 },
      ],
      kit(things),
      NOW,
    );
    expect(count).toMatchObject({ areaM2: 9, needed: 4, ready: 1, cleanings: 3 });
  });

  test('a battery tells its minutes and a service its delay', () => {
    const sheet = { ...machine('m', 'dual', 125, 15), drive: 'battery' as const, runMin: 40, serviceEveryDays: 90 };
    const one = {
      id: 'm1',
      kind: 'machine-in-use' as const,
      sheet: 'm',
      chargePct: 50,
      servicedMs: NOW - 100 * 24 * H,
    };
    expect(machineState(one, sheet, NOW)).toEqual({ leftMin: 20, overdueDays: 10 });
    expect(machineState({ ...one, chargePct: undefined, servicedMs: NOW }, sheet, NOW)).toEqual({});
  });
});

test('a stage that runs longer than a battery holds says how many more it takes', () => {
  const cordless = { ...machine('cordless', 'dual', 75, 12), drive: 'battery' as const, runMin: 30 };
  const tool = { ...toolFor(bonnet, 'cutting', kit(), 'dual')!, machine: cordless };
  const half = { id: 'c1', kind: 'machine-in-use' as const, sheet: 'cordless', chargePct: 50 };
  const changes = (minutes: number, things: Kit['things']) =>
    batteriesFor([{ tool, minutes }], { sheets: [], things }, NOW)[0]?.changes;
  expect([changes(30, []), changes(31, []), changes(45, [half]), changes(46, [half]), changes(15, [half])]).toEqual([
    undefined,
    1,
    1,
    2,
    undefined,
  ]);
  expect(batteriesFor([{ tool: toolFor(bonnet, 'cutting', kit(), 'dual')!, minutes: 500 }], kit(), NOW)).toEqual([]);
});

test('a look is taken with lamps that do not flicker, where there are any', () => {
  const lamp = (id: string, flickerFree: boolean) => ({
    id,
    kind: 'lamp' as const,
    name: id,
    form: 'hand' as const,
    flickerFree,
  });
  const names = (...lamps: ReturnType<typeof lamp>[]) =>
    lampsFor('inspection', { sheets: lamps, things: [] }).map(({ id }) => id);
  expect(names(lamp('old', false), lamp('new', true))).toEqual(['new']);
  expect(names(lamp('old', false))).toEqual(['old']);
  expect(lampsFor('wash', { sheets: [lamp('new', true)], things: [] })).toEqual([]);
});

describe('cleaners', () => {
  test('the sheet says how long and how much; where it may not go the step is ruled out with its reason', () => {
    const bled = panel({ iron: 'bleeds' });
    const iron = (subject: typeof bled) =>
      prepareItem([subject], settings({ kit: kit() })).panels[0]!.steps.find(({ kind }) => kind === 'iron')!;
    expect(iron(bled)).toMatchObject({ dwellMin: 3, uses: [{ what: 'Iron Tide', unit: 'ml', amount: 60 }] });
    expect(iron({ ...bled, substrate: 'gelcoat' }).impossible).toBe(
      'Iron Tide is not for gelcoat, and nothing else on the shelf will do',
    );
    const mixed = { ...acid, dilution: 3 };
    const diluted = { ...kit(), sheets: kit().sheets.map((sheet) => (sheet.id === 'acid' ? mixed : sheet)) };
    const { steps } = prepareItem([bled], settings({ kit: diluted })).panels[0]!;
    expect(steps.find(({ kind }) => kind === 'iron')!.uses[0]!.amount).toBe(15);
    expect(cleanerFor('tar', { substrate: 'clear-gloss' }, kit())).toEqual({});
  });

  test('what is approved for aircraft goes on one, and is kept for it where anything else will do', () => {
    const hangar: LiquidSheet = { ...polish, id: 'hangar', name: 'Hangar Fine', aviationApproved: true };
    const flat = { substrate: 'clear-gloss', areaM2: 1, edgeM: 4, curvature: 1 } as const;
    for (const sheets of [
      [hangar, polish],
      [polish, hangar],
    ])
      expect(
        [false, true].map(
          (aircraft) => toolFor({ ...flat, aircraft }, 'refining', { sheets, things: [] }, 'dual')!.says.liquid,
        ),
      ).toEqual(['Grit Fine', 'Hangar Fine']);
  });
});
