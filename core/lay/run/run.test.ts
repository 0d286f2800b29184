import fc from 'fast-check';
import { FLASH_LEARNING, learnFactor, predictiveSigma } from '#core/measures/learning';
import { job, product, surface } from '../../testing/samples';
import { flashLessons } from './calibrate';
import { type LoggedEntry, type Patch, patchKey, type RunEntry } from './events';
import { patchWindow } from './patch-window';
import { entryFault, foldLog, patchState } from './record';
import { runSheet } from './sheet';

const base = product({
  milestones: [
    { name: 'cue', clock: 'flash', min: 3 },
    { name: 'levelFrom', clock: 'flash', min: 2 },
    { name: 'levelBy', clock: 'flash', min: 6 },
    { name: 'waterSafe', clock: 'set', min: 720 },
  ],
});
const planned = job({
  products: [base],
  surfaces: [surface({ id: 'roof', name: 'Roof', shape: { kind: 'area', areaM2: 3 } }), surface()],
});

/** Logs entries in order, one a minute unless told otherwise. */
function log(...entries: readonly (readonly [atMin: number, entry: RunEntry])[]): LoggedEntry[] {
  return entries.map(([atMin, entry], index) => ({ id: `e${index}`, atMin, entry }));
}

const first = runSheet(planned, foldLog([]), 0).current!;
const patch: Patch = first.patch;
const start = { product: 'base', sections: first.laid.sectionsPerCopy, areaM2: first.areaM2, amount: first.amount };
const laid = (at: number, of: Patch = patch): (readonly [number, RunEntry])[] => [
  [at, { type: 'lay-start', patch: of, start }],
  [at + 2, { type: 'lay-end', patch: of }],
];

describe('the record of a run', () => {
  test('walks a patch from laying to done, and undoes what nothing came of', () => {
    const steps = log(...laid(0), [3, { type: 'level-start', patch }], [5, { type: 'level-end', patch }]);
    const states = steps.map((_, index) =>
      patchState(foldLog(steps.slice(0, index + 1)).patches.get(patchKey(patch))!),
    );
    expect(states).toEqual(['laying', 'waiting', 'levelling', 'done']);
    const undone = foldLog([...steps, { id: 'u', atMin: 6, entry: { type: 'undo', entry: 'e3' } }]);
    expect(patchState(undone.patches.get(patchKey(patch))!)).toBe('levelling');
    expect(undone.lastEntry!.id).toBe('e2');
    expect(entryFault(undone, steps, { type: 'undo', entry: 'e0' })).toMatch(/gone on from there/);
  });

  test('the same tap from two tablets counts once, and one that does not fit is named', () => {
    const twice = foldLog(log(...laid(0), [4, { type: 'lay-end', patch }]));
    expect(twice.patches.get(patchKey(patch))!.layEndMin).toBe(2);
    expect(entryFault(twice, [], { type: 'lay-end', patch })).toBe('this patch is laid and waiting');
    expect(entryFault(foldLog([]), [], { type: 'level-end', patch })).toBe('this patch is not begun');
  });

  test('a second person may level what the first still lays, and both ends are kept', () => {
    const together = log(
      [0, { type: 'lay-start', patch, start }],
      [1, { type: 'level-start', patch }],
      [2, { type: 'lay-end', patch }],
      [3, { type: 'level-end', patch }],
    );
    const states = [2, 3, 4].map((count) =>
      patchState(foldLog(together.slice(0, count)).patches.get(patchKey(patch))!),
    );
    expect(states).toEqual(['levelling', 'levelling', 'done']);
    expect(foldLog(together).patches.get(patchKey(patch))).toMatchObject({ layEndMin: 2, levelEndMin: 3 });
    expect(entryFault(foldLog(together.slice(0, 3)), [], { type: 'lay-end', patch })).toBe(
      'this patch is laid already',
    );
  });

  test('any sequence of entries folds without an exception, and undoing all of it leaves nothing', () => {
    const entry = fc.constantFrom<RunEntry>(
      { type: 'lay-start', patch, start },
      { type: 'lay-end', patch },
      { type: 'cue-seen', patch },
      { type: 'level-start', patch },
      { type: 'level-end', patch },
      { type: 'fault', patch, fault: 'haze' },
      { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 },
    );
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 30 }), (entries) => {
        let all = log(...entries.map((e, index) => [index, e] as const));
        for (let record = foldLog(all); record.lastEntry; record = foldLog(all)) {
          all = [
            ...all,
            { id: `u${all.length}`, atMin: all.length, entry: { type: 'undo', entry: record.lastEntry.id } },
          ];
        }
        expect(foldLog(all).patches.size).toBe(0);
      }),
    );
  });
});

