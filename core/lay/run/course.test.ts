import fc from 'fast-check';
import { job, product, surface } from '../../testing/samples';
import { LEFT_REASONS, openPause, unpausedMin } from './course';
import { type LoggedEntry, type RunEntry } from './events';
import { entryFault, foldLog } from './record';
import { runSheet } from './sheet';

const planned = job({
  products: [product({ over: ['bare', 'self'] })],
  surfaces: [
    surface({
      id: 'roof',
      shape: { kind: 'area', areaM2: 3 },
      layers: [{ product: 'base', coats: 2, method: 'small-block' }],
    }),
    surface({ id: 'door' }),
  ],
});
const log = (...entries: readonly (readonly [number, RunEntry])[]) =>
  entries.map(([atMin, entry], index): LoggedEntry => ({ id: `e${index}`, atMin, entry }));
const sheetOf = (...entries: readonly (readonly [number, RunEntry])[]) =>
  runSheet(planned, foldLog(log(...entries)), entries.at(-1)?.[0] ?? 0);
const todo = (sheet: ReturnType<typeof sheetOf>, id: string) =>
  sheet.patches.filter(({ patch, state }) => patch.surface === id && state === 'todo').length;
const left: RunEntry = { type: 'left-out', surface: 'roof', reason: 'damaged' };
const [first] = sheetOf().patches.filter(({ patch }) => patch.surface === 'roof');
const { patch, sections, areaM2, amount } = first!;
const lay: RunEntry = { type: 'lay-start', patch, start: { product: 'base', sections, areaM2, amount } };

describe('a panel left out', () => {
  test('gets nothing more, the rest is laid out without it and sooner, and taken up again it is as before', () => {
    const [before, without] = [sheetOf(), sheetOf([0, left])];
    expect(todo(before, 'roof')).toBeGreaterThan(1);
    expect([todo(without, 'roof'), todo(without, 'door')]).toEqual([0, todo(before, 'door')]);
    expect(without.out.endMin).toBeLessThan(before.out.endMin);
    expect(sheetOf([0, left], [0, { type: 'taken-up', surface: 'roof' }]).patches).toEqual(before.patches);
  });

  test('in the midst of a coat, what is wet is still levelled and nothing more is begun', () => {
    const after = sheetOf([0, lay], [2, { type: 'lay-end', patch }], [2, left]);
    expect(todo(after, 'roof')).toBe(0);
    expect(after.wet.map((wet) => wet.patch)).toEqual([patch]);
    expect(after.out.actions).toContainEqual(
      expect.objectContaining({ does: 'level', section: patch.section, startMin: expect.any(Number) as number }),
    );
    const level = (type: 'level-start' | 'level-end') => ({ type, patch }) as const;
    // Hands that go on with it take it up again.
    expect(
      todo(sheetOf([0, lay], [2, { type: 'lay-end', patch }], [2, left], [4, level('level-start')]), 'roof'),
    ).toBeGreaterThan(0);
  });

  test('is left out once, and taken up only where it was', () => {
    const record = foldLog(log([0, left]));
    for (const reason of LEFT_REASONS) {
      expect(entryFault(record, [], { type: 'left-out', surface: 'roof', reason })).toBe(
        'this panel is left out already',
      );
    }
    expect(entryFault(foldLog([]), [], { type: 'taken-up', surface: 'roof' })).toBe('this panel is not left out');
    const undone = log([0, left], [1, { type: 'undo', entry: 'e0' }]);
    expect(foldLog(undone).left.size).toBe(0);
  });
});

describe('a pause', () => {
  test('ends by word or by hands on a panel, and is no worked time', () => {
    const paused: RunEntry = { type: 'run-pause', reason: 'no-power' };
    const open = foldLog(log([3, paused]));
    expect(openPause(open)).toEqual({ reason: 'no-power', fromMin: 3 });
    expect(entryFault(open, [], paused)).toBe('the work is paused already');
    expect(entryFault(foldLog([]), [], { type: 'run-resume' })).toBe('the work is not paused');
    for (const goesOn of [{ type: 'run-resume' } as const, lay]) {
      const { pauses } = foldLog(log([3, paused], [10, goesOn]));
      expect(pauses).toEqual([{ reason: 'no-power', fromMin: 3, toMin: 10 }]);
      expect([unpausedMin(pauses, 0, 20), unpausedMin(pauses, 4, 9), unpausedMin(pauses, 12, 20)]).toEqual([13, 0, 8]);
    }
  });

  test('law: worked and paused make the whole, wherever it is cut', () => {
    const moment = fc.double({ min: 0, max: 500, noNaN: true });
    fc.assert(
      fc.property(fc.array(moment, { minLength: 2, maxLength: 8 }), moment, moment, moment, (moments, a, b, c) => {
        const sorted = [...moments].sort((p, q) => p - q);
        const pauses = sorted.flatMap((fromMin, nth) =>
          nth % 2 === 0 && sorted[nth + 1] !== undefined
            ? [{ reason: 'break' as const, fromMin, toMin: sorted[nth + 1]! }]
            : [],
        );
        const [from, mid, to] = [a, b, c].sort((p, q) => p - q) as [number, number, number];
        const whole = unpausedMin(pauses, from, to);
        expect(unpausedMin(pauses, from, mid) + unpausedMin(pauses, mid, to)).toBeCloseTo(whole, 6);
        expect(whole).toBeLessThanOrEqual(to - from + 1e-9);
      }),
    );
  });
});
