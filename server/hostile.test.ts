/** Inputs made to hurt: huge, endless, untimely, at once. */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import type { OfferRecord } from '#formats/choice';
import { type Problem, ROUTES } from '#formats/api';
import type { Bay, Job, JobRecord, JobSummary } from '#formats/job';
import type { LogEntry, NewEntry } from '#formats/log';
import { yardThatMorning } from '../demo/that-morning';
import { loadWorkshop } from './services/sample-workshop';
import { databaseFolder, filledOnce, type RunningServer, startServer } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const whole = yardThatMorning();
const yard = { ...whole, jobs: whole.jobs.filter(({ id }) => ['hotel-shuttle', 'teal-hatchback'].includes(id)) };
let server: RunningServer;
let call: RunningServer['call'];
const small = filledOnce(
  () => new Date(NOW),
  ({ db, services }) => loadWorkshop(db, services, yard),
);
beforeEach(async () => {
  server = await small.start();
  ({ call } = server);
});
afterAll(small.remove);
afterEach(() => server.stop());

const draft = whole.jobs.find(({ id }) => id === 'satin-tourer')!.draft;
const surface = draft.document.surfaces[0]!;
const jobWith = (changes: Partial<Job>) => ({ ...draft, document: { ...draft.document, ...changes } });
const refusals = async (body: unknown) => {
  const { status, body: problem } = await call<Problem>('PUT', '/api/jobs/hostile', body, 0);
  expect(status).toBe(400);
  return problem.faults!;
};

describe('a job beyond sense is refused with its place', () => {
  test('copies, coats, layers, and all of them together', async () => {
    const many = Array.from({ length: 400 }, (_, n) => ({
      ...surface,
      id: `s${n}`,
      count: 10_000,
      layers: [{ ...surface.layers[0]!, coats: 20 }],
    }));
    expect((await refusals(jobWith({ surfaces: many })))[0]).toEqual({
      path: 'document.surfaces[0].count',
      message: 'expected at most 400 copies',
    });
    const each = many.map((one) => ({ ...one, count: 1 }));
    expect(await refusals(jobWith({ surfaces: each }))).toEqual([
      { path: 'document.surfaces', message: expect.stringMatching(/^8000 coats on all copies together, at most 4000/) },
    ]);
    const deep = { ...surface, layers: Array.from({ length: 2000 }, () => surface.layers[0]!) };
    expect(await refusals(jobWith({ surfaces: [deep] }))).toContainEqual({
      path: 'document.surfaces[0].layers',
      message: 'expected at most 8 entries',
    });
  });

  test('what is just within them is planned, listed and opened in seconds', async () => {
    const surfaces = Array.from({ length: 400 }, (_, n) => ({
      ...surface,
      id: `s${n}`,
      layers: [{ ...surface.layers[0]!, coats: 10 }],
    }));
    expect((await call('PUT', '/api/jobs/hostile', jobWith({ surfaces }), 0)).status).toBe(200);
    const begun = performance.now();
    const { body } = await call<JobSummary[]>('GET', '/api/today');
    expect(body.find(({ id }) => id === 'hostile')!.patchesTotal).toBeGreaterThanOrEqual(400);
    expect(performance.now() - begun).toBeLessThan(20_000);
  });

  test('an outline of more corners than can be seen, and names of more letters than can be read', async () => {
    const round = Array.from({ length: 20_000 }, (_, n): [number, number] => {
      const angle = (2 * Math.PI * n) / 20_000;
      return [1000 * Math.cos(angle), 1000 * Math.sin(angle)];
    });
    const shape = { kind: 'polygon' as const, pointsMm: round };
    expect(await refusals(jobWith({ surfaces: [{ ...surface, shape }] }))).toEqual([
      { path: 'document.surfaces[0].shape.pointsMm', message: 'expected at most 2000 entries' },
    ]);
    expect(await refusals(jobWith({ title: 'a'.repeat(3000) }))).toEqual([
      { path: 'document.title', message: 'expected at most 300 letters' },
    ]);
  });
});

