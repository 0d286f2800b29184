import { comingBack, type Job, jobSchema, keptTemplate, keptTemplateDraftSchema, type LogEntry } from '#formats';
import tourer from './jobs/satin-tourer.json';

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

test('marks that went are gone, those that stay are there; tests and readings begin anew', () => {
  const tank = tankOf(comingBack(job, LAID).surfaces);
  expect(tank.marks?.map(({ id }) => id)).toEqual(['left']);
  expect([tank.readingsUm, tank.readingsAt, tank.touch]).toEqual([[], undefined, undefined]);
  expect(tank.shape).toEqual(tankOf(job.surfaces).shape);
});

test('a template keeps shapes and kinds, and nothing that was seen or planned', () => {
  const kept = keptTemplate('Tourer', job);
  expect(keptTemplateDraftSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
  for (const [index, surface] of kept.surfaces.entries()) {
    expect(surface.shape).toEqual(job.surfaces[index]!.shape);
    expect([surface.layers, surface.marks, surface.readingsUm, surface.note]).toEqual([[], undefined, [], undefined]);
  }
});
