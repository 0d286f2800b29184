/** Jobs in brief: kept beside the jobs, and as current as what changes them. */
import type { Bay, JobRecord, JobSummary } from '#formats/job';
import { eq } from 'drizzle-orm';
import { jobSummaries } from './db/schema';
import type { Computing, Worked } from './computing/computing';
import { createServices } from './services';
import { type RunningServer, startStocked } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
let nowMs = Date.parse(NOW);
let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(nowMs));
});
afterAll(() => server.stop());
beforeEach(() => (nowMs = Date.parse(NOW)));

/** Every job, those that are over too. */
const list = async () => (await server.call<{ rows: JobSummary[] }>('GET', '/api/jobs')).body.rows;
const title = async (id: string) => (await list()).find((job) => job.id === id)!.title;
/** Writes another title into what is kept: it is read where it is trusted, and gone where it is worked out anew. */
const mark = (id: string) => {
  const { summary } = server.db.select().from(jobSummaries).where(eq(jobSummaries.jobId, id)).get()!;
  server.db
    .update(jobSummaries)
    .set({ summary: { ...summary, title: 'as kept' } })
    .where(eq(jobSummaries.jobId, id))
    .run();
};
const isKept = async (id: string) => (await title(id)) === 'as kept';

test('a second look reads what the first worked out, and both say the same', async () => {
  const first = await list();
  expect(await list()).toEqual(first);
  for (const id of ['satin-tourer', 'teal-hatchback-sealant', 'marrow-launch']) {
    mark(id);
    expect([id, await isKept(id)]).toEqual([id, true]);
  }
});

test('an edit, a tap, another bay, and time make it anew; each only what it moves', async () => {
  await list();
  const anew = async (id: string, change: () => unknown) => {
    mark(id);
    await change();
    return !(await isKept(id));
  };
  const { body: job } = await server.call<JobRecord>('GET', '/api/jobs/satin-tourer');
  const { document, bayId, airSource } = job;
  const edited = () => server.call('PUT', '/api/jobs/satin-tourer', { document, bayId, airSource }, job.version);
  expect(await anew('satin-tourer', edited)).toBe(true);
  expect(await anew('two-seater', () => undefined)).toBe(false);
  const air = { id: 'a', at: NOW, entry: { type: 'air', airC: 19, rhPct: 50, airSpeed: 0.1 } };
  expect(await anew('teal-hatchback', () => server.call('POST', '/api/jobs/teal-hatchback/log', air))).toBe(true);
  const bay = (await server.call<Bay[]>('GET', '/api/bays')).body.find(({ id }) => id === bayId)!;
  const { name, climate, room } = bay;
  const shorter = () =>
    server.call('PUT', `/api/bays/${bay.id}`, { name, climate: { ...climate, closesAtHour: 15 }, room }, bay.version);
  expect(await anew('satin-tourer', shorter)).toBe(true);
  // What lies on it already no bay and no lesson moves.
  expect(await anew('teal-hatchback-sealant', () => undefined)).toBe(false);
  // Under way it is looked at again by the half minute: whoever looks meanwhile is not kept waiting.
  mark('teal-hatchback');
  nowMs += 31_000;
  await list();
  await server.services.summaries.worked();
  expect(await isKept('teal-hatchback')).toBe(false);
  // Planned it waits for somebody.
  expect(await anew('two-seater', () => (nowMs += 20 * 86_400_000))).toBe(false);
});

test('a phase changes at its moment, though nobody touches the job', async () => {
  const launch = async () => (await list()).find(({ id }) => id === 'marrow-launch')!;
  const { phase, handover } = await launch();
  expect(phase).toBe('curing');
  nowMs = Date.parse(handover!) + 60_000;
  expect((await launch()).phase).not.toBe('curing');
});

test('the day’s list leaves out what is over: an earlier visit, and what is due in years; the search finds them', async () => {
  const { body: today } = await server.call<JobSummary[]>('GET', '/api/today');
  const ids = today.map(({ id }) => id);
  expect(ids).toEqual(expect.arrayContaining(['teal-hatchback', 'satin-tourer', 'two-door-classic']));
  // The hatchback came back: what was laid last year is that visit's matter.
  expect(ids).not.toContain('teal-hatchback-sealant');
  const found = async (words: string) =>
    (await server.call<{ rows: JobSummary[]; found: number }>('GET', `/api/jobs?find=${words}`)).body;
  expect((await found('HATCHBACK+varga')).rows.map(({ id }) => id)).toEqual([
    'teal-hatchback',
    'teal-hatchback-sealant',
  ]);
  expect(await found('nobody+is+called+so')).toEqual({ rows: [], found: 0 });
  expect((await found('%25')).found).toBe(0);
  const all = await found('');
  expect(all.found).toBe(all.rows.length);
  const { body: rest } = await server.call<{ rows: JobSummary[] }>('GET', '/api/jobs?from=2');
  expect(rest.rows).toEqual(all.rows.slice(2));
  expect((await server.call('GET', '/api/jobs?from=-1')).status).toBe(400);
  // What is due brings it back into the list, and a year later it is past.
  nowMs = Date.parse(all.rows.find(({ id }) => id === 'two-door-classic')!.renew!) + 61 * 86_400_000;
  const later = (await server.call<JobSummary[]>('GET', '/api/today')).body;
  expect(later.some(({ id }) => id === 'two-door-classic')).toBe(false);
});

test('what was worked out by other models is worked out anew', async () => {
  const id = 'satin-tourer';
  await list();
  /** As the same file reads to a server that starts now. */
  const titleAtStart = async () => {
    const { summaries } = createServices(server.db, server.photoFolder, () => new Date(nowMs));
    return (await summaries.found('', 0)).rows.find((job) => job.id === id)!.title;
  };
  mark(id);
  expect(await titleAtStart()).toBe('as kept');
  server.db.update(jobSummaries).set({ model: 'of-last-year' }).where(eq(jobSummaries.jobId, id)).run();
  expect(await titleAtStart()).not.toBe('as kept');
});

test('a list says what is not worked out yet, does not wait for it, and tells when it is', async () => {
  let answer: (worked: Worked) => void = () => undefined;
  const slow = () => new Promise<Worked>((resolve) => (answer = resolve));
  const computing = { ask: slow as never } satisfies Computing;
  const services = createServices(server.db, server.photoFolder, () => new Date(nowMs), { computing });
  const { document, bayId, airSource } = services.jobs.get('satin-tourer');
  services.jobs.add({ id: 'new-one', document: { ...document, title: 'Just booked' }, bayId, airSource });
  const told: string[] = [];
  services.changes.listen(({ kind }) => told.push(kind));
  const seen = (await services.summaries.found('just booked', 0)).rows;
  // Nothing is made up: what stands in the job is there, the rest is not.
  expect(seen.map(({ id, pending, ready, areaM2 }) => ({ id, pending, ready, areaM2 }))).toEqual([
    { id: 'new-one', pending: true, ready: null, areaM2: 0 },
  ]);
  expect(told).toEqual([]);
  answer(services.questions.summaries(60_000));
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(told).toEqual(['summary']);
  const [after] = (await services.summaries.found('just booked', 0)).rows;
  expect([after!.pending, after!.areaM2 > 0, after!.ready !== null]).toEqual([undefined, true, true]);
  services.summaries.close();
});
