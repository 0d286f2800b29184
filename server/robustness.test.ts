import fc from 'fast-check';
import type { Problem } from '#formats/api';
import type { Bay, Job, JobRecord, JobSummary } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { type RunningServer, startStocked } from './testing/client';

// Generous: the machine may be busy with a browser.

const NOW = '2027-03-02T10:40:00+01:00';
const START_MS = Date.parse(NOW);

let server: RunningServer;
let call: RunningServer['call'];
let nowMs = START_MS;

beforeAll(async () => {
  server = await startStocked(() => new Date(nowMs));
  ({ call } = server);
  await server.services.summaries.worked();
});
afterAll(() => server.stop());
beforeEach(() => (nowMs = START_MS));

const jobOf = async (id: string) => (await call<JobRecord>('GET', `/api/jobs/${id}`)).body;
const draftOf = ({ document, bayId, airSource }: JobRecord) => ({ document, bayId, airSource });

describe('whatever is sent', () => {
  const doors: [method: string, path: string, versioned: boolean][] = [
    ['PUT', '/api/jobs/hotel-shuttle', true],
    ['POST', '/api/jobs/hotel-shuttle/log', false],
    ['POST', '/api/shelf', false],
    ['PUT', '/api/products/lantern', true],
    ['PUT', '/api/bays/bay-1', true],
    ['POST', '/api/plan', false],
    ['POST', '/api/thickness-gauge/readings', false],
  ];

  test.each(doors)(
    '%s %s answers junk with a problem of its own making, and keeps nothing',
    async (method, path, versioned) => {
      const before = await Promise.all([
        call('GET', '/api/today'),
        call('GET', '/api/products'),
        call('GET', '/api/bays'),
      ]);
      await fc.assert(
        fc.asyncProperty(fc.jsonValue({ maxDepth: 3 }), async (junk) => {
          const { status, body } = await call<Problem>(method, path, JSON.stringify(junk), versioned ? 1 : undefined);
          expect(status).toBeGreaterThanOrEqual(400);
          expect(status).toBeLessThan(500);
          expect(body.title).not.toBe('');
        }),
        { numRuns: 25 },
      );
      const after = await Promise.all([
        call('GET', '/api/today'),
        call('GET', '/api/products'),
        call('GET', '/api/bays'),
      ]);
      expect(after).toEqual(before);
    },
  );

  test('a job broken in one place anywhere is refused with a path that leads there, or was not broken', async () => {
    const { document } = await jobOf('satin-tourer');
    const places = fc.constantFrom<readonly (string | number)[]>(
      ['title'],
      ['startAt'],
      ['surfaces', 0, 'shape'],
      ['surfaces', 1, 'count'],
      ['surfaces', 0, 'layers', 0, 'product'],
      ['products', 0, 'clocks'],
      ['products', 0, 'milestones', 0, 'min'],
      ['ambient', 0, 'rhPct'],
      ['crew', 'mode'],
      ['owner', 'needsBy'],
    );
    await fc.assert(
      fc.asyncProperty(places, fc.jsonValue({ maxDepth: 2 }), async (place, value) => {
        const broken = structuredClone(document) as unknown as Record<string, never>;
        const parent = place.slice(0, -1).reduce<Record<string | number, never>>((at, key) => at[key]!, broken);
        parent[place.at(-1)!] = value as never;
        const { status, body } = await call<Problem>('POST', '/api/plan', broken);
        if (status === 200) return;
        expect(status).toBe(400);
        expect(body.faults!.some(({ path }) => path.startsWith(String(place[0])))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  test('a body that is no JSON, too large, or goes nowhere is told so', async () => {
    expect((await call<Problem>('POST', '/api/plan', '{')).body.detail).toBe('The body is not JSON.');
    const huge = JSON.stringify({ id: 'x'.repeat(9_000_000) });
    expect((await call<Problem>('POST', '/api/plan', huge)).status).toBe(413);
    for (const method of ['PATCH', 'DELETE']) expect((await call(method, '/api/jobs')).status).toBe(404);
    expect((await call('GET', '/api/jobs/..%2F..%2Fetc%2Fpasswd')).status).toBe(404);
  });
});

describe('several at once', () => {
  test('of fifty taps sent at the same moment, each is logged once, in one order for all', async () => {
    const send = (n: number) =>
      call('POST', '/api/jobs/two-seater/log', {
        id: `air-${n % 25}`,
        at: NOW,
        entry: { type: 'air', airC: 18, rhPct: 60, airSpeed: 0.1 },
      });
    const answers = await Promise.all(Array.from({ length: 50 }, (_, n) => send(n)));
    expect(answers.every(({ status }) => status === 201)).toBe(true);
    const { body: log } = await call<LogEntry[]>('GET', '/api/jobs/two-seater/log');
    expect(log).toHaveLength(25);
    expect(log.map(({ seq }) => seq)).toEqual([...log].map(({ seq }) => seq).sort((a, b) => a - b));
  });

  test('of ten edits of one version one is taken and nine are told what changed', async () => {
    const current = await jobOf('hotel-shuttle');
    const edit = (title: string) =>
      call<Problem>(
        'PUT',
        '/api/jobs/hotel-shuttle',
        { ...draftOf(current), document: { ...current.document, title } },
        current.version,
      );
    const answers = await Promise.all(Array.from({ length: 10 }, (_, n) => edit(`Shuttle ${n}`)));
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
    const refused = answers.filter(({ status }) => status === 412);
    expect(refused).toHaveLength(9);
    for (const { body } of refused)
      expect(body).toMatchObject({ version: current.version + 1, changed: ['document.title'] });
  });

  test('an edit based on a version long gone is refused all the same', async () => {
    for (let n = 0; n < 25; n++) {
      const current = await jobOf('hotel-shuttle');
      const document: Job = { ...current.document, title: `Shuttle, ${n}` };
      expect(
        (await call('PUT', '/api/jobs/hotel-shuttle', { ...draftOf(current), document }, current.version)).status,
      ).toBe(200);
    }
    const current = await jobOf('hotel-shuttle');
    const { status, body } = await call<Problem>('PUT', '/api/jobs/hotel-shuttle', draftOf(current), 1);
    expect([status, body.changed]).toEqual([412, ['all of it']]);
  });
});

describe('time goes by', () => {
  test('what a job looks like in brief follows the clock, the plan and the log', async () => {
    const summary = async () =>
      (await call<{ rows: JobSummary[] }>('GET', '/api/jobs?find=topsides')).body.rows.find(
        ({ id }) => id === 'marrow-launch',
      )!;
    const curing = await summary();
    expect(curing.phase).toBe('curing');
    nowMs = Date.parse(curing.handover!) + 60_000;
    expect((await summary()).phase).toBe('ready');
    // Three weeks on, the weather was another than it was forecast to be: hours sooner or later.
    nowMs = Date.parse(curing.firstWash!) + 86_400_000;
    expect((await summary()).phase).toBe('in-care');
  });

  test('a bay keeps its versions too, and its instrument follows its climate', async () => {
    const { body: bays } = await call<Bay[]>('GET', '/api/bays');
    const bay = bays.find(({ id }) => id === 'bay-2')!;
    const { id, version, ...draft } = bay;
    const warm = { ...draft, climate: { ...draft.climate, openC: 30, nightC: 28 } };
    const read = async () => (await call<{ airC: number }>('GET', `/api/bays/${id}/thermo-hygrometer`)).body.airC;
    const before = await read();
    expect((await call('PUT', `/api/bays/${id}`, warm, version)).status).toBe(200);
    expect(await read()).toBeGreaterThan(before + 5);
    const { status, body } = await call<Problem>('PUT', `/api/bays/${id}`, draft, version);
    expect([status, body.changed]).toEqual([412, ['climate.openC', 'climate.nightC']]);
    const never = { ...draft, climate: { ...draft.climate, opensAtHour: 18, closesAtHour: 8 } };
    expect((await call<Problem>('PUT', `/api/bays/${id}`, never, version + 1)).body.faults).toEqual([
      { path: 'climate.closesAtHour', message: 'must be later than it opens' },
    ]);
  });
});
