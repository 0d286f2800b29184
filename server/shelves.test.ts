import { cpSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import type { OfferRecord } from '#formats/choice';
import type { Problem } from '#formats/api';
import type { ShelfProduct } from '#formats/job';
import { type KitEntry, type KitRecord, readProduct, stocked } from '#formats/shelf';
import { demoKit } from '../demo/kit';
import { DEMO_SHELF } from '../demo/shelf';
import { openDatabase } from './db/open';
import { createServices } from './services';
import { databaseFolder, type RunningServer, startServer } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const KIT = demoKit(NOW);
const byId = (id: string) => KIT.find((entry) => entry.id === id)!;

let server: RunningServer;
beforeEach(async () => {
  server = await startServer(() => new Date(NOW));
});
afterEach(() => server.stop());

const put = (entry: KitEntry, version = 0) =>
  server.call<KitRecord & Problem>('PUT', `/api/kit/${entry.id}`, entry, version);

test('sheets and things are kept, and a thing is one of a sheet', async () => {
  expect((await put(byId('f1'))).body.detail).toBe('There is no pad sheet "fibre-125".');
  for (const id of ['fibre-125', 'holystone', 'fair-weather', 'f1']) expect((await put(byId(id))).status).toBe(200);
  const { body } = await server.call<KitRecord[]>('GET', '/api/kit');
  expect(body.map(({ id, version }) => [id, version])).toEqual([
    ['f1', 1],
    ['fair-weather', 1],
    ['fibre-125', 1],
    ['holystone', 1],
  ]);
});

test('a pad keeps its liquid, two windows do not overwrite each other, and what is used is not taken away', async () => {
  for (const id of ['fibre-125', 'holystone', 'fair-weather', 'f1']) await put(byId(id));
  const pad = byId('f1') as Extract<KitEntry, { kind: 'pad-in-use' }>;
  expect((await put({ ...pad, liquid: 'fair-weather' }, 1)).body.detail).toMatch(/belongs to "holystone"/);
  expect((await put({ ...pad, state: 'dirty' }, 1)).body.version).toBe(2);
  expect((await put({ ...pad, state: 'drying' }, 1)).status).toBe(412);
  const gone = await server.call<Problem>('DELETE', '/api/kit/holystone', undefined, 1);
  expect([gone.status, gone.body.detail]).toEqual([409, '"f1" is one of these: take that away first.']);
  expect((await server.call('DELETE', '/api/kit/f1', undefined, 2)).status).toBe(204);
  expect((await server.call('DELETE', '/api/kit/holystone', undefined, 1)).status).toBe(204);
});

test('what makes no sense is refused with its place', async () => {
  const rotary = byId('capstan');
  const bad = await put({ ...rotary, throwMm: 9 } as KitEntry);
  expect(bad.body.faults).toEqual([{ path: 'throwMm', message: 'a rotary machine has no throw: 0' }]);
  const unknown = await put({ kind: 'pad', id: 'x', name: 'x', material: 'straw' } as never);
  expect(unknown.body.faults?.map(({ path }) => path).sort()).toEqual(['driesH', 'material', 'sizeMm']);
  expect((await put(byId('holystone'), 3)).status).toBe(404);
});

test('offers are kept by version; one that lays nothing, or has been changed since, is refused', async () => {
  const offer = {
    id: 'harbour',
    name: 'Harbour',
    lines: [{ on: ['clear-gloss'], layers: [{ product: 'keelstone' }] }],
    taxPct: 20,
  };
  const put = (body: object, version: number) =>
    server.call<OfferRecord & Problem>('PUT', '/api/offers/harbour', body, version);
  expect((await put(offer, 0)).body).toMatchObject({
    version: 1,
    offer: { level: 'one-step', wastePct: 5, taxPct: 20, lines: [{ layers: [{ product: 'keelstone', coats: 1 }] }] },
  });
  expect((await put({ ...offer, name: 'Other' }, 0)).status).toBe(412);
  expect((await put({ ...offer, name: 'Other' }, 1)).body.version).toBe(2);
  const bad = await put({ ...offer, lines: [], taxPct: 140 }, 2);
  expect(bad.body.faults?.map(({ path }) => path).sort()).toEqual(['lines', 'taxPct']);
  expect((await server.call('DELETE', '/api/offers/harbour', undefined, 1)).status).toBe(412);
  expect((await server.call('DELETE', '/api/offers/harbour', undefined, 2)).status).toBe(204);
  expect((await server.call<OfferRecord[]>('GET', '/api/offers')).body).toEqual([]);
});

test('a shelf is taken in whole or not at all, and what is the same stays its version', async () => {
  const sheets = DEMO_SHELF.slice(0, 3);
  const take = (products: readonly object[]) =>
    server.call<Problem & { added: number }>('POST', '/api/shelf', { format: 'glaphyra.shelf/1', products });
  const bad = await take([sheets[0]!, { ...sheets[1]!, coveragePerM2: -1 }]);
  expect([bad.status, bad.body.faults?.[0]?.path]).toEqual([400, 'products[1].coveragePerM2']);
  expect((await server.call<object[]>('GET', '/api/products')).body).toEqual([]);
  expect((await take(sheets)).body).toEqual({ added: 3, changed: 0, same: 0 });
  expect((await take([sheets[0]!, { ...sheets[1]!, name: 'Another name' }])).body).toEqual({
    added: 0,
    changed: 1,
    same: 1,
  });
  const { body } = await server.call<{ format: string; products: { id: string; name: string }[] }>(
    'GET',
    '/api/shelf.json',
  );
  expect(body.products.find(({ id }) => id === sheets[1]!.id)!.name).toBe('Another name');
});

test('an older database has its sheets parted from what was the shop’s, and loses nothing', () => {
  const { file, remove } = databaseFolder();
  try {
    // As it stood before: every migration up to the one that parts them.
    const older = path.join(path.dirname(file), 'migrations');
    cpSync('server/migrations', older, { recursive: true });
    const journalFile = path.join(older, 'meta', '_journal.json');
    const journal = JSON.parse(readFileSync(journalFile, 'utf8')) as { entries: { tag: string }[] };
    const before = journal.entries.slice(
      0,
      journal.entries.findIndex(({ tag }) => tag.endsWith('sheet-and-shop')),
    );
    expect(before.length).toBeGreaterThan(5);
    writeFileSync(journalFile, JSON.stringify({ ...journal, entries: before }));
    openDatabase(file, older).close();
    const sheet = { ...readProduct(DEMO_SHELF[0]), onHand: 7, batch: 'K-117', flashFactor: 0.9 };
    const raw = new Database(file);
    raw
      .prepare('insert into products (id, version, sheet, updated_at) values (?, 3, ?, ?)')
      .run(sheet.id, JSON.stringify(sheet), NOW);
    raw.close();

    const { db, close } = openDatabase(file);
    const { shelf, stock } = createServices(db, path.dirname(file));
    const [product] = shelf.all();
    // The figure on the sheet has become a thing in stock.
    expect(stock.list({}).rows).toMatchObject([
      { of: sheet.id, size: 7, remaining: 7, batch: 'K-117', name: sheet.name },
    ]);
    close();
    expect(product!.shop).toMatchObject({ onHand: 7, batch: 'K-117', flashFactor: 0.9, usageSigma: 0.15 });
    expect(product!.sheet).not.toHaveProperty('onHand');
    expect(stocked(product!)).toEqual(sheet);
  } finally {
    remove();
  }
});

test('how long its delivery takes is noted beside the sheet and makes no version of it', async () => {
  await server.call('PUT', `/api/products/${DEMO_SHELF[0]!.id}`, DEMO_SHELF[0], 0);
  const { body: products } = await server.call<ShelfProduct[]>('GET', '/api/products');
  const { id, version } = products[0]!;
  const noted = await server.call<ShelfProduct>('PUT', `/api/products/${id}/shop`, { deliveryDays: 9 });
  expect(noted).toMatchObject({ status: 200, body: { version, shop: { deliveryDays: 9 } } });
  expect((await server.call('PUT', `/api/products/${id}/shop`, { deliveryDays: -1 })).status).toBe(400);
  expect((await server.call('PUT', `/api/products/${id}/shop`, { onHand: 5 })).status).toBe(400);
});
