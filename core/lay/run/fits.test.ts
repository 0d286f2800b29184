import fc from 'fast-check';
import { foldLog, type LoggedEntry, type RunEntry, strays, unfit, untimely } from '.';

const job = {
  surfaces: [
    { id: 'bonnet', count: 1, layers: [{ product: 'base', coats: 2 }], marks: [{ id: 'm1' }] },
    { id: 'rim', count: 4, layers: [{ product: 'wheels', coats: 1 }] },
  ],
};
const patch = { surface: 'bonnet', layer: 0, coat: 1, copy: 1, section: 1 };
const start = { product: 'base', sections: 2, areaM2: 0.5, amount: 3 };
const lay = (changes: object = {}, of: object = {}): RunEntry => ({
  type: 'lay-start',
  patch: { ...patch, ...changes },
  start: { ...start, ...of },
});

test.each([
  [lay(), undefined],
  [lay({ coat: 2, section: 2 }), undefined],
  [lay({ surface: 'rim', copy: 4 }, { product: 'wheels' }), undefined],
  [lay({ surface: 'keel' }), /no panel "keel"/],
  [lay({ layer: 1 }), /no layer 2 is planned/],
  [lay({ coat: 3 }), /only 2 coats/],
  [lay({ copy: 2 }), /only 1 of "bonnet"/],
  [lay({ section: 3 }), /only 2 sections/],
  [lay({}, { product: 'top' }), /"base" is planned there, not "top"/],
  [{ type: 'clear-taken', surface: 'rim', um: 1 }, undefined],
  [{ type: 'clear-taken', surface: 'keel', um: 1 }, /no panel/],
] as const)('%j fits the job or says why not', (entry, says) => {
  const told = unfit(job, entry);
  if (says) expect(told).toMatch(says);
  else expect(told).toBeUndefined();
});

const at = (atMin: number, entry: RunEntry, id = String(atMin)): LoggedEntry => ({ id, atMin, entry });
const levelEnd: RunEntry = { type: 'level-end', patch };

test('an entry is logged neither ahead of its time, nor long before the job, nor before what it ends', () => {
  const record = foldLog([at(0, lay()), at(3, { type: 'lay-end', patch }), at(5, { type: 'level-start', patch })]);
  expect(untimely(record, at(6, levelEnd), 6)).toBeUndefined();
  // Two tablets' clocks differ a little.
  expect(untimely(record, at(4, levelEnd), 6)).toBeUndefined();
  expect(untimely(record, at(-60, levelEnd), 6)).toMatch(/before it began/);
  expect(untimely(record, at(90, levelEnd), 6)).toMatch(/in the future/);
  expect(untimely(record, at(-600 * 1440, lay({ section: 2 })), 6)).toMatch(/more than a year/);
});

test('whatever is logged in time is never ahead of the clock, and never ends before it began', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -100, max: 1000 }), { maxLength: 12 }), fc.nat(1000), (moments, nowMin) => {
      const steps = [lay(), { type: 'lay-end', patch }, { type: 'level-start', patch }, levelEnd] as RunEntry[];
      const log: LoggedEntry[] = [];
      for (const [index, atMin] of moments.entries()) {
        const next = at(atMin, steps[log.length] ?? levelEnd, String(index));
        if (untimely(foldLog(log), next, nowMin) === undefined && log.length < steps.length) log.push(next);
      }
      for (const { layStartMin, layEndMin = layStartMin, levelStartMin = layEndMin } of foldLog(log).patches.values()) {
        expect(layStartMin).toBeLessThanOrEqual(nowMin + 5);
        expect(layEndMin).toBeGreaterThanOrEqual(layStartMin - 5);
        expect(levelStartMin).toBeGreaterThanOrEqual(layEndMin - 5);
      }
    }),
  );
});

test('what the job has lost is found, set aside and counts no longer; it stays in the log', () => {
  const log = [at(0, lay()), at(1, lay({ surface: 'rim' }, { product: 'wheels' }))];
  const smaller = { surfaces: job.surfaces.slice(0, 1) };
  expect(strays(smaller, log).map(({ id }) => id)).toEqual(['1']);
  const aside = [...log, at(2, { type: 'set-aside', entry: '1', reason: 'the rims stay off' })];
  expect(strays(smaller, aside)).toEqual([]);
  expect([...foldLog(aside).patches.values()].map((each) => each.patch.surface)).toEqual(['bonnet']);
  expect(aside).toHaveLength(3);
});
