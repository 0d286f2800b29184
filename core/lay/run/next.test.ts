import fc from 'fast-check';
import { job, product, surface } from '../../testing/samples';
import { type LoggedEntry, patchKey, type RunEntry } from './events';
import { byUrgency, type Hand, HAND_ROLES, nextFor } from './next';
import { patchWindow } from './patch-window';
import { entryFault, foldLog } from './record';
import { runSheet, type SheetPatch } from './sheet';
import { windowMoments, windowState } from './window-state';

const base = product({
  milestones: [
    { name: 'levelFrom', clock: 'flash', min: 2 },
    { name: 'levelBy', clock: 'flash', min: 9 },
    { name: 'waterSafe', clock: 'set', min: 720 },
  ],
});
const planned = job({
  products: [base],
  surfaces: ['roof', 'bonnet', 'door', 'wing'].map((id) => surface({ id, name: id })),
});
const patches = runSheet(planned, foldLog([]), 0).patches;
const of = (id: string) => patches.find(({ patch }) => patch.surface === id)!;
const start = ({ areaM2, amount, sections }: SheetPatch) => ({ product: 'base', areaM2, amount, sections });
const lay = (id: string): RunEntry => ({ type: 'lay-start', patch: of(id).patch, start: start(of(id)) });
const step = (type: 'lay-end' | 'level-start' | 'level-end', id: string): RunEntry => ({ type, patch: of(id).patch });

function at(nowMin: number, ...entries: readonly (readonly [number, RunEntry])[]) {
  const log = entries.map(([atMin, entry], index): LoggedEntry => ({ id: `e${index}`, atMin, entry }));
  const record = foldLog(log);
  const sheet = runSheet(planned, record, nowMin);
  const urgencyOf = (patch: SheetPatch) => {
    const { window, startMin } = patchWindow(planned, record, patch, nowMin);
    const state = windowState(window, nowMin - startMin);
    return { state, opensInMin: (window.guarded?.fromMin ?? Infinity) - (nowMin - startMin) };
  };
  const next = (hand: Partial<Hand> = {}) => {
    const found = nextFor(sheet, { role: 'all', began: () => false, ...hand }, urgencyOf);
    return found && [found.does, found.patch.patch.surface];
  };
  return { sheet, record, urgencyOf, next };
}
const began =
  (...ids: readonly string[]): Hand['began'] =>
  ({ patch }) =>
    ids.includes(patch.surface);
const [first, second] = patches.map(({ patch }) => patch.surface) as [string, string];

test('one who lays goes on laying; one who levels goes to what lies, and sees what is being laid before it lies', () => {
  const laying = at(1, [0, lay(first)]);
  expect(laying.next({ role: 'lay', began: began(first) })).toEqual(['work', first]);
  expect(laying.next({ role: 'level' })).toEqual(['watch', first]);
  // Another tablet that lays too takes the next one, never the one somebody has in hand.
  expect(laying.next({ role: 'lay' })).toEqual([
    'work',
    laying.sheet.patches.find(({ state }) => state === 'todo')!.patch.surface,
  ]);
  const laid = at(3, [0, lay(first)], [1, step('lay-end', first)]);
  expect(laid.next({ role: 'level' })).toEqual(['work', first]);
  expect(laid.next({ role: 'lay' })![1]).not.toBe(first);
  const levelling = at(4, [0, lay(first)], [1, step('lay-end', first)], [3, step('level-start', first)]);
  expect(levelling.next({ role: 'level', began: began(first) })).toEqual(['work', first]);
});

test('what is about to close calls even one who is laying, and whoever helped ends what they began', () => {
  const { sheet } = at(0);
  const { window } = patchWindow(planned, foldLog([]), sheet.patches[0]!, 0);
  const closing = window.guarded!.byMin! - 0.1;
  const two = [
    [0, lay(first)],
    [1, step('lay-end', first)],
    [closing - 1, lay(second)],
  ] as const;
  expect(at(closing, ...two).next({ role: 'both', began: began(second) })).toEqual(['work', first]);
  expect(at(closing, ...two).next({ role: 'lay', began: began(second) })).toEqual(['work', second]);
  expect(at(closing, ...two, [closing, step('level-start', first)]).next({ role: 'lay', began: began(first) })).toEqual(
    ['work', first],
  );
});

