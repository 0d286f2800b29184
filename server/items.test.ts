import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { sql } from 'drizzle-orm';

import { isSignedBy } from '#formats/signature';
import type { Problem } from '#formats/api';
import {
  type CareDue,
  type ItemHistory,
  type ItemLife,
  type ItemSummary,
  type JobRecord,
  keptTemplate,
  type KeptTemplate,
  type OwnerData,
  type OwnerDataRemoved,
} from '#formats/job';
import type { LogEntry } from '#formats/log';
import type { Handover, PassportFile } from '#formats/passport';
import { withTakenOff } from '#job/plan';
import { jobAgain } from '#job/return';
import { yardThatMorning } from '../demo/that-morning';
import { handovers, photos, runLog } from './db/schema';
import { type RunningServer, startStocked } from './testing/client';

// Generous: the machine may be busy with a browser.

const NOW = '2027-03-02T10:40:00+01:00';
const yard = yardThatMorning();

let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(NOW));
});
afterAll(() => server.stop());

test('an item is found once with all its visits, the last first', async () => {
  const {
    body: { rows: items, found },
  } = await server.call<{ rows: ItemSummary[]; found: number }>('GET', '/api/items');
  expect(found).toBe(items.length);
  expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
  const hatchback = items.find(({ name }) => name === 'Teal hatchback')!;
  expect(hatchback).toMatchObject({ ownerName: 'Imke Varga', visits: 2, lastJobId: 'teal-hatchback' });

  const { body } = await server.call<ItemHistory>('GET', `/api/items/${hatchback.id}`);
  expect(body.history.map(({ jobId }) => jobId)).toEqual(['teal-hatchback', 'teal-hatchback-sealant']);
  const [now, before] = body.history.map(({ surfaces }) => surfaces.find(({ surface }) => surface === 'bonnet')!);
  expect(before).toMatchObject({ medianUm: 116, readings: 3, marks: ['swirls'] });
  expect(before!.laid).toMatchObject([{ product: 'Breakwater Sealant', family: 'sealant', doneShare: 1 }]);
  expect(now!.laid.map(({ family }) => family)).toEqual(['ceramic-base']);
});

test('a renewal that is planned for another year is no history: the item is as it was left, on its passport and in care too', async () => {
  const { body: estate } = await server.call<JobRecord>('GET', '/api/jobs/slate-estate');
  const { body: log } = await server.call<LogEntry[]>('GET', '/api/jobs/slate-estate/log');
  const itemId = estate.document.item!.id!;
  const { document, bayId, airSource } = estate;
  const planned = jobAgain(document, log, { what: 'renewal', startAt: '2028-03-06T08:00:00+01:00' });
  const ids = planned.surfaces.map(({ id }) => id);
  const renewal = {
    document: { ...planned, prepare: withTakenOff(planned.prepare, ids, 'all') },
    bayId,
    airSource,
  };
  const care = async () =>
    (await server.call<{ rows: CareDue[] }>('GET', '/api/care')).body.rows.map(({ jobId }) => jobId);
  const bonnetOf = async (job: string) =>
    (await server.call<PassportFile>('GET', `/api/jobs/${job}/passport.json`)).body.passport.panels.find(
      ({ surface }) => surface === 'bonnet',
    );
  const before = await bonnetOf('slate-estate');
  expect(before!.layers.length + before!.found.length).toBeGreaterThan(0);
  expect(await care()).toContain('slate-estate');
  expect((await server.call('PUT', '/api/jobs/estate-renewal', renewal, 0)).status).toBe(200);
  const { body: history } = await server.call<ItemHistory>('GET', `/api/items/${itemId}`);
  expect(history).toMatchObject({ lastJobId: 'slate-estate' });
  expect(history.history.map(({ jobId, begun }) => [jobId, begun])).toEqual([
    ['estate-renewal', false],
    ['slate-estate', true],
  ]);
  const { body: items } = await server.call<{ rows: ItemSummary[] }>('GET', '/api/items?find=slate');
  expect(items.rows[0]).toMatchObject({ lastJobId: 'slate-estate', visits: 1 });
  expect(await care()).toContain('slate-estate');
  expect(await bonnetOf('slate-estate')).toEqual({ ...before, comesOff: expect.anything() });
  // What is to be renewed lies there until it is stripped, and its passport says so.
  const { found } = (await bonnetOf('estate-renewal'))!;
  expect(found).toEqual([...before!.found, ...before!.layers.map(({ family }) => family)]);
  const { body: life } = await server.call<ItemLife>('GET', `/api/items/${itemId}/life`);
  expect(life.visits.map(({ jobId }) => jobId)).toEqual(['slate-estate']);
});

