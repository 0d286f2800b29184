import { ternmouthYard } from '#demo';
import type { JobRecord, LearnedHours, LogEntry, NewEntry, Problem } from '#formats';
import { type RunningServer, startServer } from './testing/client';

// Generous: the machine may be busy with a browser.
jest.setTimeout(30_000);

const NOW = '2027-03-02T10:40:00+01:00';
const tourer = ternmouthYard(NOW).jobs.find(({ id }) => id === 'satin-tourer')!;

let server: RunningServer;
beforeEach(async () => {
  server = await startServer(() => new Date(NOW));
  for (const id of ['one', 'two']) {
    const made = await server.call<JobRecord>('POST', '/api/jobs', { id, ...tourer.draft, bayId: null });
    expect(made.status).toBe(201);
  }
});
afterEach(() => server.stop());

const at = (minute: number) => new Date(Date.parse(NOW) + minute * 60_000).toISOString();
const stage = { kind: 'clay', round: 1 } as const;
const log = (job: string, id: string, minute: number, entry: NewEntry['entry']) =>
  server.call<LogEntry & Problem>('POST', `/api/jobs/${job}/log`, { id, at: at(minute), entry });
const learned = async () => (await server.call<LearnedHours>('GET', '/api/learned-hours')).body;

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
  expect(await learned()).toEqual({});
  for (const [job, took] of [
    ['one', 40],
    ['two', 36],
  ] as const) {
    await log(job, 's', 0, { type: 'stage-start', stage, predictedMin: 20 });
    await log(job, 'p', 10, { type: 'stage-pause', stage, reason: 'weather' });
    await log(job, 'r', 300, { type: 'stage-resume', stage });
    await log(job, 'e', 300 + took - 10, { type: 'stage-end', stage });
  }
  const both = (await learned()).clay!;
  expect(both.observations).toBe(2);
  expect(both.factor).toBeGreaterThan(1.6);
  expect(both.factor).toBeLessThan(2);
  await log('two', 'u', 400, { type: 'undo', entry: 'e' });
  expect((await learned()).clay!.observations).toBe(1);
});

test('a job at which a stage was logged keeps its record', async () => {
  await log('one', 'a', 0, { type: 'stage-start', stage, predictedMin: 20 });
  expect((await server.call('DELETE', '/api/jobs/one')).status).toBe(409);
  expect((await server.call('DELETE', '/api/jobs/two')).status).toBe(204);
});