describe('the run sheet', () => {
  test('gives every section of every coat once, in the order of work, one at a time', () => {
    const sheet = runSheet(planned, foldLog([]), 0);
    const counts = sheet.plan.surfaces.map(({ coats }) => coats[0]!.laid!.sectionsPerCopy);
    expect(sheet.patches).toHaveLength(counts[0]! + counts[1]!);
    expect(new Set(sheet.patches.map((p) => patchKey(p.patch))).size).toBe(sheet.patches.length);
    const roof = sheet.patches.filter((p) => p.patch.surface === 'roof');
    expect(roof.reduce((sum, p) => sum + p.areaM2, 0)).toBeCloseTo(3, 9);
    const begun = runSheet(planned, foldLog(log(...laid(0))), 2.5);
    expect(begun.wet.map((wet) => wet.patch)).toEqual([patch]);
    expect([begun.current!.state, begun.current!.patch]).toEqual(['waiting', patch]);
  });

  test('what was laid too early all the same is told, and its numbers stand', () => {
    const top = product({ id: 'top', name: 'Top', family: 'ceramic-top', over: ['base'] });
    const under = product({ milestones: [...base.milestones, { name: 'recoatFrom', clock: 'set', min: 120 }] });
    const layers = ['base', 'top'].map((id) => ({ product: id, coats: 1, method: 'small-block' as const }));
    const stacked = job({ products: [under, top], surfaces: [surface({ layers })] });
    const whole = (layer: number, id: string, atMin: number): [number, RunEntry][] => {
      const own = { surface: 'bonnet', layer, coat: 1, copy: 1, section: 1 };
      const begun = { product: id, sections: 1, areaM2: 1.372, amount: 9 };
      return [
        [atMin, { type: 'lay-start', patch: own, start: begun }],
        [atMin + 3, { type: 'lay-end', patch: own }],
        [atMin + 6, { type: 'level-start', patch: own }],
        [atMin + 10, { type: 'level-end', patch: own }],
      ];
    };
    const laidAfter = (waitMin: number) =>
      runSheet(stacked, foldLog(log(...whole(0, 'base', 0), ...whole(1, 'top', 10 + waitMin))), 400).plan;
    const early = laidAfter(30);
    expect(early.findings.map(({ severity, code }) => `${severity} ${code}`)).toEqual(['stop recoat-window']);
    expect(early.findings[0]!.text).toMatch(/laid 90 min before Base may be laid over.*start again/);
    expect(early.surfaces[0]!.coats.map(({ laid: coat }) => coat?.startMin)).toEqual([0, 40]);
    expect(laidAfter(125).findings).toEqual([]);
  });

  test('what is wet is led back to after everybody’s hours, and what is begun stays where its window has closed', () => {
    const gone = job({
      products: [base],
      surfaces: planned.surfaces,
      crew: {
        ...planned.crew,
        people: [
          {
            id: '1',
            layM2PerMin: 0.45,
            levelM2PerMin: 0.5,
            does: ['lay', 'level'],
            hours: [
              [0, 3],
              [900, 1400],
            ],
          },
        ],
      },
    });
    const late = runSheet(gone, foldLog(log(...laid(0))), 10);
    expect([late.current!.state, late.current!.patch]).toEqual(['waiting', patch]);
    expect(late.out.actions[0]).toMatchObject({ does: 'level' });
    const hot = {
      ...planned,
      ambient: [
        { atMin: 0, airC: 20, rhPct: 50, airSpeed: 0.1 },
        { atMin: 3, airC: 75, rhPct: 5, airSpeed: 6 },
      ] as const,
    };
    const inHeat = runSheet(hot, foldLog(log(...laid(0))), 4);
    expect(inHeat.wet.map((wet) => wet.patch)).toEqual([patch]);
    expect(inHeat.patches.filter((one) => one.patch.surface === 'roof')).toHaveLength(start.sections);
  });

  test('what hands are levelling is not levelled once more', () => {
    const levelling = log(...laid(0), [3, { type: 'level-start', patch }]);
    const { out, current } = runSheet(planned, foldLog(levelling), 3.5);
    expect(current!.patch).toEqual(patch);
    const again = out.actions.filter(
      ({ does, coat, section }) => does === 'level' && coat.surface.id === patch.surface && section === patch.section,
    );
    expect(again).toEqual([]);
  });

  test('taken up where it stands, a run goes on as the sheet said; taken up later, later by as much', () => {
    const whole = runSheet(planned, foldLog([]), 0);
    const { actions } = whole.out;
    const [lay] = actions;
    const level = actions.find(
      ({ does, section, coat }) => does === 'level' && section === lay!.section && coat === lay!.coat,
    )!;
    const soFar = actions.filter(({ startMin }) => startMin < level.endMin - 1e-9);
    const entries = soFar.flatMap(
      ({ does, coat, copy, section, sections, areaM2, startMin, endMin }): [number, RunEntry][] => {
        const own = { surface: coat.surface.id, layer: coat.layer, coat: coat.coat, copy, section };
        return does === 'lay'
          ? [
              [startMin, { type: 'lay-start', patch: own, start: { product: 'base', sections, areaM2, amount: 1 } }],
              [endMin, { type: 'lay-end', patch: own }],
            ]
          : [
              [startMin, { type: 'level-start', patch: own }],
              [endMin, { type: 'level-end', patch: own }],
            ];
      },
    );
    const record = foldLog(log(...entries.toSorted((a, b) => a[0] - b[0])));
    const rest = runSheet(planned, record, level.endMin);
    expect(rest.out.endMin).toBeLessThanOrEqual(whole.out.endMin + 0.5);
    expect(rest.patches.length).toBeLessThanOrEqual(whole.patches.length + 2);
    const late = runSheet(planned, record, level.endMin + 30);
    expect(late.out.endMin).toBeGreaterThan(rest.out.endMin + 20);
  });

  test('keeps the sections a coat was begun with, however the air turns', () => {
    const begun = foldLog(log(...laid(0), [3, { type: 'air', airC: 32, rhPct: 30, airSpeed: 0.1 }]));
    const sheet = runSheet(planned, begun, 4);
    const [roof, bonnet] = sheet.plan.surfaces.map(({ coats }) => coats[0]!.laid!);
    expect(roof!.sectionsPerCopy).toBe(start.sections);
    expect(bonnet!.window.levelByMin).toBeLessThan(6);
  });

  test('a whole run leads to nothing left to do', () => {
    let entries: LoggedEntry[] = [];
    let now = 0;
    for (let taps = 0; taps < 100; taps++) {
      const { current } = runSheet(planned, foldLog(entries), now);
      if (!current) break;
      const next: Record<typeof current.state, RunEntry> = {
        todo: {
          type: 'lay-start',
          patch: current.patch,
          start: { ...start, sections: current.laid.sectionsPerCopy, areaM2: current.areaM2 },
        },
        laying: { type: 'lay-end', patch: current.patch },
        waiting: { type: 'level-start', patch: current.patch },
        levelling: { type: 'level-end', patch: current.patch },
        done: { type: 'level-end', patch: current.patch },
      };
      entries = [...entries, { id: `e${taps}`, atMin: (now += 1.5), entry: next[current.state] }];
    }
    const sheet = runSheet(planned, foldLog(entries), now);
    expect(sheet.current).toBeUndefined();
    expect(sheet.patches.every(({ state }) => state === 'done')).toBe(true);
  });
});