test('no item, no history', async () => {
  const { status, body } = await server.call<Problem>('GET', '/api/items/nobody');
  expect([status, body.detail]).toEqual([404, 'There is no item "nobody".']);
});

test('a template is kept once however often it is sent, listed by name, and taken away', async () => {
  const draft = keptTemplate('Hatchback of the yard', yard.jobs[0]!.draft.document);
  const put = () => server.call<KeptTemplate>('PUT', '/api/templates/ours', draft);
  expect((await put()).status).toBe(200);
  expect((await put()).body).toMatchObject({ id: 'ours', name: 'Hatchback of the yard' });
  const { body } = await server.call<KeptTemplate[]>('GET', '/api/templates');
  expect(body).toHaveLength(1);
  expect(body[0]!.surfaces).toHaveLength(draft.surfaces.length);
  expect((await server.call('DELETE', '/api/templates/ours')).status).toBe(204);
  expect((await server.call('DELETE', '/api/templates/ours')).status).toBe(404);
});

test('a template whose outline crosses itself is refused with the place', async () => {
  const draft = keptTemplate('Broken', yard.jobs[0]!.draft.document);
  const [first] = draft.surfaces;
  const bow = {
    kind: 'polygon',
    pointsMm: [
      [0, 0],
      [9, 9],
      [9, 0],
      [0, 9],
    ],
  };
  const { status, body } = await server.call<Problem>('PUT', '/api/templates/broken', {
    ...draft,
    surfaces: [{ ...first, shape: bow }],
  });
  expect(status).toBe(400);
  expect(body.faults![0]).toMatchObject({ path: 'surfaces[0].shape.pointsMm' });
});

test('an item is found by what was laid, used and found at any of its visits, by its plate and its colour; all words at once', async () => {
  const found = async (words: string) =>
    (await server.call<{ rows: ItemSummary[] }>('GET', `/api/items?find=${encodeURIComponent(words)}`)).body.rows.map(
      ({ name }) => name,
    );
  expect(await found('breakwater sealant')).toContain('Slate estate');
  expect(await found('high spot')).toContain('Slate estate');
  expect(await found('slate high breakwater')).toEqual(['Slate estate']);
  expect(await found('slate keelhaul')).toEqual([]);
  // A batch that was in hand when a patch was laid, whatever it is called.
  const { body: log } = await server.call<
    { id: string; at: string; entry: { type: string; start?: { batch?: string } } }[]
  >('GET', '/api/jobs/teal-hatchback/log');
  const batch = log.flatMap(({ entry }) => entry.start?.batch ?? [])[0]!;
  expect(batch).toBeTruthy();
  expect((await found(batch)).length).toBeGreaterThan(0);

  const { body: job } = await server.call<JobRecord>('GET', '/api/jobs/satin-tourer');
  const item = { ...job.document.item!, plate: 'TM 41-07' };
  const put = await server.call(
    'PUT',
    '/api/jobs/satin-tourer',
    { document: { ...job.document, item }, bayId: job.bayId, airSource: job.airSource },
    job.version,
  );
  expect(put.status).toBe(200);
  expect(await found('tm 41')).toEqual([item.name]);
});

test('an owner’s data are given out whole, over all their items, and removed on wish: the record of the items stays', async () => {
  const { body: job } = await server.call<JobRecord>('GET', '/api/jobs/two-door-classic');
  const second = {
    ...job.document,
    title: 'Aurel Strand, weekend car',
    item: { ...job.document.item!, id: 'second', plate: 'TM 9' },
  };
  await server.call('PUT', '/api/jobs/second', { bayId: null, airSource: 'typed', document: second }, 0);
  const itemId = job.document.item!.id!;
  const { body: given } = await server.call<OwnerData>('GET', `/api/items/${itemId}/owner-data`);
  expect(given).toMatchObject({ name: 'Aurel Strand', items: [{ id: itemId }, { id: 'second', plate: 'TM 9' }] });
  const history = async () => (await server.call<ItemHistory>('GET', `/api/items/${itemId}`)).body.history;
  const before = await history();
  const address = `/api/items/${itemId}/owner-data/remove`;
  const { body: removed } = await server.call<OwnerDataRemoved>('POST', address, { items: [itemId, 'second'] });
  expect(removed).toMatchObject({ jobs: 2, backups: [], exports: [] });
  for (const each of [
    '/api/jobs/two-door-classic',
    '/api/jobs/second',
    '/api/items',
    '/api/care',
    `/api/items/${itemId}`,
  ])
    expect(JSON.stringify((await server.call('GET', each)).body)).not.toMatch(/Aurel|Strand|TM 9/);
  // Nor in any version kept of them.
  const [kept] = server.db.all<{ n: number }>(sql`select count(*) n from former_versions where body like '%Aurel%'`);
  expect(kept!.n).toBe(0);
  expect(await history()).toEqual(before);
  expect((await server.call<JobRecord>('GET', '/api/jobs/second')).body.document.title).toBe('the owner, weekend car');
  expect((await server.call('GET', '/api/items/nobody/owner-data')).status).toBe(404);
});