test('a refusal is smaller than what it refuses', async () => {
  const zeros = `{"products":[${'0,'.repeat(3_900_000)}0]}`;
  const { status, body } = await call<Problem>('POST', '/api/shelf', zeros);
  expect(status).toBe(400);
  expect(body.faults).toEqual([
    { path: 'products', message: '3900001 entries, at most 20000 are read; part it into several' },
  ]);
  const wrong = await call<Problem>('POST', '/api/shelf', {
    format: 'glaphyra.shelf/1',
    products: Array(1500).fill(0),
  });
  expect(wrong.body.faults).toHaveLength(101);
  expect(wrong.body.faults!.at(-1)).toEqual({ path: '', message: 'and 1400 more' });
});

test('a body that inflates past its limit is not inflated at all', async () => {
  const bomb = gzipSync(Buffer.alloc(60e6, ' '));
  const sent = async (method: string, address: string) =>
    (
      await fetch(server.base + address, {
        method,
        headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
        body: new Uint8Array(bomb),
      })
    ).status;
  expect(await sent('PUT', '/api/jobs/hostile')).toBe(415);
  // Where nothing takes a body, none is read.
  expect(await sent('POST', '/api/jobs')).toBe(404);
});

test('answers travel compressed, streams as they come', async () => {
  const answer = await fetch(`${server.base}/api/products`, { headers: { 'accept-encoding': 'gzip' } });
  expect(answer.headers.get('content-encoding')).toBe('gzip');
  await answer.body!.cancel();
  const stream = await fetch(`${server.base}/api/changes`, { headers: { 'accept-encoding': 'gzip' } });
  expect(stream.headers.get('content-encoding')).toBeNull();
  await stream.body!.cancel();
});

test('the interface travels as it was compressed when it was built, and plain to whoever takes it so', async () => {
  const folder = databaseFolder();
  const webFolder = path.join(path.dirname(folder.file), 'web');
  mkdirSync(path.join(webFolder, 'assets'), { recursive: true });
  const built = 'export const word = "patch";'.repeat(100);
  writeFileSync(path.join(webFolder, 'index.html'), '<title>Workshop</title>');
  writeFileSync(path.join(webFolder, 'assets', 'part.js'), built);
  writeFileSync(path.join(webFolder, 'assets', 'part.js.gz'), gzipSync(built, { level: 9 }));
  const { base, stop } = await startServer(undefined, undefined, { ...folder, webFolder });
  for (const [takes, as] of [
    ['gzip, br', 'gzip'],
    ['identity', null],
  ] as const) {
    const { headers, status } = await fetch(`${base}/assets/part.js`, { headers: { 'accept-encoding': takes } });
    expect([status, headers.get('content-encoding'), headers.get('content-type')]).toEqual([
      200,
      as,
      expect.stringMatching(/javascript/),
    ]);
    expect(headers.get('cache-control')).toMatch(/immutable/);
    expect(headers.get('vary')).toMatch(/Accept-Encoding/i);
  }
  expect(await (await fetch(`${base}/assets/part.js`)).text()).toBe(built);
  for (const nowhere of ['/assets/part-of-yesterday.js', '/assets/%E0%A4%A', '/jobs/100%/run']) {
    const { status, headers } = await fetch(base + nowhere);
    expect([nowhere, status, headers.get('content-type')]).toEqual([
      nowhere,
      404,
      expect.stringMatching(/problem\+json/),
    ]);
  }
  expect(await (await fetch(`${base}/jobs/any/run`)).text()).toBe('<title>Workshop</title>');
  await stop();
});