describe('the window of one patch', () => {
  test('runs from its own laying, opens now for one not begun, and moves with what was learned', () => {
    const begun = foldLog(log(...laid(10)));
    const inHand = runSheet(planned, begun, 13).current!;
    expect(patchWindow(planned, begun, inHand, 13)).toMatchObject({ startMin: 10, window: { levelFromMin: 2 } });
    const fresh = runSheet(planned, foldLog([]), 40).current!;
    expect(patchWindow(planned, foldLog([]), fresh, 40).startMin).toBe(40);
    const taught = foldLog(log(...laid(10), [12.1, { type: 'cue-seen', patch }]));
    const { window } = patchWindow(planned, taught, runSheet(planned, taught, 13).current!, 13);
    expect(window.levelByMin).toBeLessThan(6);
  });

  test('says until when a fault is mended wet, where the sheet does', () => {
    const withRewet = {
      ...base,
      milestones: [...base.milestones, { name: 'rewetBy' as const, clock: 'set' as const, min: 60 }],
    };
    const wet = { ...planned, products: [withRewet] };
    const record = foldLog(log(...laid(10)));
    expect(patchWindow(wet, record, runSheet(wet, record, 13).current!, 13).rewetByMin).toBeCloseTo(70, 6);
    expect(patchWindow(planned, record, runSheet(planned, record, 13).current!, 13).rewetByMin).toBeUndefined();
  });
});

