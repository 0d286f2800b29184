/** What hands decide at the panel: how many sections, and when the towel is changed. */
import fc from 'fast-check';
import { job, product, surface } from '../../testing/samples';
import {
  carriedOn,
  cutInto,
  foldLog,
  isTooLarge,
  levelledLoaded,
  type LoggedEntry,
  mayBeCut,
  runSheet,
  type SheetPatch,
  towelLoad,
} from '.';

const patch = { surface: 'roof', layer: 0, coat: 1, copy: 1, section: 1 };
const first = {
  patch,
  state: 'todo',
  sections: 2,
  areaM2: 0.9,
  amount: 7,
  startMin: 0,
  laid: { maxSectionM2: 1 },
} as unknown as SheetPatch;

test('cut otherwise, the whole of it and its product stay the same, and a section too large for its window is told', () => {
  fc.assert(
    fc.property(fc.integer({ min: -5, max: 200 }), (into) => {
      const cut = cutInto(first, into);
      expect(cut.sections).toBeGreaterThanOrEqual(1);
      expect(cut.areaM2 * cut.sections).toBeCloseTo(1.8, 9);
      expect(cut.amount * cut.sections).toBeCloseTo(14, 9);
      expect(isTooLarge(cut)).toBe(cut.sections < 2);
    }),
  );
  expect(isTooLarge({ ...first, areaM2: 50, laid: { maxSectionM2: null } } as unknown as SheetPatch)).toBe(false);
});

test('begun in more sections than the sheet has it in, a panel goes on in those before the sheet is laid out anew', () => {
  const planned = job({
    products: [product({ over: ['bare'] })],
    surfaces: [surface({ id: 'roof', shape: { kind: 'area', areaM2: 1 } })],
  });
  const before = runSheet(planned, foldLog([]), 0);
  const whole = before.patches.reduce((sum, { areaM2 }) => sum + areaM2, 0);
  const begun = cutInto(before.patches[0]!, before.patches[0]!.sections + 3);
  const { sections, areaM2, amount } = begun;
  const start = { product: begun.coat.product, sections, areaM2, amount };
  const { patches, current } = carriedOn(
    before,
    foldLog([{ id: 'a', atMin: 1, entry: { type: 'lay-start', patch: begun.patch, start } }]),
  );
  expect(patches.map((each) => each.patch.section).sort()).toEqual(Array.from({ length: sections }, (_, at) => at + 1));
  expect(patches.reduce((sum, each) => sum + each.areaM2, 0)).toBeCloseTo(whole, 9);
  expect([current!.state, current!.patch.section]).toEqual(['laying', 1]);
});

test('a copy is cut otherwise only before anything of this coat of it is begun', () => {
  const begun = (at: object) => ({ ...first, patch: { ...patch, ...at }, state: 'done', record: {} }) as SheetPatch;
  expect(mayBeCut(first, [first])).toBe(true);
  expect(mayBeCut(first, [first, begun({ section: 2 })])).toBe(false);
  for (const other of [{ coat: 2 }, { copy: 2 }, { surface: 'bonnet' }, { layer: 1 }])
    expect(mayBeCut(first, [first, begun(other)])).toBe(true);
  expect(mayBeCut(begun({}), [])).toBe(false);
});

/** Patches of a square metre each, levelled one after the other, minute by minute; `towels` before which of them. */
const levelled = (count: number, towels: readonly number[] = []) =>
  foldLog(
    Array.from({ length: count }, (_, nth): LoggedEntry[] => {
      const own = { ...patch, section: nth + 1 };
      const at = (atMin: number, entry: LoggedEntry['entry']): LoggedEntry => ({ id: `${nth}/${atMin}`, atMin, entry });
      return [
        ...(towels.includes(nth) ? [at(10 * nth, { type: 'fresh-towel' })] : []),
        at(10 * nth + 1, {
          type: 'lay-start',
          patch: own,
          start: { product: 'x', sections: 99, areaM2: 1, amount: 1 },
        }),
        at(10 * nth + 2, { type: 'lay-end', patch: own }),
        at(10 * nth + 3, { type: 'level-start', patch: own }),
        at(10 * nth + 4, { type: 'level-end', patch: own }),
      ];
    }).flat(),
  );

test('a towel is loaded past four square metres; what is levelled with it then is remembered, until a fresh one', () => {
  expect([towelLoad(levelled(4)), towelLoad(levelled(5)).isLoaded]).toEqual([{ m2: 4, isLoaded: false }, true]);
  const sections = (...of: Parameters<typeof levelled>) =>
    levelledLoaded(levelled(...of)).map((done) => done.patch.section);
  expect(sections(7)).toEqual([6, 7]);
  expect(sections(7, [4])).toEqual([]);
  expect(sections(12, [6])).toEqual([6, 12]);
  expect(towelLoad(levelled(6, [5])).m2).toBe(1);
});

test('each has a towel of their own: one who levels every other patch loads theirs half as soon, and a fresh one is only theirs', () => {
  const minuteOf = (entry: string) => Number(entry.split('/')[1]);
  const inTurn = (entry: string) => (Math.floor(minuteOf(entry) / 10) % 2 === 0 ? 'ash' : 'rowan');
  const eight = levelled(8);
  expect(towelLoad(eight).isLoaded).toBe(true);
  expect([towelLoad(eight, inTurn, 'ash'), towelLoad(eight, inTurn, 'rowan')]).toEqual([
    { m2: 4, isLoaded: false },
    { m2: 4, isLoaded: false },
  ]);
  expect(levelledLoaded(levelled(10), inTurn)).toEqual([]);
  expect(levelledLoaded(levelled(12), inTurn).map((done) => done.patch.section)).toEqual([11, 12]);
  // Rowan takes one before the fourth patch, at minute 30: of no use to ash.
  const one = levelled(12, [3]);
  expect(levelledLoaded(one, inTurn).map((done) => done.patch.section)).toEqual([11]);
  expect(towelLoad(one, inTurn, 'ash').m2).toBe(6);
  expect(towelLoad(one, inTurn, 'rowan').m2).toBe(5);
  // What nobody is named for is whoever’s who asks.
  expect(towelLoad(eight, () => undefined, 'ash').m2).toBe(8);
});