test('a person’s name is in no file of the workshop any more: notes, pictures, signatures, logs, earlier versions, free pages', async () => {
  const { body: job } = await server.call<JobRecord>('GET', '/api/jobs/marrow-launch');
  const { document } = job;
  const put = (id: string, item: object, title: string) =>
    server.call(
      'PUT',
      `/api/jobs/${id}`,
      { bayId: null, airSource: 'typed', document: { ...document, title, item: { ...document.item!, ...item } } },
      0,
    );
  await put('p1', { id: 'i1', ownerName: 'Quirin Oxlade', plate: 'QX 77 B' }, 'Launch of Quirin Oxlade');
  await put('p2', { id: 'i2', ownerName: 'QUIRIN  oxlade', plate: 'QX-78' }, 'Tender');
  await put('p3', { id: 'i3', ownerName: 'quirin oxlade', plate: 'QX 79' }, 'A namesake’s dinghy');
  await put('p4', { id: 'i4', ownerName: 'Quirina Oxlademan' }, 'Somebody else');
  // Written where it may be: a log that only grows, a picture's note, a pattern, what was signed, and an edit since.
  const at = '2027-03-02T10:00:00+01:00';
  const found = { type: 'stage-found' as const, stage: { kind: 'wash' as const, round: 1 }, note: 'Oxlade says: wax' };
  server.db.insert(runLog).values({ id: 'f', jobId: 'p1', at, recordedAt: at, entry: found }).run();
  server.db
    .insert(photos)
    .values({
      ...{ id: 'pic', jobId: 'p2', widthPx: 1, heightPx: 1, bytes: 1, takenAt: at, role: 'before' as const },
      ...{ surface: null, mark: null, pairOf: null, tape: null, matched: null, note: 'asked by Quirin' },
    })
    .run();
  const template = { name: 'As Quirin Oxlade has it', item: document.item, surfaces: document.surfaces };
  await server.call('PUT', '/api/templates/of-him', template);
  const signing = { id: 'signed', signedBy: 'Quirin Oxlade', strokes: [[0.1, 0.1, 0.9, 0.9]] };
  expect((await server.call('POST', '/api/jobs/p1/handovers', signing)).status).toBeLessThan(300);
  const { body: standing } = await server.call<JobRecord>('GET', '/api/jobs/p2');
  const { document: edited, bayId, airSource } = standing;
  const anew = { document: { ...edited, title: 'Tender of quirin oxlade' }, bayId, airSource };
  expect((await server.call('PUT', '/api/jobs/p2', anew, 1)).status).toBe(200);

  const { body: given } = await server.call<OwnerData>('GET', '/api/items/i1/owner-data');
  expect(given.items.map(({ id }) => id).sort()).toEqual(['i1', 'i2', 'i3']);
  const remove = (items: string[]) =>
    server.call<OwnerDataRemoved>('POST', '/api/items/i1/owner-data/remove', { items });
  // Nobody else's item goes with it by a slip.
  expect((await remove(['i1', 'i4'])).status).toBe(409);
  expect((await remove(['i1', 'i2'])).body).toMatchObject({ jobs: 2, signed: 1 });

  const { body: namesake } = await server.call<JobRecord>('GET', '/api/jobs/p3');
  expect(namesake.document.item).toMatchObject({ ownerName: 'quirin oxlade', plate: 'QX 79' });
  const [kept] = (await server.call<Handover[]>('GET', '/api/jobs/p1/handovers')).body;
  expect([kept!.signedBy, kept!.strokes]).toEqual(['the owner', []]);
  // It is as this shop signed it, without the name; and what only grows does so again.
  const { passport, signature } = kept!.passport;
  expect(isSignedBy(passport, signature)).toBe(true);
  expect(() => server.db.delete(runLog).run()).toThrow(/append-only/);
  expect(() => server.db.update(handovers).set({ signedBy: 'x' }).run()).toThrow(/append-only|Failed/);

  // The namesake is removed too: then the name is nowhere.
  await server.call('POST', '/api/items/i3/owner-data/remove', { items: ['i3'] });
  const folder = path.dirname(server.photoFolder);
  const holding = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile())
    .filter(({ parentPath, name }) =>
      /quirin\s+oxlade(?!man)|says: wax.*oxlade|oxlade says|QX.77.B|QX.78|QX.79/i.test(
        readFileSync(path.join(parentPath, name), 'latin1'),
      ),
    );
  expect(holding.map(({ name }) => name)).toEqual([]);
});