test('a panel wished for comes before its turn, once what is in hand is done; a panel that is done is not wished for', () => {
  const last = patches.at(-1)!.patch.surface;
  expect(at(0).next({ wish: last })).toEqual(['work', last]);
  expect(at(1, [0, lay(first)]).next({ wish: last })).toEqual(['work', first]);
  const all = (id: string, from: number) =>
    [
      [from, lay(id)],
      [from + 1, step('lay-end', id)],
      [from + 3, step('level-start', id)],
      [from + 4, step('level-end', id)],
    ] as const;
  expect(at(5, ...all(last, 0)).next({ wish: last })![1]).not.toBe(last);
  expect(at(99, ...patches.flatMap(({ patch }, nth) => all(patch.surface, 10 * nth))).next()).toBeUndefined();
});

test('whatever was tapped, nobody is led to a younger patch while an older one is about to close', () => {
  const aTap = fc.tuple(
    fc.constantFrom('lay', 'lay-end', 'level-start', 'level-end'),
    fc.constantFrom(...patches.map(({ patch }) => patch.surface)),
    fc.integer({ min: 0, max: 4 }),
  );
  let pressed = 0;
  fc.assert(
    fc.property(
      fc.array(aTap, { maxLength: 24 }),
      fc.constantFrom(...HAND_ROLES),
      fc.integer({ min: 0, max: 9 }),
      (taps, role, later) => {
        const log: LoggedEntry[] = [];
        let nowMin = 0;
        for (const [what, id, after] of taps) {
          nowMin += after;
          const entry = what === 'lay' ? lay(id) : step(what, id);
          if (!entryFault(foldLog(log), log, entry)) log.push({ id: `e${log.length}`, atMin: nowMin, entry });
        }
        const record = foldLog(log);
        const { sheet, urgencyOf } = at(nowMin + later, ...log.map(({ atMin, entry }) => [atMin, entry] as const));
        const mine: Hand['began'] = ({ patch }) => patch.surface.length % 2 === 0;
        const next = nextFor(sheet, { role, began: mine }, urgencyOf);
        const isDone = record.patches.size === patches.length && sheet.patches.every(({ state }) => state === 'done');
        expect(next === undefined).toBe(isDone);
        if (next?.does !== 'work') return;
        const key = patchKey(next.patch.patch);
        const old = sheet.wet.filter(
          (wet) =>
            patchKey(wet.patch) !== key &&
            ['closing', 'closed'].includes(urgencyOf(wet).state) &&
            wet.startMin < next.patch.startMin,
        );
        pressed += old.length;
        // Whoever has a towel on a patch ends it; one who only lays leaves levelling to the other.
        if (role !== 'lay' && next.patch.state !== 'levelling') expect(old).toEqual([]);
        if (next.patch.state === 'waiting') expect(byUrgency(sheet.wet, urgencyOf)[0]).toBe(next.patch);
      },
    ),
    { numRuns: 400 },
  );
  expect(pressed).toBeGreaterThan(0);
});

test('law: between two of its moments a window is one thing, whatever the flash', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 10, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      fc.double({ min: 0, max: 2, noNaN: true }),
      fc.option(fc.double({ min: 0.1, max: 40, noNaN: true }), { nil: null }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      (from, guard, margin, lasts, share) => {
        const levelByMin = lasts === null ? null : from + guard + lasts + margin;
        const window = {
          levelFromMin: from,
          levelByMin,
          guarded: { fromMin: from + guard, byMin: lasts === null ? null : from + guard + lasts },
        };
        const moments = [0, ...windowMoments(window), 90];
        moments.slice(0, -1).forEach((moment, nth) => {
          const lastsMin = moments[nth + 1]! - moment;
          if (lastsMin < 1e-6) return;
          const [early, late] = [1e-9, Math.max(1e-9, share * lastsMin)].map((min) =>
            windowState(window, moment + min),
          );
          expect(late).toBe(early);
        });
        expect(moments).toEqual([...moments].sort((a, b) => a - b));
      },
    ),
  );
});
