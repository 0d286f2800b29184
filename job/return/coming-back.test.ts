import { prepareItem } from '#core/prepare/stages';
import { foldLog } from '#core/lay/run';
import { type Job, jobSchema, keptTemplate, keptTemplateDraftSchema } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { withTakenOff } from '#job/plan';
import { hiddenMarks, panelCases, preparedPanels, prepareSettings } from '#job/prepare';
import { comingBack } from '#job/return';
import tourer from '../../demo/jobs/satin-tourer.json';

const job: Job = jobSchema.parse({
  ...tourer,
  surfaces: tourer.surfaces.map((surface) =>
    surface.id === 'tank'
      ? {
          ...surface,
          readingsUm: [110, 112],
          readingsAt: [[0.5, 0.5], null],
          touch: 'rough',
          onSheet: undefined,
          marks: [
            { id: 'gone', kind: 'swirls', severity: 'light', at: [0.5, 0.5], outcome: 'removed' },
            { id: 'left', kind: 'chip', severity: 'light', at: [0.2, 0.5], outcome: 'stays' },
          ],
        }
      : surface,
  ),
});
const { product } = job.surfaces.find(({ id }) => id === 'tank')!.layers[0]!;
const patch = { surface: 'tank', layer: 0, coat: 1, copy: 1, section: 1 };
const entry = (seq: number, minute: number, what: LogEntry['entry']): LogEntry => ({
  seq,
  id: `e${seq}`,
  at: new Date(Date.parse(job.startAt) + minute * 60_000).toISOString(),
  recordedAt: job.startAt,
  entry: what,
});
const LAID: LogEntry[] = [
  entry(1, 0, { type: 'lay-start', patch, start: { product, sections: 1, areaM2: 0.6, amount: 5 } }),
  entry(2, 2, { type: 'lay-end', patch }),
  entry(3, 3, { type: 'level-start', patch }),
  entry(4, 5, { type: 'level-end', patch }),
];
const tankOf = (surfaces: Job['surfaces']) => surfaces.find(({ id }) => id === 'tank')!;

test('what was really laid is found on it when it comes back, what was only planned is not', () => {
  const family = job.products.find(({ id }) => id === product)!.family;
  const back = comingBack(job, LAID);
  expect(tankOf(back.surfaces).existing).toEqual([...tankOf(job.surfaces).existing, family]);
  for (const surface of back.surfaces) {
    expect(surface.layers).toEqual([]);
    if (surface.id !== 'tank')
      expect(surface.existing).toEqual(job.surfaces.find(({ id }) => id === surface.id)!.existing);
  }
});

test('marks that went are gone, those that were only to go and those that stay are there; tests and readings begin anew', () => {
  const went = entry(5, 9, {
    type: 'mark-outcome',
    surface: 'tank',
    mark: 'gone',
    kind: 'swirls',
    severity: 'light',
    level: 'one-step',
    outcome: 'removed',
  });
  const tank = tankOf(comingBack(job, [...LAID, went]).surfaces);
  expect(tank.marks?.map(({ id }) => id)).toEqual(['left']);
  const planned = tankOf(comingBack(job, LAID).surfaces);
  expect(planned.marks?.map(({ id, outcome }) => [id, outcome])).toEqual([
    ['gone', undefined],
    ['left', 'stays'],
  ]);
  expect([tank.readingsUm, tank.readingsAt, tank.touch]).toEqual([[], undefined, undefined]);
  expect(tank.shape).toEqual(tankOf(job.surfaces).shape);
});

