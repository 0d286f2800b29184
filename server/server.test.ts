import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync } from 'node:fs';
import { request } from 'node:http';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import type { Problem } from '#formats/api';
import type { JobRecord, JobSummary, ShelfProduct } from '#formats/job';
import { parted } from '#formats/shelf';
import type { LogEntry } from '#formats/log';
import { yardThatMorning } from '../demo/that-morning';
import tapedTourer from '../e2e/jobs/taped-tourer.json';
import { runLog } from './db/schema';
import { loadWorkshop } from './services/sample-workshop';
import { client, databaseFolder, draftOf, type RunningServer, startServer, STOCKED } from './testing/client';

// Generous: the machine may be busy with a browser.

const NOW = '2027-03-02T10:40:00+01:00';
const yard = yardThatMorning();
const tourer = { draft: draftOf(tapedTourer) };

let server: RunningServer;
let call: RunningServer['call'];

beforeEach(async () => {
  server = await startServer(() => new Date(NOW));
  ({ call } = server);
});
afterEach(() => server.stop());

const problem = async (answer: Promise<{ status: number; body: unknown }>) => {
  const { status, body } = await answer;
  return { ...(body as Problem), status };
};

/** An API on which the satin tourer stands in bay 2. */
async function withTourer(): Promise<JobRecord> {
  const { id, ...bay } = yard.bays.find((one) => one.id === 'bay-2')!;
  await call('PUT', `/api/bays/${id}`, bay, 0);
  const made = await call<JobRecord>('PUT', '/api/jobs/tourer', tourer.draft, 0);
  expect(made.status).toBe(200);
  return made.body;
}

const patch = { surface: 'tank', layer: 0, coat: 1, copy: 1, section: 1 };
const layStart = (id: string) => ({
  id,
  at: NOW,
  entry: { type: 'lay-start', patch, start: { product: 'slack-water', sections: 1, areaM2: 0.62, amount: 5.2 } },
});
const step = (id: string, type: string) => ({ id, at: NOW, entry: { type, patch } });

describe('jobs', () => {
  test('are made once however often they are sent, and read back whole', async () => {
    const made = await withTourer();
    expect(made.document).toEqual(tourer.draft.document);
    const again = await call<JobRecord>('PUT', '/api/jobs/tourer', tourer.draft, 0);
    expect(again.body.version).toBe(1);
    const other = { ...tourer.draft, document: { ...tourer.draft.document, title: 'Another' } };
    expect((await call('PUT', '/api/jobs/tourer', other, 0)).status).toBe(409);
    const { body: list } = await call<JobSummary[]>('GET', '/api/today');
    expect(list).toMatchObject([{ id: 'tourer', phase: 'planned', stops: 0, patchesDone: 0, dusty: [] }]);
  });

  test('its summary says when a job makes dust beside others: while its paint is cut, before anything is laid on it', async () => {
    const { document } = await withTourer();
    const [tank] = document.surfaces;
    const polished = {
      ...tourer.draft,
      document: {
        ...document,
        surfaces: [
          {
            ...tank,
            id: 'lid',
            substrate: 'clear-gloss',
            marks: [{ id: 'm', kind: 'swirls', severity: 'medium', at: [0.5, 0.5] }],
          },
        ],
        prepare: { level: 'one-step' },
      },
    };
    expect((await call('PUT', '/api/jobs/polished', polished, 0)).status).toBe(200);
    const { body: list } = await call<JobSummary[]>('GET', '/api/today');
    const { dusty } = list.find(({ id }) => id === 'polished')!;
    expect(dusty.length).toBeGreaterThan(0);
    for (const { from, until } of dusty) expect(Date.parse(until)).toBeGreaterThan(Date.parse(from));
    expect(Date.parse(dusty[0]!.from)).toBeGreaterThanOrEqual(Date.parse(document.startAt));
  });

  test('a stale write is refused with what changed, and writes nothing', async () => {
    const { document } = await withTourer();
    const renamed = { ...tourer.draft, document: { ...document, title: 'Renamed' } };
    expect((await call<JobRecord>('PUT', '/api/jobs/tourer', renamed, 1)).body.version).toBe(2);
    const late = { ...tourer.draft, document: { ...document, currency: 'GBP' } };
    expect(await problem(call('PUT', '/api/jobs/tourer', late, 1))).toMatchObject({
      status: 412,
      version: 2,
      changed: ['document.title'],
    });
    expect((await call<JobRecord>('GET', '/api/jobs/tourer')).body.document).toMatchObject({
      title: 'Renamed',
      currency: 'EUR',
    });
    expect((await call('PUT', '/api/jobs/tourer', renamed)).status).toBe(428);
  });

  test('every fault of a bad job comes at once, with its place, and nothing is kept', async () => {
    const [first, ...rest] = tourer.draft.document.surfaces;
    const bad = {
      ...tourer.draft.document,
      surfaces: [{ ...first, shape: { kind: 'rectangle', aMm: -1, bMm: 2 }, colour: 'green' }, ...rest],
      products: [],
    };
    const { status, faults } = await problem(call('PUT', '/api/jobs/bad', { document: bad }, 0));
    expect(status).toBe(400);
    expect(faults!.map(({ path }) => path)).toEqual(
      expect.arrayContaining([
        'document.surfaces[0].shape.aMm',
        'document.surfaces[0].colour',
        'document.surfaces[0].layers[0].product',
      ]),
    );
    expect((await call('GET', '/api/jobs/bad')).status).toBe(404);
    expect(await problem(call('PUT', '/api/jobs/bad', '{"id":', 0))).toMatchObject({ status: 400 });
    expect(await problem(call('PUT', '/api/jobs/..%2Fetc', tourer.draft, 0))).toMatchObject({ status: 400 });
  });

  test('plan as the command line does, and are exported as they came', async () => {
    await withTourer();
    const { body: plan } = await call<{ surfaces: { id: string }[] }>('GET', '/api/jobs/tourer/plan');
    const { body: file } = await call('GET', '/api/jobs/tourer/file');
    const { body: planned } = await call('POST', '/api/plan', file);
    expect(planned).toEqual(plan);
    expect(plan.surfaces.map(({ id }) => id)).toEqual(['tank', 'case-lid', 'screen', 'rim']);
    const first = await call<{ format: string }>('GET', '/api/jobs/tourer/plan?as=1');
    expect(first.body.format).toBe('glaphyra.plan/1');
    expect(await problem(call('GET', '/api/jobs/tourer/plan?as=3'))).toMatchObject({ status: 400 });
  });
});

