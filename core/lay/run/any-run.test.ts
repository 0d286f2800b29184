/** Runs made up of any taps at any times, by one tablet or two: what the record says of them always holds. */
import fc from 'fast-check';
import { job, product, surface } from '../../testing/samples';
import {
  carriedOn,
  entryFault,
  foldLog,
  type LoggedEntry,
  mayCarryOn,
  patchKey,
  type RunEntry,
  progressOf,
  type RunSheet,
  runSheet,
  type SheetPatch,
  undoable,
} from '.';
import { patchState } from './record';

const base = product({
  milestones: [
    { name: 'cue', clock: 'flash', min: 3 },
    { name: 'levelFrom', clock: 'flash', min: 2 },
    { name: 'levelBy', clock: 'flash', min: 6 },
    { name: 'recoatFrom', clock: 'set', min: 60 },
    { name: 'waterSafe', clock: 'set', min: 720 },
    { name: 'handover', clock: 'set', min: 900 },
  ],
  over: ['bare', 'self'],
});
const planned = job({
  products: [base],
  surfaces: [
    surface({ id: 'roof', name: 'Roof', shape: { kind: 'area', areaM2: 3 } }),
    surface({ id: 'rim', name: 'Rim', count: 2, layers: [{ product: 'base', coats: 2, method: 'small-block' }] }),
  ],
});
const sheet = runSheet(planned, foldLog([]), 0);
const patches = sheet.patches.map(({ patch, laid, areaM2, amount }) => ({
  patch,
  start: { product: 'base', sections: laid.sectionsPerCopy, areaM2, amount },
}));
const stage = fc.record({ kind: fc.constantFrom('wash', 'iron', 'clay'), round: fc.constant(1) }) as fc.Arbitrary<{
  kind: 'wash';
  round: number;
}>;

const anEntry: fc.Arbitrary<RunEntry> = fc.oneof(
  fc.constantFrom(...patches).map(({ patch, start }): RunEntry => ({ type: 'lay-start', patch, start })),
  fc
    .tuple(fc.constantFrom('lay-end', 'cue-seen', 'level-start', 'level-end'), fc.constantFrom(...patches))
    .map(([type, { patch }]) => ({ type, patch })),
  fc.constantFrom(...patches).map(({ patch }): RunEntry => ({ type: 'fault', patch, fault: 'high-spot' })),
  stage.map((of): RunEntry => ({ type: 'stage-start', stage: of, predictedMin: 20 })),
  stage.map((of): RunEntry => ({ type: 'stage-pause', stage: of, reason: 'weather' })),
  stage.map((of): RunEntry => ({ type: 'stage-resume', stage: of })),
  stage.map((of): RunEntry => ({ type: 'stage-end', stage: of })),
  fc.integer({ min: 5, max: 40 }).map((airC): RunEntry => ({ type: 'air', airC, rhPct: 50, airSpeed: 0.1 })),
  fc.nat(40).map((nth): RunEntry => ({ type: 'undo', entry: `e${nth}` })),
  fc.constantFrom('roof', 'rim').map((of): RunEntry => ({ type: 'left-out', surface: of, reason: 'no-time' })),
  fc.constantFrom('roof', 'rim').map((of): RunEntry => ({ type: 'taken-up', surface: of })),
);

/** A log as two tablets make it: taps in any order, a good half of them nonsense, moments that only grow. */
const aLog = fc.array(fc.tuple(anEntry, fc.integer({ min: 0, max: 9 })), { maxLength: 60 }).map((taps) => {
  let atMin = 0;
  return taps.map(([entry, after], index): LoggedEntry => ({ id: `e${index}`, atMin: (atMin += after), entry }));
});

/** The same log as a server keeps it: what does not fit was refused. */
function accepted(taps: readonly LoggedEntry[]): LoggedEntry[] {
  const log: LoggedEntry[] = [];
  for (const tap of taps) if (entryFault(foldLog(log), log, tap.entry) === undefined) log.push(tap);
  return log;
}

test('what was refused makes no difference: the record of all taps is that of those that fitted', () => {
  fc.assert(
    fc.property(aLog, (taps) => {
      const undoes = (log: readonly LoggedEntry[]) => log.some(({ entry }) => entry.type === 'undo');
      // An undo that was refused when it came might fit a longer log: the server never keeps it.
      fc.pre(!undoes(taps));
      const [all, kept] = [foldLog(taps), foldLog(accepted(taps))];
      expect([...all.patches]).toEqual([...kept.patches]);
      expect([...all.stages]).toEqual([...kept.stages]);
      expect(all.air).toEqual(kept.air);
    }),
  );
});

test('every patch goes from laying to done in order, whatever was tapped', () => {
  fc.assert(
    fc.property(aLog, (taps) => {
      for (const patch of foldLog(accepted(taps)).patches.values()) {
        const { layStartMin, layEndMin, levelStartMin, levelEndMin } = patch;
        if (layEndMin !== undefined) expect(layEndMin).toBeGreaterThanOrEqual(layStartMin);
        if (levelStartMin !== undefined) expect(levelStartMin).toBeGreaterThanOrEqual(layStartMin);
        if (levelEndMin !== undefined) expect(levelEndMin).toBeGreaterThanOrEqual(levelStartMin!);
        expect(patchState(patch) === 'done').toBe(levelEndMin !== undefined);
      }
    }),
  );
});

