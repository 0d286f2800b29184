import type { Problem } from '#formats/api';
import type { JobRecord } from '#formats/job';
import type { EarlierPair, LearnedPreparation, LogEntry, NewEntry, ProductCues } from '#formats/log';
import tapedTourer from '../e2e/jobs/taped-tourer.json';
import { draftOf, type RunningServer, startServer } from './testing/client';

// Generous: the machine may be busy with a browser.

const NOW = '2027-03-02T10:40:00+01:00';
const tourer = { draft: draftOf(tapedTourer) };

const { document } = tourer.draft;
const marked = {
  ...tourer.draft,
  document: {
    ...document,
    surfaces: document.surfaces.map((surface) => ({
      ...surface,
      marks: [{ id: 'm1', kind: 'swirls', severity: 'light', at: [0.5, 0.5] }],
    })),
  },
};

let server: RunningServer;
beforeEach(async () => {
  // Late enough that all that is logged has been.
  server = await startServer(() => new Date(Date.parse(NOW) + 600 * 60_000));
  for (const id of ['one', 'two']) {
    const made = await server.call<JobRecord>('PUT', `/api/jobs/${id}`, { ...marked, bayId: null }, 0);
    expect(made.status).toBe(200);
  }
});
afterEach(() => server.stop());

const at = (minute: number) => new Date(Date.parse(NOW) + minute * 60_000).toISOString();
const stage = { kind: 'clay', round: 1 } as const;
const log = (job: string, id: string, minute: number, entry: NewEntry['entry']) =>
  server.call<LogEntry & Problem>('POST', `/api/jobs/${job}/log`, { id, at: at(minute), entry });
const learned = async () => (await server.call<LearnedPreparation>('GET', '/api/learned-preparation')).body;

test('one stage, two tablets: the first is logged, the second is told, and sent again it is logged once', async () => {
  const start = { type: 'stage-start', stage, predictedMin: 20 } as const;
  expect((await log('one', 'a', 0, start)).status).toBe(201);
  const second = await log('one', 'b', 0, start);
  expect([second.status, second.body.detail]).toEqual([409, 'This was not logged: clay is running already.']);
  expect((await log('one', 'a', 0, start)).status).toBe(201);
  expect((await server.call<LogEntry[]>('GET', '/api/jobs/one/log')).body).toHaveLength(1);
});

test('a pause wants its reason, an end a beginning, and a kind its name', async () => {
  expect((await log('one', 'a', 0, { type: 'stage-end', stage })).status).toBe(409);
  const bad = await server.call<Problem>('POST', '/api/jobs/one/log', {
    id: 'x',
    at: NOW,
    entry: { type: 'stage-pause', stage: { kind: 'buffing', round: 1 } },
  });
  expect(bad.body.faults?.map(({ path }) => path).sort()).toEqual(['entry.reason', 'entry.stage.kind']);
});

test('hours are learned over all jobs, without pauses, and an undone end teaches nothing', async () => {
  expect(await learned()).toEqual({ hours: {}, uses: [], shares: [] });
  for (const [job, took] of [
    ['one', 40],
    ['two', 36],
  ] as const) {
    await log(job, 's', 0, { type: 'stage-start', stage, predictedMin: 20 });
    await log(job, 'p', 10, { type: 'stage-pause', stage, reason: 'weather' });
    await log(job, 'r', 300, { type: 'stage-resume', stage });
    await log(job, 'e', 300 + took - 10, { type: 'stage-end', stage });
  }
  const both = (await learned()).hours.clay!;
  expect(both.observations).toBe(2);
  expect(both.factor).toBeGreaterThan(1.6);
  expect(both.factor).toBeLessThan(2);
  await log('two', 'u', 400, { type: 'undo', entry: 'e' });
  expect((await learned()).hours.clay!.observations).toBe(1);
});

test('a job at which a stage was logged keeps its record', async () => {
  await log('one', 'a', 0, { type: 'stage-start', stage, predictedMin: 20 });
  expect((await server.call('DELETE', '/api/jobs/one', undefined, 1)).status).toBe(409);
  expect((await server.call('DELETE', '/api/jobs/two', undefined, 1)).status).toBe(204);
});

test('what was used and what became of marks is learned over the API; a stage not begun has used nothing', async () => {
  const used = { type: 'stage-used', stage, what: 'Sandbar Fine', unit: 'g', predicted: 10, amount: 20 } as const;
  expect((await log('one', 'u', 0, used)).body.detail).toBe('This was not logged: this stage is not begun.');
  await log('one', 's', 0, { type: 'stage-start', stage, predictedMin: 20 });
  expect((await log('one', 'u', 1, used)).status).toBe(201);
  const outcome = {
    type: 'mark-outcome',
    surface: 'tank',
    kind: 'swirls',
    severity: 'light',
    level: 'one-step',
  } as const;
  await log('one', 'm', 2, { ...outcome, mark: 'm1', outcome: 'removed' });
  await log('two', 'm', 2, { ...outcome, mark: 'm1', outcome: 'reduced' });
  expect(await learned()).toMatchObject({
    uses: [{ what: 'Sandbar Fine', observations: 1 }],
    shares: [{ level: 'one-step', kind: 'swirls', severity: 'light', count: 2, gone: 1.5 }],
  });
  const far = await log('one', 'c', 3, { type: 'clear-taken', surface: 'tank', um: 4000 });
  expect(far.body.faults?.[0]?.path).toBe('entry.um');
});