describe('learning from the cue', () => {
  test('a cue at 70 % of the predicted time corrects all that follows, with its spread', () => {
    const record = foldLog(log([0, { type: 'lay-start', patch, start }], [2.1, { type: 'cue-seen', patch }]));
    const expected = learnFactor([0.7], FLASH_LEARNING);
    const [lesson] = flashLessons(planned, record);
    expect(lesson!.learned.factor).toBeCloseTo(expected.factor, 9);
    const { window } = runSheet(planned, record, 3).plan.surfaces[1]!.coats[0]!.laid!;
    expect(window.levelByMin).toBeCloseTo(6 * expected.factor, 9);
    const sigma = predictiveSigma(expected, FLASH_LEARNING);
    expect(window.guarded!.byMin).toBeCloseTo(6 * expected.factor * Math.exp(-1.2816 * sigma), 6);
  });

  test('is in the clock’s own time: the same cue in warmer air teaches a slower product', () => {
    const warm = { ...planned, ambient: [{ atMin: 0, airC: 30, rhPct: 50, airSpeed: 0.1 }] as const };
    const record = foldLog(log([0, { type: 'lay-start', patch, start }], [2.1, { type: 'cue-seen', patch }]));
    expect(flashLessons(warm, record)[0]!.learned.factor).toBeGreaterThan(
      flashLessons(planned, record)[0]!.learned.factor,
    );
  });

  test('a later day, or another batch, is less certain of what was learned, and keeps its mean', () => {
    const cues = (second: object, atMin = 10) =>
      foldLog(
        log(
          [0, { type: 'lay-start', patch, start: { ...start, batch: 'B-1' } }],
          [2.1, { type: 'cue-seen', patch }],
          [atMin, { type: 'lay-start', patch: { ...patch, surface: 'b' }, start: { ...start, ...second } }],
          [atMin + 2.1, { type: 'cue-seen', patch: { ...patch, surface: 'b' } }],
        ),
      );
    const two = { ...planned, surfaces: [planned.surfaces[0]!, { ...planned.surfaces[0]!, id: 'b' }] };
    const sigma = (second: object, atMin?: number) => flashLessons(two, cues(second, atMin))[0]!.learned.sigma;
    const [alike, otherBatch, otherDay] = [
      sigma({ batch: 'B-1' }),
      sigma({ batch: 'B-2' }),
      sigma({ batch: 'B-1' }, 1500),
    ];
    expect(otherBatch).toBeGreaterThan(alike);
    expect(otherDay).toBeCloseTo(otherBatch, 9);
  });

  test('a mistaken tap stands out', () => {
    const record = foldLog(log([0, { type: 'lay-start', patch, start }], [30, { type: 'cue-seen', patch }]));
    expect(flashLessons(planned, record)[0]!.surprising).toBe(true);
  });
});
