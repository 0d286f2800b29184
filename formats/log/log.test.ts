/** What is done at the item, as it is sent: every kind of entry is taken whole, and refused with its place when bent. */
import { faultsOf as faultsOfReading } from '../testing/faults';
import fc from 'fast-check';
import { read } from '#formats/values';
import { loggedEntries, newEntrySchema } from '.';
import { runEntrySchema } from './log';

const patch = { surface: 'bonnet', layer: 0, coat: 1, copy: 1, section: 2 };
const stage = { kind: 'clay', round: 1 };
const used = { stage, what: 'clay', unit: 'g', predicted: 40, amount: 55 };
const outcome = {
  surface: 'bonnet',
  mark: 'm1',
  kind: 'swirls',
  severity: 'light',
  level: 'one-step',
  outcome: 'removed',
};

/** One of each kind, with all it can carry. */
const ENTRIES = [
  { type: 'lay-start', patch, start: { product: 'base', sections: 3, areaM2: 0.5, amount: 3.4, surfaceC: 19.5 } },
  { type: 'lay-end', patch },
  { type: 'cue-seen', patch },
  { type: 'level-start', patch },
  { type: 'level-end', patch },
  { type: 'fault', patch, fault: 'high-spot', note: 'left edge', at: [0.25, 0.75] },
  { type: 'left-out', surface: 'bonnet', reason: 'damaged' },
  { type: 'taken-up', surface: 'bonnet' },
  { type: 'run-pause', reason: 'phone' },
  { type: 'run-resume' },
  { type: 'answered', list: 'gate', line: 'gloves', answer: 'without' },
  { type: 'looked', place: 'joint:bonnet:wing-left', light: 'hand-light' },
  { type: 'fresh-towel' },
  { type: 'hands-join', person: '2', does: 'level' },
  { type: 'hands-leave', person: '2' },
  { type: 'consent', pictures: 'shown' },
  { type: 'released', name: 'Wren Ashdown', licence: 'EX-66.1204', strokes: [[0.1, 0.2, 0.3, 0.4]] },
  { type: 'proof', surface: 'bonnet', what: 'gloss', value: 92.5, source: 'typed' },
  { type: 'bead', surface: 'bonnet', deg: 102.4, sigmaDeg: 2.1 },
  { type: 'remedied', fault: 'e1', how: 're-wet' },
  { type: 'stage-start', stage, predictedMin: 40, dwellMin: 4 },
  { type: 'stage-pause', stage, reason: 'weather' },
  { type: 'stage-resume', stage },
  { type: 'stage-end', stage },
  { type: 'stage-used', ...used },
  { type: 'stage-found', stage, note: 'a run in the clear' },
  { type: 'stage-panel', stage, surface: 'bonnet' },
  { type: 'mark-outcome', ...outcome },
  { type: 'clear-taken', surface: 'bonnet', um: 3.5 },
  { type: 'air', airC: 19, rhPct: 55, airSpeed: 0.2, source: 'simulated' },
  { type: 'undo', entry: 'e1' },
  { type: 'set-aside', entry: 'e1', reason: 'its panel was lost' },
] as const;
const sent = (entry: object) => ({ id: 'tap-1', at: '2027-03-02T10:40:00+01:00', entry });

const faultsOf = (value: unknown) => faultsOfReading(() => read(value, newEntrySchema));

test('each kind of entry is among these', () => {
  const kinds = runEntrySchema.options.map(({ shape }) => shape.type.value);
  expect(ENTRIES.map(({ type }) => type).toSorted()).toEqual(kinds.toSorted());
});

describe.each(ENTRIES.map((entry) => [entry.type, entry] as const))('%s', (_, entry) => {
  test('is kept whole', () => {
    expect(newEntrySchema.parse(sent(entry))).toEqual(sent(entry));
  });

  test('with something it does not know is refused, and the something named', () => {
    expect(faultsOf(sent({ ...entry, by: 'somebody else' }))).toEqual([
      { path: 'entry.by', message: expect.stringContaining('unknown key') as string },
    ]);
  });

  test('with any of its parts gone or bent is refused at that part', () => {
    for (const key of Object.keys(entry).filter((each) => each !== 'type')) {
      for (const bent of [null, Number.NaN, -999, [], {}, true]) {
        const faults = faultsOf(sent({ ...entry, [key]: bent }));
        expect([key, bent, faults.length > 0]).toEqual([key, bent, true]);
        for (const { path } of faults) expect([key, path.startsWith(`entry.${key}`)]).toEqual([key, true]);
      }
    }
  });
});

test('figures beyond sense are told with what was expected', () => {
  const laid = ENTRIES[0];
  const cases: readonly [object, string][] = [
    [{ ...laid, start: { ...laid.start, areaM2: 0 } }, 'entry.start.areaM2'],
    [{ ...laid, start: { ...laid.start, sections: 1.5 } }, 'entry.start.sections'],
    [{ ...laid, start: { ...laid.start, surfaceC: 900 } }, 'entry.start.surfaceC'],
    [{ ...laid, patch: { ...patch, coat: 0 } }, 'entry.patch.coat'],
    [{ type: 'clear-taken', surface: 'bonnet', um: 5000 }, 'entry.um'],
    [{ type: 'air', airC: 19, rhPct: 101, airSpeed: 0 }, 'entry.rhPct'],
    [{ type: 'stage-start', stage: { kind: 'magic', round: 1 }, predictedMin: 1 }, 'entry.stage.kind'],
    [{ type: 'set-aside', entry: 'e1', reason: '  ' }, 'entry.reason'],
  ];
  for (const [entry, place] of cases) {
    const [fault, ...more] = faultsOf(sent(entry));
    expect([fault?.path, more]).toEqual([place, []]);
    expect(fault!.message).toMatch(/^expected /);
  }
});

test('an entry needs a name of its own and a moment with its zone', () => {
  for (const [changes, place] of [
    [{ id: '' }, 'id'],
    [{ id: 'x'.repeat(65) }, 'id'],
    [{ at: '2027-03-02 10:40' }, 'at'],
    [{ at: 'soon' }, 'at'],
  ] as const) {
    expect(faultsOf({ ...sent(ENTRIES[1]), ...changes }).map(({ path }) => path)).toEqual([place]);
  }
});

test('a log lies on the job’s own minutes whatever zone each tablet wrote in, in the order it was recorded', () => {
  const startAt = '2027-03-02T08:30:00+01:00';
  const zone = fc.integer({ min: -12, max: 14 });
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 5000 }), zone), { maxLength: 20 }), (taps) => {
      const entries = taps.map(([minute, hours], index) => {
        const local = new Date(Date.parse(startAt) + minute * 60_000 + hours * 3_600_000).toISOString().slice(0, 19);
        const sign = hours < 0 ? '-' : '+';
        const at = `${local}${sign}${String(Math.abs(hours)).padStart(2, '0')}:00`;
        return newEntrySchema.parse({ id: `e${index}`, at, entry: ENTRIES[3] });
      });
      expect(loggedEntries(startAt, entries).map(({ id, atMin }) => [id, atMin])).toEqual(
        taps.map(([minute], index) => [`e${index}`, minute]),
      );
    }),
  );
});