test('the ladder begins from what worked on this very item, then on its model', async () => {
  const spot = { surface: 'tank', hazePct: 0, minutes: 4 };
  const visit = async (id: string, item: string, pair: string, startAt: string) => {
    const document = {
      ...tourer.draft.document,
      startAt,
      item: { id: item, name: item, template: { id: 'touring-motorcycle' } },
      prepare: {
        tests: pair
          ? [
              { ...spot, pair, gonePct: 90 },
              { ...spot, pair: 'soft-finishing', gonePct: 20 },
            ]
          : [],
      },
    };
    const made = await server.call('PUT', `/api/jobs/${id}`, { ...tourer.draft, bayId: null, document }, 0);
    expect(made.status).toBe(200);
  };
  await visit('other', 'another-tourer', 'wool-compound', '2026-05-01T08:00:00+02:00');
  await visit('last-year', 'this-tourer', 'medium-finishing', '2026-04-01T08:00:00+02:00');
  await visit('later', 'this-tourer', 'firm-onestep', '2028-04-01T08:00:00+02:00');
  await visit('now', 'this-tourer', '', NOW);
  const { body } = await server.call<EarlierPair[]>('GET', '/api/jobs/now/earlier-pairs');
  expect(body.map(({ jobId, pair, sameItem }) => [jobId, pair, sameItem])).toEqual([
    ['last-year', 'medium-finishing', true],
    ['other', 'wool-compound', false],
  ]);
});

test('cues seen at a job are told at their product beside what was expected; a forgotten one teaches no more', async () => {
  const [sheet] = document.products;
  expect((await server.call('PUT', `/api/products/${sheet!.id}`, sheet, 0)).status).toBe(200);
  const cues = async () => (await server.call<ProductCues>('GET', `/api/products/${sheet!.id}/cues`)).body;
  expect(await cues()).toEqual({ factor: 1, sigma: 0.2, jobs: [] });

  const surface = document.surfaces.find(({ layers }) => layers[0]?.product === sheet!.id)!;
  const patch = { surface: surface.id, layer: 0, coat: 1, copy: 1, section: 1 };
  const start = { product: sheet!.id, sections: 1, areaM2: 0.3, amount: 2 };
  for (const [id, minute, entry] of [
    ['a', 0, { type: 'lay-start', patch, start }],
    ['b', 0.5, { type: 'lay-end', patch }],
    ['c', 1.5, { type: 'cue-seen', patch }],
  ] as const) {
    expect((await log('one', id, minute, entry)).status).toBe(201);
  }
  const taught = await cues();
  expect(taught.jobs).toMatchObject([
    { jobId: 'one', factor: 1, sigma: 0.2, cues: [{ seen: { entry: 'c', seenMin: 1.5 } }] },
  ]);
  const [{ ratio, seen }] = taught.jobs[0]!.cues as [ProductCues['jobs'][number]['cues'][number]];
  expect(ratio).toBeCloseTo(1.5 / seen!.expectedMin!, 1);
  expect(Math.sign(Math.log(taught.factor))).toBe(Math.sign(Math.log(ratio)));
  expect(taught.sigma).toBeLessThan(0.2);

  expect((await log('one', 'd', 2, { type: 'set-aside', entry: 'c', reason: 'no cue of this product' })).status).toBe(
    201,
  );
  expect(await cues()).toEqual({ factor: 1, sigma: 0.2, jobs: [] });
  expect((await server.call<LogEntry[]>('GET', '/api/jobs/one/log')).body).toHaveLength(4);
  expect((await server.call('GET', '/api/products/none-such/cues')).status).toBe(404);
});

test('how fast hands are is learned when somebody asks, and what teaches nothing in between hides no lesson', async () => {
  const [surface] = document.surfaces;
  const { product } = surface!.layers[0]!;
  const patch = { surface: surface!.id, layer: 0, coat: 1, copy: 1, section: 1 };
  const start = { product, sections: 1, areaM2: 8, amount: 30 };
  const sheet = document.products.find(({ id }) => id === product)!;
  server.services.shelf.add(sheet);
  const factor = () => server.services.shelf.get(product).shop.layFactor;
  expect(factor()).toBeUndefined();
  for (const [id, minute, entry] of [
    ['lay', 0, { type: 'lay-start', patch, start }],
    ['laid', 50, { type: 'lay-end', patch }],
    ['paused', 51, { type: 'run-pause', reason: 'break' }],
    ['resumed', 52, { type: 'run-resume' }],
  ] as const)
    expect((await log('one', id, minute, entry)).status).toBe(201);
  // Far slower than the sheet has it.
  expect(factor()).toBeLessThan(0.9);
  for (const entry of ['resumed', 'paused', 'laid'])
    expect((await log('one', `no-${entry}`, 64, { type: 'undo', entry })).status).toBe(201);
  expect(factor()).toBeUndefined();
});