describe('the run log', () => {
  test('takes each entry once, in an order that makes sense, and only grows', async () => {
    await withTourer();
    const post = (entry: unknown) => call<LogEntry>('POST', '/api/jobs/tourer/log', entry);
    const first = await post(layStart('a'));
    expect(first.status).toBe(201);
    expect((await post(layStart('a'))).body).toEqual(first.body);
    expect(await problem(post(layStart('b')))).toMatchObject({
      status: 409,
      detail: expect.stringMatching(/being laid/),
    });
    expect((await post(step('c', 'lay-end'))).status).toBe(201);
    expect((await post({ id: 'd', at: NOW, entry: { type: 'undo', entry: 'a' } })).status).toBe(409);
    expect((await post({ id: 'e', at: NOW, entry: { type: 'undo', entry: 'c' } })).status).toBe(201);
    const { body: log } = await call<LogEntry[]>('GET', '/api/jobs/tourer/log');
    expect(log.map(({ id }) => id)).toEqual(['a', 'c', 'e']);
    expect(() => server.db.delete(runLog).run()).toThrow(/append-only/);
    expect(() => server.db.update(runLog).set({ at: NOW }).run()).toThrow(/append-only/);
    const before = server.db.select().from(runLog).all();
    for (const by of ['seq', 'id'])
      expect(() =>
        server.db.run(
          sql.raw(
            `insert or replace into run_log (seq, id, job_id, at, recorded_at, entry) select ${by === 'seq' ? 'seq' : 'null'}, ${by === 'id' ? 'id' : "'z'"}, job_id, '2001-01-01', '', entry from run_log limit 1`,
          ),
        ),
      ).toThrow(expect.objectContaining({ cause: expect.objectContaining({ message: 'the run log is append-only' }) }));
    expect(server.db.select().from(runLog).all()).toEqual(before);
  });

  test('what has been laid cannot be planned away', async () => {
    const { document } = await withTourer();
    await call('POST', '/api/jobs/tourer/log', layStart('a'));
    const surfaces = document.surfaces.map((surface) => ({ ...surface, layers: [] }));
    const bare = { ...tourer.draft, document: { ...document, surfaces } };
    expect(await problem(call('PUT', '/api/jobs/tourer', bare, 1))).toMatchObject({
      status: 409,
      faults: [{ path: 'document.surfaces[0].layers[0]', message: expect.stringMatching(/has been laid/) }],
    });
    expect((await call('DELETE', '/api/jobs/tourer', undefined, 1)).status).toBe(409);
  });

  test('an acknowledged entry outlives a kill at any moment', async () => {
    const { file, remove } = databaseFolder();
    cpSync(STOCKED, path.dirname(file), { recursive: true });
    const start = async () => {
      const child = spawn(process.execPath, ['.cache/bin/server/main.js'], {
        env: { ...process.env, PORT: '0', GLAPHYRA_DB: file, GLAPHYRA_NOW: NOW },
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      let told = '';
      const base = await new Promise<string>((resolve) => {
        child.stdout.on('data', (chunk) => {
          told += String(chunk);
          const address = /http:\/\/127\.0\.0\.1:[1-9]\d*/.exec(told)?.[0];
          if (address) resolve(address);
        });
      });
      return { child, call: client(base) };
    };
    try {
      const acknowledged: string[] = [];
      for (const round of [1, 2]) {
        const { child, call } = await start();
        const kept = (await call<LogEntry[]>('GET', '/api/jobs/satin-tourer/log')).body.map(({ id }) => id);
        expect(kept).toEqual(expect.arrayContaining(acknowledged));
        const sending = (async () => {
          for (let n = 1; ; n++) {
            const id = `air-${round}-${n}`;
            const air = { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 };
            const { status } = await call('POST', '/api/jobs/satin-tourer/log', { id, at: NOW, entry: air });
            if (status === 201) acknowledged.push(id);
          }
        })().catch(() => undefined);
        while (acknowledged.length < 25 * round) await new Promise((resolve) => setTimeout(resolve, 5));
        child.kill('SIGKILL');
        await Promise.all([once(child, 'exit'), sending]);
      }
      const { child, call } = await start();
      const { body: log } = await call<LogEntry[]>('GET', '/api/jobs/satin-tourer/log');
      expect(log.map(({ id }) => id)).toEqual(expect.arrayContaining(acknowledged));
      child.kill('SIGTERM');
      expect(await once(child, 'exit')).toEqual([0, null]);
    } finally {
      remove();
    }
  });
});

describe('the workshop', () => {
  test('the sample loads whole into an empty database, once', async () => {
    expect(loadWorkshop(server.db, server.services, yard)).toBe(true);
    expect(loadWorkshop(server.db, server.services, yard)).toBe(false);
    const {
      body: { rows: list },
    } = await call<{ rows: JobSummary[] }>('GET', '/api/jobs');
    expect(list).toHaveLength(yard.jobs.length);
    const running = list.find(({ id }) => id === 'teal-hatchback')!;
    expect(running.patchesDone).toBeGreaterThan(0);
    expect(running.patchesDone).toBeLessThan(running.patchesTotal);
  });

  test('sheets are versioned, and jobs keep the copy they were planned with', async () => {
    const { sheet } = parted(yard.shelf[0]!);
    await call('PUT', `/api/products/${sheet.id}`, sheet, 0);
    const changed = { ...sheet, name: 'Renamed' };
    expect((await call<ShelfProduct>('PUT', `/api/products/${sheet.id}`, changed, 1)).body.version).toBe(2);
    expect((await call('PUT', `/api/products/${sheet.id}`, sheet, 1)).status).toBe(412);
    const twisted = { ...sheet, milestones: [...sheet.milestones, sheet.milestones[0]] };
    expect(await problem(call('PUT', `/api/products/${sheet.id}`, twisted, 2))).toMatchObject({
      status: 400,
      faults: [{ path: `milestones[${sheet.milestones.length}].name` }],
    });
    expect((await call('DELETE', `/api/products/${sheet.id}`, undefined, 2)).status).toBe(204);
  });

  test('the thermo-hygrometer streams, and changes are told', async () => {
    await withTourer();
    const events = async (address: string, wanted: string, act: () => Promise<unknown> = async () => undefined) => {
      const response = await fetch(server.base + address);
      await act();
      let text = '';
      for await (const chunk of response.body!) {
        text += Buffer.from(chunk).toString();
        const data = new RegExp(`event: ${wanted}\\ndata: (.*)\\n`).exec(text)?.[1];
        if (data) return JSON.parse(data) as Record<string, unknown>;
      }
      throw new Error('the stream ended');
    };
    expect(await events('/api/bays/bay-2/thermo-hygrometer/stream', 'reading')).toMatchObject({
      airC: expect.any(Number),
      rhPct: expect.any(Number),
      surfaceC: expect.any(Number),
    });
    const log = () => call('POST', '/api/jobs/tourer/log', layStart('a'));
    expect(await events('/api/changes', 'change', log)).toEqual({ kind: 'log', id: 'tourer' });
  });

  test('the gauge reads paint on metal, and says nothing of plastic', async () => {
    const take = (spot: object) =>
      call<{ um: number | null }>('POST', '/api/thickness-gauge/readings', {
        panel: 'roof',
        paint: 'factory',
        nth: 1,
        ...spot,
      });
    const first = await take({ substrate: 'clear-gloss' });
    expect(first.body.um).toBeGreaterThan(80);
    expect(first.body.um).toBeLessThan(180);
    expect((await take({ substrate: 'clear-gloss' })).body).toEqual(first.body);
    expect((await take({ substrate: 'clear-gloss', paint: 'refinished' })).body.um).toBeGreaterThan(180);
    expect((await take({ substrate: 'textured-plastic' })).body.um).toBeNull();
    expect((await take({ substrate: 'clear-gloss', nth: 0 })).status).toBe(400);
  });

  test('the walk-round sheet and the net are drawn for any job, marked or bare', async () => {
    loadWorkshop(server.db, server.services, yard);
    for (const id of ['teal-hatchback', 'hotel-shuttle']) {
      const response = await fetch(`${server.base}/api/jobs/${id}/walk-round.pdf`);
      expect(response.headers.get('content-type')).toMatch(/application\/pdf/);
      const bytes = Buffer.from(await response.arrayBuffer());
      expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
      expect(bytes.subarray(-6).toString()).toMatch(/%%EOF/);
    }
    for (const [file, type, begins] of [
      ['net.svg', 'image/svg+xml', '<?xml'],
      ['net.dxf', 'image/vnd.dxf', '0\nSECTION'],
      ['surfaces.csv', 'text/csv', 'id,name,made of'],
    ] as const) {
      const response = await fetch(`${server.base}/api/jobs/hotel-shuttle/${file}`);
      expect(response.headers.get('content-type')).toContain(type);
      expect(response.headers.get('content-disposition')).toContain(file);
      expect((await response.text()).startsWith(begins)).toBe(true);
    }
    for (const paper of ['walk-round.pdf', 'offers.pdf']) {
      expect((await call('GET', `/api/jobs/nobody/${paper}`)).status).toBe(404);
    }
    // However many panels an item has, the owner gets its offers on one page.
    for (const id of ['teal-hatchback', 'hotel-shuttle', 'two-seater']) {
      const response = await fetch(`${server.base}/api/jobs/${id}/offers.pdf`);
      expect(response.headers.get('content-type')).toMatch(/application\/pdf/);
      const paper = Buffer.from(await response.arrayBuffer()).toString('latin1');
      expect(paper.match(/\/Type \/Page\n/g)).toHaveLength(1);
    }
  });

  test('describes itself, and refuses unknown addresses and foreign hosts', async () => {
    const { body } = await call<{ paths: Record<string, object> }>('GET', '/api/openapi.json');
    expect(Object.keys(body.paths)).toEqual(expect.arrayContaining(['/api/jobs/{id}/log', '/api/products/{id}']));
    expect(await problem(call('GET', '/api/nothing'))).toMatchObject({ status: 404, type: '/problems/not-found' });
    const foreign = request(server.base + '/api/jobs', { headers: { host: 'elsewhere.example' } });
    foreign.end();
    const [response] = (await once(foreign, 'response')) as [{ statusCode: number; resume(): void }];
    response.resume();
    expect(response.statusCode).toBe(421);
  });

  test('a page of another origin gets nothing done, neither what changes something nor what is only read', async () => {
    const host = new URL(server.base).host;
    const asked = async (method: string, path: string, headers: Record<string, string>, body?: string) => {
      const sent = request(server.base + path, { method, headers });
      sent.end(body);
      const [response] = (await once(sent, 'response')) as [{ statusCode: number; resume(): void }];
      response.resume();
      return response.statusCode;
    };
    const json = { 'content-type': 'application/json', 'if-match': '"0"' };
    const job = JSON.stringify({ ...tourer.draft, bayId: null, airSource: 'typed' });
    for (const origin of ['https://elsewhere.example', 'null', `https://${host}`, 'http://127.0.0.1:1']) {
      expect([origin, await asked('PUT', '/api/jobs/planted', { ...json, origin }, job)]).toEqual([origin, 403]);
      expect(await asked('GET', '/api/jobs', { origin })).toBe(403);
    }
    // A form or a picture of a foreign page names no origin on reading; the browser says where it comes from.
    for (const site of ['cross-site', 'same-site']) {
      expect(await asked('GET', '/api/jobs', { 'sec-fetch-site': site })).toBe(403);
      expect(
        await asked('PUT', '/api/jobs/x/photos/x', { 'sec-fetch-site': site, 'content-type': 'text/plain' }, 'x'),
      ).toBe(403);
    }
    expect((await call('GET', '/api/jobs/planted')).status).toBe(404);
    // Our own pages, a link typed in, and what is no browser go on.
    expect(
      await asked(
        'PUT',
        '/api/jobs/planted',
        { ...json, origin: `http://${host}`, 'sec-fetch-site': 'same-origin' },
        job,
      ),
    ).toBe(200);
    expect(await asked('GET', '/api/jobs', { 'sec-fetch-site': 'none' })).toBe(200);
  });
});
