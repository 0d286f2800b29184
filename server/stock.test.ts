/** The stock as the yard uses it: real requests on a real database file. */
import { sql } from 'drizzle-orm';
import type { Problem } from '#formats/api';
import type { JobRecord, ShelfProduct } from '#formats/job';
import type { JobStock, Recall, ReorderList, StockList, StockThingView, Tick, UsageLessonRow } from '#formats/stock';
import { readStockCsv } from '#formats/stock';
import { type FaultsError } from '#formats/values';
import { yardThatMorning } from '../demo/that-morning';
import tapedTourer from '../e2e/jobs/taped-tourer.json';
import { stockLog } from './db/schema';
import { createServices } from './services';
import { draftOf, type RunningServer, startServer } from './testing/client';
import { readPaper } from './testing/read-paper';

const NOW = '2027-03-02T10:40:00+01:00';
const PRODUCT = 'slack-water';
const yard = yardThatMorning();
const tourer = draftOf(tapedTourer);
let clock = new Date(NOW);
let server: RunningServer;
let call: RunningServer['call'];

beforeEach(async () => {
  clock = new Date(NOW);
  server = await startServer(() => clock);
  ({ call } = server);
  const { id, ...bay } = yard.bays.find((one) => one.id === 'bay-2')!;
  await call('PUT', `/api/bays/${id}`, bay, 0);
  for (const sheet of tourer.document.products)
    await call('PUT', `/api/products/${sheet.id}`, { ...sheet, onHand: 0 }, 0);
  await call<JobRecord>('PUT', '/api/jobs/tourer', tourer, 0);
});
afterEach(() => server.stop());

let named = 0;
const note = (entry: object, id = `n${++named}`, at = clock.toISOString()) =>
  call<Problem & { seq: number }>('POST', '/api/stock/log', { id, at, entry });
const bottle = (thing: string, as: object = {}) =>
  note({
    type: 'bought',
    thing,
    as: { kind: 'product', of: PRODUCT, size: 50, unit: 'ml', batch: 'K-117', paid: 4200, ...as },
  });
const thing = async (id: string) => (await call<StockThingView>('GET', `/api/stock/things/${id}`)).body;
const patch = { surface: 'tank', layer: 0, coat: 1, copy: 1, section: 1 };
const tap = (id: string, entry: object, job = 'tourer') =>
  call('POST', `/api/jobs/${job}/log`, { id, at: clock.toISOString(), entry });
const lay = async (id: string) => {
  const start = { product: PRODUCT, sections: 1, areaM2: 0.62, amount: 5.2 };
  expect((await tap(`${id}-start`, { type: 'lay-start', patch, start })).status).toBe(201);
  expect((await tap(`${id}-end`, { type: 'lay-end', patch })).status).toBe(201);
};
const prime = tourer.document.products.find(({ id }) => id === PRODUCT)!.prime;

test('what is laid comes out of the bottle in hand, and goes back where it is undone', async () => {
  await bottle('b1');
  await note({ type: 'taken', thing: 'b1', job: 'tourer' });
  await lay('first');
  expect((await thing('b1')).row).toMatchObject({ basis: 'reckoned', inHand: 'tourer' });
  expect((await thing('b1')).row.remaining).toBeCloseTo(50 - 5.2 - prime, 6);
  // The same tap from a second tablet, or sent twice, draws once.
  await tap('first-end', { type: 'lay-end', patch });
  expect((await thing('b1')).row.remaining).toBeCloseTo(50 - 5.2 - prime, 6);
  expect((await tap('undo', { type: 'undo', entry: 'first-end' })).status).toBe(201);
  expect((await thing('b1')).row.remaining).toBe(50);
  expect((await tap('again', { type: 'lay-end', patch })).status).toBe(201);
  expect((await thing('b1')).row.remaining).toBeCloseTo(50 - 5.2 - prime, 6);
  const { body } = await call<JobStock>('GET', '/api/jobs/tourer/stock');
  expect(body.kinds.find(({ of }) => of === PRODUCT)!.drawn).toBeCloseTo(5.2 + prime, 6);
  expect(body.cost.bySurface).toEqual([
    { surface: 'tank', cost: expect.closeTo(((5.2 + prime) * 4200) / 50, 6) as number },
  ]);
  // It is all in the log, which only grows.
  expect(() => server.db.delete(stockLog).run()).toThrow(/append-only|Failed to run/);
  expect(() => server.db.update(stockLog).set({ at: NOW }).run()).toThrow(/append-only|Failed to run/);
  const replaced = sql`insert or replace into stock_log (seq, id, thing, at, recorded_at, entry) select seq, id, thing, '2001-01-01', recorded_at, entry from stock_log limit 1`;
  expect(() => server.db.run(replaced)).toThrow(
    expect.objectContaining({ cause: expect.objectContaining({ message: 'the stock log is append-only' }) }),
  );
});