test('an undo takes back the last tap and nothing else: the record is that of the log without the two', () => {
  fc.assert(
    fc.property(aLog, (taps) => {
      const log = accepted(taps.filter(({ entry }) => entry.type !== 'undo'));
      const { lastEntry } = foldLog(log);
      if (!lastEntry) return;
      const undo: LoggedEntry = { id: 'undo', atMin: 1e6, entry: { type: 'undo', entry: lastEntry.id } };
      expect(entryFault(foldLog(log), log, undo.entry)).toBeUndefined();
      const undone = foldLog([...log, undo]);
      const without = foldLog(log.filter(({ id }) => id !== lastEntry.id));
      expect([...undone.patches]).toEqual([...without.patches]);
      expect([...undone.stages]).toEqual([...without.stages]);
    }),
  );
});

test('an undo of an earlier tap takes it back alone, or is refused because something came of it', () => {
  let [undone, refused] = [0, 0];
  fc.assert(
    fc.property(aLog, fc.nat(), (taps, nth) => {
      const log = accepted(taps.filter(({ entry }) => entry.type !== 'undo'));
      fc.pre(log.length > 0);
      const { id } = log[nth % log.length]!;
      const undo: LoggedEntry = { id: 'undo', atMin: 1e6, entry: { type: 'undo', entry: id } };
      const own = undoable(log, (each) => each === id);
      const fault = entryFault(foldLog(log), log, undo.entry);
      expect(own?.id).toBe(fault === undefined ? id : undefined);
      const without = log.filter((each) => each.id !== id);
      // Whoever does the rest again without it meets no refusal, just where it may be taken back.
      expect(accepted(without).length === without.length).toBe(fault === undefined);
      if (fault !== undefined) return void (refused += 1);
      undone += 1;
      expect([...foldLog([...log, undo]).patches]).toEqual([...foldLog(without).patches]);
    }),
    { numRuns: 300 },
  );
  expect(undone).toBeGreaterThan(0);
  expect(refused).toBeGreaterThan(0);
});

test('the run sheet has every patch once, in the state the record gives it, and leads to one that can be tapped', () => {
  fc.assert(
    fc.property(aLog, fc.integer({ min: 0, max: 400 }), (taps, nowMin) => {
      const log = accepted(taps);
      const record = foldLog(log);
      const { patches: all, current } = runSheet(planned, record, nowMin);
      const keys = all.map(({ patch }) => patchKey(patch));
      expect(new Set(keys).size).toBe(keys.length);
      for (const { patch, state } of all) {
        const known = record.patches.get(patchKey(patch));
        expect(state).toBe(known ? patchState(known) : 'todo');
      }
      expect(current === undefined).toBe(all.every(({ state }) => state === 'done'));
      if (current?.state === 'todo') {
        const { patch, laid, areaM2, amount } = current;
        const start = { product: 'base', sections: laid.sectionsPerCopy, areaM2, amount };
        expect(entryFault(record, log, { type: 'lay-start', patch, start })).toBeUndefined();
      }
      const progress = progressOf(runSheet(planned, record, nowMin), record);
      expect(progress.patchesTotal).toBe(all.length);
      expect(progress.patchesDone).toBe(all.filter(({ state }) => state === 'done').length);
      expect(progress.plan.handoverMin).toBe(runSheet(planned, record, nowMin).plan.handoverMin);
    }),
    { numRuns: 60 },
  );
});

test('minutes worked at a stage are never more than the time that has gone by', () => {
  fc.assert(
    fc.property(aLog, (taps) => {
      const log = accepted(taps);
      const last = log.at(-1)?.atMin ?? 0;
      for (const { workedMin, startMin, pauses, endMin } of foldLog(log).stages.values()) {
        expect(workedMin).toBeGreaterThanOrEqual(0);
        expect(workedMin).toBeLessThanOrEqual((endMin ?? last) - startMin);
        for (const { fromMin, toMin = last } of pauses) expect(toMin).toBeGreaterThanOrEqual(fromMin);
      }
    }),
  );
});

test('carried on by what was tapped, a sheet says of every patch what the one laid out anew says', () => {
  fc.assert(
    fc.property(aLog, fc.nat(), (taps, many) => {
      const log = accepted(taps);
      const earlier = foldLog(log.slice(0, many % (log.length + 1)));
      const record = foldLog(log);
      fc.pre(mayCarryOn(earlier, record));
      const carried = carriedOn(runSheet(planned, earlier, 0), record);
      const anew = runSheet(planned, record, 0);
      const keysOf = (patches: readonly SheetPatch[]) => patches.map(({ patch }) => patchKey(patch));
      expect(new Set(keysOf(carried.patches)).size).toBe(carried.patches.length);
      const begun = ({ patches }: RunSheet) =>
        patches.flatMap(({ patch, state, areaM2 }) => (state === 'todo' ? [] : [[patchKey(patch), state, areaM2]]));
      expect(begun(carried)).toEqual(begun(anew));
      expect(keysOf(carried.wet)).toEqual(keysOf(anew.wet));
      // What is not begun may be cut otherwise when it is laid out anew: it is the same panels, and as much of each.
      const areas = ({ patches }: RunSheet) => {
        const byCopy: Record<string, number> = {};
        for (const { patch, areaM2 } of patches) {
          const copy = patchKey({ ...patch, section: 0 });
          byCopy[copy] = (byCopy[copy] ?? 0) + areaM2;
        }
        return Object.fromEntries(Object.entries(byCopy).map(([copy, m2]) => [copy, m2.toFixed(6)]));
      };
      expect(areas(carried)).toEqual(areas(anew));
      expect(carried.current === undefined).toBe(anew.current === undefined);
      if (carried.current) expect(keysOf(carried.patches)).toContain(patchKey(carried.current.patch));
    }),
    { numRuns: 120 },
  );
});