describe('the log takes what the job has, when it can have been', () => {
  const send = (entry: NewEntry['entry'], at = NOW, id = 'x') =>
    call<Problem>('POST', '/api/jobs/hotel-shuttle/log', { id, at, entry });
  const stage = { kind: 'wash', round: 1 } as const;

  test('no panel, layer, product or mark that the job has not', async () => {
    const patch = { surface: 'no such panel', layer: 0, coat: 1, copy: 1, section: 1 };
    const start = { product: 'keelstone', sections: 1, areaM2: 1, amount: 5 };
    for (const [entry, says] of [
      [{ type: 'lay-start', patch, start }, /no panel "no such panel"/],
      [{ type: 'lay-start', patch: { ...patch, surface: 'roof-mid' }, start }, /no layer 1 is planned on "roof-mid"/],
      [{ type: 'clear-taken', surface: 'keel', um: 2 }, /no panel "keel"/],
      [
        {
          type: 'mark-outcome',
          surface: 'roof-mid',
          mark: 'm99',
          kind: 'swirls',
          severity: 'light',
          level: 'one-step',
          outcome: 'removed',
        },
        /no mark "m99" on "roof-mid"/,
      ],
    ] as const) {
      expect(await send(entry)).toMatchObject({ status: 409, body: { detail: expect.stringMatching(says) } });
    }
    const { body } = await call<JobRecord>('GET', '/api/jobs/hotel-shuttle');
    const { version, document, bayId, airSource } = body;
    const edited = { bayId, airSource, document: { ...document, title: 'Shuttle, again' } };
    expect((await call('PUT', '/api/jobs/hotel-shuttle', edited, version)).status).toBe(200);
  });

  test('no time that lies ahead, or before what it ends', async () => {
    expect(
      (await send({ type: 'stage-start', stage, predictedMin: 19 }, '2027-03-02T09:00:00+01:00', 'a')).status,
    ).toBe(201);
    for (const [at, says] of [
      ['9999-12-31T23:59:59+01:00', /lies in the future/],
      ['2037-03-02T10:00:00+01:00', /lies in the future/],
      ['2027-03-02T08:00:00+01:00', /would end before it began/],
      ['1999-03-02T08:00:00+01:00', /more than a year before/],
    ] as const) {
      expect(await send({ type: 'stage-end', stage }, at, at)).toMatchObject({
        status: 409,
        body: { detail: expect.stringMatching(says) },
      });
    }
    expect((await send({ type: 'stage-end', stage }, NOW, 'b')).status).toBe(201);
  });

  test('an entry whose panel was lost can be set aside, on record, and the job edited again', async () => {
    const { body: job } = await call<JobRecord>('GET', '/api/jobs/teal-hatchback');
    const { version, document, bayId, airSource } = job;
    const { body: log } = await call<LogEntry[]>('GET', '/api/jobs/teal-hatchback/log');
    const laid = log.find(({ entry }) => entry.type === 'lay-start')!;
    const lost = laid.entry.type === 'lay-start' ? laid.entry.patch.surface : '';
    const without = {
      bayId,
      airSource,
      document: { ...document, surfaces: document.surfaces.filter(({ id }) => id !== lost) },
    };
    expect((await call('PUT', '/api/jobs/teal-hatchback', without, version)).status).toBe(409);
    for (const { id, entry } of log) {
      if (!('patch' in entry) || entry.patch.surface !== lost) continue;
      const aside = { type: 'set-aside', entry: id, reason: 'the panel is another one' };
      expect(
        (await call('POST', '/api/jobs/teal-hatchback/log', { id: `aside-${id}`, at: NOW, entry: aside })).status,
      ).toBe(201);
    }
    expect((await call('PUT', '/api/jobs/teal-hatchback', without, version)).status).toBe(200);
    const { body: after } = await call<LogEntry[]>('GET', '/api/jobs/teal-hatchback/log');
    expect(after.filter(({ id }) => id === laid.id)).toHaveLength(1);
  });
});