test('the clear coat comes back less what was taken: measured, or else the most that the finished stages take', () => {
  const launch: Job = jobSchema.parse({
    ...tourer,
    prepare: { level: 'one-step' },
    surfaces: [
      {
        ...tourer.surfaces.find(({ id }) => id === 'tank'),
        substrate: 'clear-gloss',
        readingsUm: [110, 112],
        clearUm: undefined,
        clearBefore: { um: 47, on: '2025-03-01', takenUm: 3 },
        marks: [
          { id: 'went', kind: 'swirls', severity: 'light', at: [0.5, 0.5] },
          { id: 'left', kind: 'deep-scratch', severity: 'heavy', at: [0.2, 0.5], outcome: 'removed' },
        ],
      },
    ],
  });
  const stage = { kind: 'single-stage', round: 1 } as const;
  const start = entry(1, 0, { type: 'stage-start', stage, predictedMin: 20 });
  const end = entry(2, 20, { type: 'stage-end', stage });
  const before = (log: LogEntry[]) => tankOf(comingBack(launch, log).surfaces).clearBefore;
  // Not finished: nothing was taken. 40 % of 111.
  expect(before([start])).toEqual({ um: expect.closeTo(44.4, 9), on: launch.startAt.slice(0, 10), takenUm: 3 });
  expect(before([start, end])).toMatchObject({ um: expect.closeTo(42.4, 9), takenUm: 5 });
  const measured = entry(3, 25, { type: 'clear-taken', surface: 'tank', um: 1.2 });
  expect(before([start, end, measured])).toMatchObject({
    um: expect.closeTo(43.2, 9),
    takenUm: expect.closeTo(4.2, 9),
  });
  // What really became of a mark stands before what was agreed.
  const became = (mark: string, outcome: 'removed' | 'reduced', seq: number) =>
    entry(seq, 30, {
      type: 'mark-outcome',
      surface: 'tank',
      mark,
      kind: 'swirls',
      severity: 'light',
      level: 'one-step',
      outcome,
    });
  const log = [start, end, became('went', 'removed', 4), became('left', 'reduced', 5)];
  expect(tankOf(comingBack(launch, log).surfaces).marks?.map(({ id }) => id)).toEqual(['left']);
});

test('a template keeps shapes and kinds, and nothing that was seen or planned', () => {
  const kept = keptTemplate('Tourer', job);
  expect(keptTemplateDraftSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
  for (const [index, surface] of kept.surfaces.entries()) {
    expect(surface.shape).toEqual(job.surfaces[index]!.shape);
    expect([surface.layers, surface.marks, surface.readingsUm, surface.note]).toEqual([[], undefined, [], undefined]);
  }
});

test('what was filled comes back out of sight, and shows again when what hides it is taken off', () => {
  const tank = tankOf(job.surfaces);
  const marks: Job['surfaces'][number]['marks'] = [
    { id: 'filled', kind: 'swirls', severity: 'light', at: [0.5, 0.5], outcome: 'hidden' },
    { id: 'chip', kind: 'chip', severity: 'light', at: [0.2, 0.2], outcome: 'stays' },
  ];
  const filled = { ...job, surfaces: job.surfaces.map((each) => (each.id === tank.id ? { ...each, marks } : each)) };
  const back = { ...filled, ...comingBack(filled, LAID) };
  expect(tankOf(back.surfaces).marks).toEqual([{ ...marks[0]!, outcome: undefined, hiddenBefore: true }, marks[1]]);
  const shows = (prepare: Job['prepare'], of: Job = back) =>
    hiddenMarks(of, foldLog([]), preparedPanels({ ...of, prepare }));
  expect([...shows({ level: 'none' }).values()].flat().map(({ id }) => id)).toEqual(['filled']);
  // Still out of sight at a visit that did nothing about it; gone with one that polished it away.
  const again = comingBack(back, []);
  expect(tankOf(again.surfaces).marks![0]).toMatchObject({ id: 'filled', hiddenBefore: true });
  const removed = {
    ...back,
    surfaces: back.surfaces.map((each) => ({
      ...each,
      marks: each.marks?.map((mark) => ({ ...mark, outcome: 'removed' as const })),
    })),
  };
  expect(shows({ level: 'none' }, removed).size).toBe(0);
  // Where it is taken off, the step says what it uncovers.
  const { panels } = prepareItem(
    panelCases({ ...back, prepare: withTakenOff({ level: 'none' }, [tank.id], 'all') }),
    prepareSettings(back),
  );
  const strip = panels.flatMap(({ steps }) => steps).find(({ kind }) => kind === 'strip-found')!;
  expect(strip.reason).toContain('what was filled shows again: swirls');
});