test('where one person lays alone, what the scale teaches is theirs', async () => {
  const document = { ...tourer.document, crew: { ...tourer.document.crew, people: [{ id: 'Odile' }] } };
  await call('PUT', '/api/jobs/alone', { ...tourer, document }, 0);
  await bottle('b1', { emptyG: 40 });
  await note({ type: 'taken', thing: 'b1', job: 'alone' });
  const start = { product: PRODUCT, sections: 1, areaM2: 0.62, amount: 5.2 };
  expect((await tap('s', { type: 'lay-start', patch, start }, 'alone')).status).toBe(201);
  expect((await tap('e', { type: 'lay-end', patch }, 'alone')).status).toBe(201);
  expect((await note({ type: 'weighed', thing: 'b1', grossG: 84, densityGPerMl: 1 })).status).toBe(201);
  const { body } = await call<UsageLessonRow[]>('GET', '/api/stock/lessons');
  expect(body).toMatchObject([{ by: 'Odile', method: tourer.document.surfaces[0]!.layers[0]!.method, used: 6 }]);
});

test('nothing in hand: nothing is drawn silently, from no bottle', async () => {
  await bottle('b1');
  await lay('first');
  expect((await thing('b1')).row.remaining).toBe(50);
});

test('a bottle is in one place at a time and is emptied once, whichever tablet is quicker', async () => {
  await call('PUT', '/api/jobs/second', tourer, 0);
  await bottle('b1');
  expect((await note({ type: 'taken', thing: 'b1', job: 'tourer' })).status).toBe(201);
  const elsewhere = await note({ type: 'taken', thing: 'b1', job: 'second' });
  expect([elsewhere.status, elsewhere.body.detail]).toEqual([409, expect.stringContaining('another job')]);
  const empty = { type: 'thrown-away', thing: 'b1', reason: 'empty' };
  const both = await Promise.all([note(empty, 'one'), note(empty, 'other')]);
  expect(both.map(({ status }) => status).toSorted()).toEqual([201, 409]);
  // Sent again by the tablet that did not hear the answer, it is the same entry.
  const winner = both[0].status === 201 ? 'one' : 'other';
  expect((await note(empty, winner)).status).toBe(201);
  expect((await thing('b1')).log).toHaveLength(3);
});

test('weighed on the scale: the empty weight is learned, use is learned, the plan uses it, and it is taken back', async () => {
  await bottle('b1');
  const weigh = async () => {
    const { body } = await call<{ grossG: number; simulated: boolean; densityGPerMl: number }>(
      'POST',
      '/api/bottle-scale/readings',
      { thing: 'b1' },
    );
    expect(body.simulated).toBe(true);
    return body;
  };
  const full = await weigh();
  expect((await note({ type: 'weighed', thing: 'b1', ...full })).status).toBe(201);
  const { emptyG } = (await thing('b1')).row;
  expect(emptyG).toBeCloseTo(full.grossG - 50 * full.densityGPerMl, 6);
  await note({ type: 'taken', thing: 'b1', job: 'tourer' });
  await lay('first');
  await note({
    type: 'weighed',
    thing: 'b1',
    grossG: emptyG! + (50 - 1.3 * (5.2 + prime)) * full.densityGPerMl,
    densityGPerMl: full.densityGPerMl,
  });
  const { body: lessons } = await call<UsageLessonRow[]>('GET', '/api/stock/lessons');
  expect(lessons).toMatchObject([{ of: PRODUCT, ratio: expect.closeTo(1.3, 6) as number, untaught: false }]);
  const shop = async () => (await call<ShelfProduct>('GET', '/api/products')).body as unknown as ShelfProduct[];
  const factor = async () => (await shop()).find(({ id }) => id === PRODUCT)!.shop.usageFactor;
  expect(await factor()).toBeCloseTo(Math.exp((Math.log(1.3) * 100) / (100 + 1 / 0.15 ** 2)), 6);
  // What the jobs to come are short of grows with it.
  await note({ type: 'thrown-away', thing: 'b1', reason: 'spoiled' });
  await call('PUT', '/api/jobs/next', tourer, 0);
  const short = async () =>
    (await call<ReorderList>('GET', '/api/stock/reorder')).body.find(({ of }) => of === PRODUCT)!.amount;
  const taught = await short();
  expect((await note({ type: 'untaught', thing: 'b1', entry: lessons[0]!.entry })).status).toBe(201);
  expect(await factor()).toBe(1);
  expect(await short()).toBeLessThan(taught);
});