test('what jobs teach is not worked out anew at every question, and follows what is logged', async () => {
  const learned = () => server.services.runLog.learnedPreparation();
  const before = learned();
  expect(learned()).toBe(before);
  const post = (id: string, at: string, entry: NewEntry['entry']) =>
    call('POST', '/api/jobs/hotel-shuttle/log', { id, at, entry });
  const stage = { kind: 'clay', round: 1 } as const;
  await post('a', '2027-03-02T09:00:00+01:00', { type: 'stage-start', stage, predictedMin: 20 });
  expect(learned()).toBe(before);
  await post('b', '2027-03-02T10:00:00+01:00', { type: 'stage-end', stage });
  const after = learned();
  expect(before.hours.clay).toBeUndefined();
  expect(after.hours.clay).toMatchObject({ observations: 1 });
  expect(after.hours.clay!.factor).toBeGreaterThan(1);
  await post('c', NOW, { type: 'undo', entry: 'b' });
  expect(learned()).toEqual(before);
});

describe('what stands under a version', () => {
  test('a stale offer, sheet, entry of the kit or bay is told what changed and nothing else', async () => {
    const { body: offers } = await call<OfferRecord[]>('GET', '/api/offers');
    const { id, version, offer } = offers[0]!;
    const put = (changes: object, edited: number) =>
      call<Problem>('PUT', `/api/offers/${id}`, { ...offer, ...changes }, edited);
    expect((await put({ marginPct: 11 }, version)).status).toBe(200);
    expect((await put({ wastePct: 9 }, version)).body).toMatchObject({ status: 412, changed: ['marginPct'] });

    const { body: products } = await call<{ id: string; version: number; sheet: object }[]>('GET', '/api/products');
    const [sheet] = products;
    await call('PUT', `/api/products/${sheet!.id}`, { ...sheet!.sheet, ratedMonths: 41 }, sheet!.version);
    const stale = await call<Problem>('PUT', `/api/products/${sheet!.id}`, sheet!.sheet, sheet!.version);
    expect(stale.body).toMatchObject({ status: 412, changed: ['ratedMonths'] });
  });

  test('nothing is made under an id that leads elsewhere; a bay no job stands in goes again', async () => {
    const [{ name, climate }] = (await call<Bay[]>('GET', '/api/bays')).body as [Bay];
    const odd = encodeURIComponent('../../etc');
    for (const path of [`/api/bays/${odd}`, '/api/templates/a%20b', `/api/offers/${odd}`]) {
      const answer = await call<Problem>('PUT', path, { name, climate }, 0);
      expect(answer.status).toBe(400);
    }
    expect((await call('PUT', '/api/bays/annexe', { name: 'Annexe', climate }, 0)).status).toBe(200);
    expect((await call('DELETE', '/api/bays/annexe', undefined, 1)).status).toBe(204);
    expect(await call<Problem>('DELETE', '/api/bays/bay-1', undefined, 1)).toMatchObject({
      status: 409,
      body: { detail: expect.stringMatching(/stands? in this bay/) },
    });
  });
});

test('control signs in a name leave the drawing well-formed', async () => {
  const surfaces = [{ ...surface, name: 'Tank\u0001\u000b\u001f<&>' }];
  expect((await call('PUT', '/api/jobs/hostile', jobWith({ surfaces }), 0)).status).toBe(200);
  const svg = await (await fetch(`${server.base}/api/jobs/hostile/net.svg`)).text();
  expect(svg).toContain('&lt;&amp;&gt;');
  // eslint-disable-next-line no-control-regex -- these very signs are looked for
  expect(svg).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/);
});

test('a line break in an address names nothing that is there: it is no fault of the server', async () => {
  const addresses = Object.values(ROUTES).flatMap(({ method, path: to }) =>
    method === 'get' && to.includes('{') ? [to.replaceAll(/\{\w+\}/g, 'a%0D%0Ab')] : [],
  );
  expect(addresses.length).toBeGreaterThan(20);
  for (const address of addresses) {
    const { status } = await fetch(server.base + address);
    expect([address, status < 500]).toEqual([address, true]);
  }
});
