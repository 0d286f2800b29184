import fc from 'fast-check';
import { type SubstrateId, SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { faultsOf, LAYING_FAULT_IDS } from '#core/lay/faults';
import { FAMILY_IDS } from '#core/products/families';
import { MARK_KIND_IDS } from '#core/survey/condition';
import { prepareRuling } from '#core/prepare/rules';
import type { SpotCase } from '#core/prepare/stages';
import { remedyOptions } from '.';

const paint: SpotCase = { substrate: 'clear-gloss', spareUm: 12 };
const found = { fault: 'high-spot', panel: paint, family: 'ceramic-base', nowMin: 30, rewetByMin: 68 } as const;
/** Found once it has set, on some surface. */
const late = (panel: Partial<SpotCase>, more: Partial<Parameters<typeof remedyOptions>[0]> = {}) =>
  remedyOptions({ ...found, nowMin: 69, ...more, panel: { ...paint, ...panel } });
const hows = (options: ReturnType<typeof remedyOptions>) =>
  options.map(({ how, never }) => (never ? `never ${how}` : how));

test('a high spot is re-wetted as long as it can be, later polished as far as the clear allows, on matte not at all', () => {
  const [rewet] = remedyOptions(found);
  expect(rewet).toMatchObject({ how: 're-wet', untilMin: 68, clearUm: 0 });
  expect(hows(late({}))).toEqual(['polished', 'accepted']);
  expect(late({})[0]).toMatchObject({ clearUm: 2, does: ['single-stage', 'panel-wipe'] });
  // Little clear: the milder polish; less than that: none.
  expect(late({ spareUm: 1.5 })[0]).toMatchObject({ clearUm: 1, does: ['finishing', 'panel-wipe'] });
  expect(late({ spareUm: 0.5 })[0]!.never).toContain('even a finishing polish takes up to 1.0 µm, and 0.5 may go here');
  // Nobody knows it: one step on trust, and where nobody ever will the mildest.
  expect(late({ spareUm: undefined })[0]).toMatchObject({ clearUm: 2 });
  expect(late({ spareUm: undefined, unreadable: true })[0]).toMatchObject({ clearUm: 1 });
  expect(hows(late({ substrate: 'clear-matte' }))).toEqual(['never polished', 'accepted']);
  expect(late({ substrate: 'clear-matte' })[0]!.never).toContain('turns glossy under any polish');
  expect(hows(remedyOptions({ ...found, panel: { ...paint, substrate: 'clear-matte' } }))).toEqual([
    're-wet',
    'accepted',
  ]);
});

test('a late high spot is worked back by what such a surface stands: glass, metal, acrylic, trim and leather each its own', () => {
  const does = (substrate: SubstrateId) => late({ substrate, spareUm: undefined, unreadable: true })[0]!.does;
  expect(does('windscreen')).toEqual(['glass-polish', 'panel-wipe']);
  expect(does('chrome')).toEqual(['metal-polish', 'panel-wipe']);
  expect(does('acrylic-window')).toEqual(['acrylic-polish', 'mild-wipe']);
  expect(does('lens-plastic')).toEqual(['finishing', 'mild-wipe']);
  expect(does('textured-plastic')).toEqual(['trim-restore', 'panel-wipe']);
  expect(does('leather')![0]).toBe('interior-clean');
  for (const substrate of ['vinyl', 'film-gloss', 'wheel', 'carbon'] as const)
    expect([substrate, ...hows(late({ substrate, spareUm: undefined }))]).toEqual([
      substrate,
      'never polished',
      'accepted',
    ]);
});

test('on satin a missed area is bare, and cleaned and laid; haze is wiped, on any surface and at any age', () => {
  const missed = late({ substrate: 'clear-matte' }, { fault: 'missed-patch', dryForMin: 240 })[0]!;
  expect(missed).toMatchObject({ how: 'laid-again', does: ['panel-wipe'], dryForMin: 240 });
  expect(late({ substrate: 'vinyl' }, { fault: 'missed-patch' })[0]!.does).toEqual(['mild-wipe']);
  // Over a priming polish that stays no wipe with solvent: it would take it off again.
  expect(late({ existing: ['ceramic-primer'] }, { fault: 'missed-patch' })[0]!.does).toEqual(['mild-wipe']);
  for (const substrate of SUBSTRATE_IDS)
    expect(late({ substrate }, { fault: 'haze' })[0]).toMatchObject({ how: 'wiped', clearUm: 0 });
});

test('in wax nothing is beyond a towel, whatever its age; lines left by wiping are in the paint', () => {
  for (const fault of ['streaks', 'high-spot', 'dust', 'patchy', 'drip-mark'] as const) {
    const [way] = late({ substrate: 'clear-matte' }, { fault, family: 'paste-wax', nowMin: 5000 });
    expect([fault, way!.never, way!.clearUm, way!.untilMin]).toEqual([fault, undefined, 0, undefined]);
    expect(way!.step).toMatch(/buff/);
  }
  // A panel wipe would take the wax beside it off.
  const missed = late({}, { fault: 'missed-patch', family: 'sealant', dryForMin: 60 })[0]!;
  expect([missed.does, missed.dryForMin]).toEqual([undefined, 60]);
  expect(late({}, { fault: 'marring', family: 'paste-wax' })[0]).toMatchObject({ how: 'polished', clearUm: 2 });
  expect(hows(late({ substrate: 'clear-matte' }, { fault: 'marring', family: 'paste-wax' }))[0]).toBe('never polished');
});

test('law: there is always a way out, none that preparation would refuse there or the paint cannot pay, and wet only in time', () => {
  fc.assert(
    fc.property(
      fc.record({
        fault: fc.constantFrom(...LAYING_FAULT_IDS),
        family: fc.constantFrom(...FAMILY_IDS),
        nowMin: fc.integer({ min: 0, max: 200 }),
        rewetByMin: fc.option(fc.integer({ min: 1, max: 150 })),
        panel: fc.record({
          substrate: fc.constantFrom(...SUBSTRATE_IDS),
          spareUm: fc.option(fc.double({ min: -3, max: 30, noNaN: true }), { nil: undefined }),
          unreadable: fc.boolean(),
          marks: fc.array(fc.record({ kind: fc.constantFrom(...MARK_KIND_IDS) }), { maxLength: 2 }),
          breathesForMin: fc.option(fc.integer({ min: -10, max: 40_000 }), { nil: undefined }),
          existing: fc.array(fc.constantFrom(...FAMILY_IDS), { maxLength: 2 }),
        }),
      }),
      (subject) => {
        const { panel, nowMin } = subject;
        const offered = remedyOptions(subject).filter(({ never }) => never === undefined);
        expect(offered.length).toBeGreaterThan(0);
        for (const { does = [], clearUm, untilMin, how } of offered) {
          for (const kind of does) expect(prepareRuling({ kind, panel, polished: false })).toBeUndefined();
          if (how === 'polished') expect(does.length).toBeGreaterThan(0);
          if (panel.spareUm !== undefined && clearUm > 0) expect(clearUm).toBeLessThanOrEqual(panel.spareUm);
          if (SUBSTRATES[panel.substrate].matte) expect(clearUm).toBe(0);
          if (untilMin !== undefined) expect(nowMin).toBeLessThanOrEqual(untilMin);
        }
      },
    ),
    { numRuns: 1000 },
  );
});

test('film has faults of its own, each with two remedies and no polish; what is poured has the others', () => {
  const [film, poured] = [faultsOf('film'), faultsOf('ceramic')];
  expect([...film, ...poured].sort()).toEqual([...LAYING_FAULT_IDS].sort());
  expect(film).toEqual(['fingers', 'bubbles', 'silvering', 'lift', 'dirt-under', 'stretch-marks']);
  for (const fault of film) {
    const at = (nowMin: number) => remedyOptions({ ...found, family: 'film', fault, nowMin })[0]!;
    expect(at(60).step).not.toBe(at(80).step);
    for (const nowMin of [60, 80])
      expect(remedyOptions({ ...found, family: 'film', fault, nowMin }).map(({ how }) => how)).not.toContain(
        'polished',
      );
  }
});

test('a sheet that does not say how long a patch can be re-wetted: until it was to be levelled, on every screen', () => {
  const untold = { ...found, rewetByMin: undefined, levelByMin: 12 };
  expect(hows(remedyOptions({ ...untold, nowMin: 12 }))).toEqual(['re-wet', 'accepted']);
  expect(hows(remedyOptions({ ...untold, nowMin: 13 }))).toEqual(['polished', 'accepted']);
});