test('shortage is told on the day it bites, with what to order by when; jobs come in their order', async () => {
  const at = (startAt: string) => ({ ...tourer, document: { ...tourer.document, startAt } });
  await call('PUT', '/api/jobs/late', { ...at('2027-03-20T09:00:00+01:00') }, 0);
  const need = (await call<ReorderList>('GET', '/api/stock/reorder')).body.find(({ of }) => of === PRODUCT)!;
  expect(need.jobs.map(({ id }) => id)).toEqual(['tourer', 'late']);
  const each = need.jobs[0]!.short;
  await bottle('b1', { size: Math.ceil(each) });
  await call('PUT', `/api/products/${PRODUCT}/shop`, { deliveryDays: 5 });
  const [line] = (await call<ReorderList>('GET', '/api/stock/reorder')).body.filter(({ of }) => of === PRODUCT);
  expect(line!.jobs.map(({ id }) => id)).toEqual(['late']);
  expect([line!.firstShort.slice(0, 10), line!.orderBy.slice(0, 10), line!.late]).toEqual([
    '2027-03-20',
    '2027-03-15',
    false,
  ]);
  expect(line!.packs.reduce((sum, { size, count }) => sum + size * count, 0)).toBeGreaterThanOrEqual(line!.amount);
  const { body } = await call<JobStock>('GET', '/api/jobs/late/stock');
  expect(body.kinds.find(({ of }) => of === PRODUCT)).toMatchObject({
    reserved: expect.closeTo(each, 6) as number,
    drawn: 0,
  });
});

test('a batch is recalled after a year: which things, which panels, whose', async () => {
  await bottle('b1');
  await note({ type: 'taken', thing: 'b1', job: 'tourer' });
  await lay('first');
  await note({ type: 'thrown-away', thing: 'b1', reason: 'empty' });
  clock = new Date('2028-03-10T09:00:00+01:00');
  const { body } = await call<Recall>('GET', '/api/stock/recall?batch=k-117');
  expect(body).toMatchObject([
    { thing: { id: 'b1', gone: { reason: 'empty' } }, on: [{ job: 'tourer', surface: 'tank' }] },
  ]);
  const paper = await fetch(`${server.base}/api/stock/recall.pdf?batch=K-117`);
  const said = readPaper(new Uint8Array(await paper.arrayBuffer())).join(' ');
  expect(said).toContain('Batch K-117');
  expect(said).toMatch(/Tank/i);
});

test('a list of things is taken in whole or not at all, hostile cells and all; what goes out comes in again', async () => {
  const head = 'id;kind;of;size;unit;batch;paid';
  const rubbish = [
    head,
    'ok-1;product;slack-water;50;ml;K-1;4200',
    'no good;product;slack-water;50;ml;;',
    'x2;potion;slack-water;50;ml;;',
    'x3;product;slack-water;-4;ml;;',
    'x4;product;slack-water;50;barrels;;',
    'ok-1;product;slack-water;50;ml;;',
  ].join('\n');
  const faults = (() => {
    try {
      return void readStockCsv(rubbish);
    } catch (error) {
      return (error as FaultsError).faults;
    }
  })();
  expect(faults!.map(({ path }) => path)).toEqual([
    'line 3, id',
    'line 4, kind',
    'line 5, size',
    'line 6, unit',
    'line 7, id',
  ]);
  expect(() => readStockCsv('')).toThrow(/no column id/);
  expect(() => readStockCsv('\u0000\u0001;\n;;;')).toThrow(/no column/);
  expect(() => readStockCsv(`${head}\n${'a;product;b;1;ml;;\n'.repeat(6000)}`)).toThrow(/at most 5000/);
  const good = readStockCsv(`${head}\nin-1;product;slack-water;50;ml;=1+2;4200\nin-2;supply;gloves;100;;;\n`);
  expect((await call('POST', '/api/stock', good)).body).toEqual({ added: 2 });
  const twice = await call<Problem>('POST', '/api/stock', good);
  expect([twice.status, twice.body.faults?.map(({ path }) => path)]).toEqual([400, ['things[0].id', 'things[1].id']]);
  // What cannot be true of a thing is refused on the way in as it is later.
  const untrue = {
    ...good.things[0]!,
    id: 'in-3',
    remaining: 400,
    boughtAt: '2031-01-01T00:00:00Z',
    openedAt: '2027-01-01T00:00:00Z',
  };
  const refused = await call<Problem>('POST', '/api/stock', { things: [untrue] });
  expect([refused.status, refused.body.faults?.map(({ path }) => path)]).toEqual([
    400,
    ['things[0].remaining', 'things[0].boughtAt', 'things[0].openedAt'],
  ]);
  const csv = await (await fetch(`${server.base}/api/stock.csv`)).text();
  // A table program takes it for text, not for a formula; here it is what it was.
  expect(csv).toContain("'=1+2");
  const back = readStockCsv(csv);
  expect(back.things.map(({ id, size, batch }) => [id, size, batch])).toEqual([
    ['in-1', 50, '=1+2'],
    ['in-2', 100, undefined],
  ]);
  expect(csv).not.toContain('undefined');
});

