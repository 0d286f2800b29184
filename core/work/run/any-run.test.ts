/** Runs made up of any taps at any times, by one tablet or two: what the record says of them always holds. */
import fc from 'fast-check';
import { job, product, surface } from '../../testing/samples';
import { entryFault, foldLog, type LoggedEntry, patchKey, type RunEntry, runProgress, runSheet } from '.';
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
    .map(([type, { patch }]) => ({ type, patch }) as RunEntry),
  fc.constantFrom(...patches).map(({ patch }): RunEntry => ({ type: 'fault', patch, fault: 'high-spot' })),
  stage.map((of): RunEntry => ({ type: 'stage-start', stage: of, predictedMin: 20 })),
  stage.map((of): RunEntry => ({ type: 'stage-pause', stage: of, reason: 'weather' })),
  stage.map((of): RunEntry => ({ type: 'stage-resume', stage: of })),
  stage.map((of): RunEntry => ({ type: 'stage-end', stage: of })),
  fc.integer({ min: 5, max: 40 }).map((airC): RunEntry => ({ type: 'air', airC, rhPct: 50, airSpeed: 0.1 })),
  fc.nat(40).map((nth): RunEntry => ({ type: 'undo', entry: `e${nth}` })),
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
      const progress = runProgress(planned, record, nowMin);
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