test('what cannot be true is refused with why: the future, the unknown, the impossible', async () => {
  const detail = async (entry: object, at?: string) => {
    const { status, body } = await note(entry, undefined, at);
    return [status, body.detail ?? body.faults?.[0]?.message];
  };
  await bottle('b1');
  expect(await detail({ type: 'counted', thing: 'b1', remaining: 400 })).toEqual([
    409,
    expect.stringContaining('holds only 50 ml'),
  ]);
  expect(await detail({ type: 'opened', thing: 'no-such' })).toEqual([
    409,
    expect.stringContaining('take it in first'),
  ]);
  expect(await detail({ type: 'opened', thing: 'b1' }, '2031-01-01T00:00:00Z')).toEqual([
    409,
    expect.stringContaining('future'),
  ]);
  // What is laid draws by itself: nobody says so from outside.
  expect((await detail({ type: 'used', thing: 'b1', job: 'tourer', surface: 'tank', amount: 3 }))[0]).toBe(400);
  expect((await call('GET', '/api/stock/things/no-such')).status).toBe(404);
  expect((await call('GET', '/api/stock?state=everything')).status).toBe(400);
  expect((await call('POST', '/api/bottle-scale/readings', { thing: 'no-such' })).status).toBe(409);
});

test('two tablets tick one list: ticked twice is ticked once, and both see it; a line that is on no list is refused', async () => {
  const groups = server.services.workings.pickList(server.services.jobs.get('tourer'));
  const [first, second] = groups.flatMap(({ lines }) => lines.map(({ key }) => key)).sort();
  const set = (line: string, ticked: boolean) => call<Tick[]>('PUT', '/api/jobs/tourer/ticks', { line, ticked });
  const ticks = async () => (await call<Tick[]>('GET', '/api/jobs/tourer/ticks')).body.map(({ line }) => line);
  await Promise.all([set(first!, true), set(first!, true), set(second!, true)]);
  expect(await ticks()).toEqual([first, second]);
  await Promise.all([set(first!, false), set(first!, false)]);
  expect(await ticks()).toEqual([second]);
  expect((await call('PUT', '/api/jobs/no-such/ticks', { line: 'x', ticked: true })).status).toBe(404);
  expect((await set('nobody/asked for it', true)).status).toBe(409);
  expect((await set('nobody/asked for it', false)).status).toBe(200);
  expect(await ticks()).toEqual([second]);
});

test('the stock as it was on any day; and as a second start of the server reads it', async () => {
  await bottle('b1');
  clock = new Date('2027-03-09T10:00:00+01:00');
  await note({ type: 'counted', thing: 'b1', remaining: 20 });
  const asOf = async (at: string) =>
    (await call<StockList>('GET', `/api/stock?at=${encodeURIComponent(at)}`)).body.rows;
  expect(await asOf('2027-03-05T00:00:00Z')).toMatchObject([{ remaining: 50 }]);
  expect(await asOf('2027-03-10T00:00:00Z')).toMatchObject([{ remaining: 20 }]);
  expect(await asOf('2027-03-01T00:00:00Z')).toEqual([]);
  expect(createServices(server.db, server.photoFolder).stock.list({}).rows).toMatchObject([
    { id: 'b1', remaining: 20 },
  ]);
});
