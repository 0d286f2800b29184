import { waitFor } from '@testing-library/react';
import type { NewEntry } from '#formats/log';
import { api } from '../app/api';
import { store } from '../app/store';
import { cutInServer, NOW, server } from '../testing/yard';
import { keepTap, keptTaps } from './kept';
import { asideOf, decided, tapped, waitingOf } from './slice';
import { withWaiting, withWaitingStock } from './useWaitingTaps';

const JOB = 'two-seater';
const air = (id: string): NewEntry => ({ id, at: NOW, entry: { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 } });
const tap = (id: string, jobId = JOB) => store.dispatch(tapped({ jobId, entry: air(id) }));
const logged = () => server.logs.get(JOB)!.map(({ id }) => id);
const waiting = () => waitingOf(store.getState().outbox).map(({ entry }) => entry.id);
const aside = () => asideOf(store.getState().outbox).map(({ entry }) => entry.id);
const kept = async () => (await keptTaps()).map(({ entry }) => entry.id);
const refusing = (status: number, ...ids: string[]) =>
  (server.instead = ({ method, body }) =>
    method === 'POST' && ids.includes((body as NewEntry).id)
      ? new Response(JSON.stringify({ type: '', title: 'Does not fit', status, detail: 'This patch is done.' }), {
          status,
          headers: { 'content-type': 'application/problem+json' },
        })
      : undefined);

beforeAll(cutInServer);
beforeEach(() => server.reset());

test('taps are sent one after the other in their order, and let go of when they are logged', async () => {
  for (const id of ['a', 'b', 'c']) tap(id);
  expect(waiting()).toContain('c');
  await waitFor(() => expect(waiting()).toEqual([]));
  expect(logged()).toEqual(['a', 'b', 'c']);
  await waitFor(async () => expect(await kept()).toEqual([]));
});

test('ticks and bottles go the same way: in their order among the taps, by their own doors, under their own names', async () => {
  server.down = true;
  tap('k1');
  store.dispatch(tapped({ kind: 'tick', jobId: JOB, entry: { id: 'k2', at: NOW, line: 'gloves', ticked: true } }));
  const bottle = { id: 'k3', at: NOW, entry: { type: 'opened' as const, thing: 'bottle-1' } };
  store.dispatch(tapped({ kind: 'stock', jobId: JOB, entry: bottle, turn: 'a-turn' }));
  tap('k4');
  await waitFor(async () => expect(await kept()).toEqual(['k1', 'k2', 'k3', 'k4']));
  server.calls = [];
  server.instead = ({ method, path }) =>
    method === 'POST' && path === '/api/stock/log' ? new Response(JSON.stringify(bottle), { status: 201 }) : undefined;
  server.down = false;
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  const sent = server.calls.filter(({ method }) => method !== 'GET').map(({ method, path }) => `${method} ${path}`);
  expect(sent).toEqual([
    `POST /api/jobs/${JOB}/log`,
    `PUT /api/jobs/${JOB}/ticks`,
    'POST /api/stock/log',
    `POST /api/jobs/${JOB}/log`,
  ]);
  expect(server.calls.find(({ path }) => path === '/api/stock/log')!.body).toEqual(bottle);
  // Tapped while nobody was in, it is nobody's, whoever is in when it is sent.
  const turns = server.calls.filter(({ method }) => method !== 'GET').map(({ turn }) => turn);
  expect(turns).toEqual(['none', 'none', 'a-turn', 'none']);
});

test('a bottle taken without a network is in hand here, one that is emptied is gone', () => {
  const row = (id: string, inHand?: string) => ({ id, ...(inHand && { inHand }) });
  const stock = { cut: [], kinds: [{ of: 'wax', things: [row('old', JOB), row('new')] }] } as never;
  const things = (waiting: Parameters<typeof withWaitingStock>[1]) =>
    withWaitingStock(stock, waiting, JOB)!.kinds[0]!.things.map(({ id, inHand }) => [id, inHand]);
  expect(things([])).toEqual([
    ['old', JOB],
    ['new', undefined],
  ]);
  expect(
    things([
      { type: 'put-back', thing: 'old' },
      { type: 'taken', thing: 'new', job: JOB },
    ]),
  ).toEqual([
    ['old', undefined],
    ['new', JOB],
  ]);
  expect(things([{ type: 'thrown-away', thing: 'old', reason: 'empty', job: JOB }])).toEqual([['new', undefined]]);
});

test('with the server gone they wait on the device, and go in order when it is back', async () => {
  server.down = true;
  tap('d');
  tap('e');
  await waitFor(() => expect(store.getState().outbox.unreachable).toBeDefined());
  expect(logged()).toEqual([]);
  expect(await kept()).toEqual(['d', 'e']);
  server.down = false;
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  expect(logged()).toEqual(['d', 'e']);
  expect(store.getState().outbox.unreachable).toBeUndefined();
});

test('an answer that is lost makes no second entry: the same tap is sent again under its own name', async () => {
  let lost = false;
  server.instead = ({ method, path, body }) => {
    if (method !== 'POST' || lost) return undefined;
    lost = true;
    // Logged, but the answer never arrives.
    server.logs.get(path.split('/')[3]!)!.push({ ...(body as NewEntry), seq: 1, recordedAt: NOW });
    return new Response('', { status: 502 });
  };
  tap('f');
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  expect(logged()).toEqual(['f']);
});

test.each([404, 410, 413])(
  'answered %i a tap is not sent for ever: it stands aside, and what follows it goes on',
  async (status) => {
    refusing(status, `never-${status}`);
    tap(`never-${status}`);
    tap(`after-${status}`);
    await waitFor(() => expect(logged()).toContain(`after-${status}`), { timeout: 8000 });
    expect(aside()).toEqual([`never-${status}`]);
    const before = server.calls.length;
    await new Promise((resolve) => setTimeout(resolve, 1700));
    expect(server.calls.slice(before).filter(({ method }) => method === 'POST')).toEqual([]);
    store.dispatch(decided({ id: `never-${status}`, again: false }));
    await waitFor(async () => expect(await kept()).toEqual([]));
  },
);

test('a tap that does not fit stands aside with what stands instead; what followed it goes on, in its order', async () => {
  refusing(409, 'g');
  for (const id of ['g', 'h', 'i']) tap(id);
  tap('other', 'satin-tourer');
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  expect(logged()).toEqual(['h', 'i']);
  expect(server.logs.get('satin-tourer')!.map(({ id }) => id)).toEqual(['other']);
  expect(asideOf(store.getState().outbox)).toMatchObject([{ jobId: JOB, aside: 'This patch is done.' }]);
  // It outlives the page, and every later tap.
  expect(await kept()).toEqual(['g']);
  tap('j');
  await waitFor(() => expect(logged()).toContain('j'), { timeout: 8000 });
  expect(aside()).toEqual(['g']);
  // Tried again it goes as soon as it fits; let go it is gone.
  server.instead = undefined;
  store.dispatch(decided({ id: 'g', again: true }));
  await waitFor(() => expect(logged()).toEqual(['h', 'i', 'j', 'g']), { timeout: 8000 });
  refusing(409, 'k');
  tap('k');
  await waitFor(() => expect(aside()).toEqual(['k']), { timeout: 8000 });
  store.dispatch(decided({ id: 'k', again: false }));
  await waitFor(async () => expect(await kept()).toEqual([]));
  expect(aside()).toEqual([]);
});

test('a server that asks who it is, or is asked too often, throws nothing away: it waits, and other jobs go on', async () => {
  for (const status of [401, 429]) {
    const [first, second, other] = ['one', 'two', 'beside'].map((id) => `${id}-${status}`) as [string, string, string];
    refusing(status, first);
    tap(first);
    tap(second);
    tap(other, 'satin-tourer');
    await waitFor(() => expect(server.logs.get('satin-tourer')!.map(({ id }) => id)).toContain(other), {
      timeout: 8000,
    });
    // Logged there, it is let go of here once its answer is in.
    await waitFor(() => expect([waiting(), aside()]).toEqual([[first, second], []]), { timeout: 8000 });
    server.instead = undefined;
    await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
    expect(logged().slice(-2)).toEqual([first, second]);
  }
});

test('a tap never leaves the screen on its way: while others are read, kept and sent it counts all the time', async () => {
  const seen: string[] = [];
  const all = Array.from({ length: 12 }, (_, nth) => `quick-${nth}`);
  /** Of those tapped so far, what neither waits nor is logged in the cache of this page. */
  const lost = () => {
    const log = api.endpoints.log.select({ id: JOB })(store.getState()).data ?? [];
    const there = new Set([...waiting(), ...log.map(({ id }) => id)]);
    return seen.filter((id) => !there.has(id));
  };
  const missed = new Set<string>();
  const stop = store.subscribe(() => lost().forEach((id) => missed.add(id)));
  await store.dispatch(api.endpoints.log.initiate({ id: JOB }, { forceRefetch: true }));
  for (const id of all) {
    tap(id);
    seen.push(id);
    await new Promise((resolve) => setTimeout(resolve, seen.length % 4));
  }
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  stop();
  expect([...missed]).toEqual([]);
  expect(logged().filter((id) => id.startsWith('quick'))).toEqual(all);
});

test('an answer of the log that is older than the last tap does not take it back', async () => {
  await store.dispatch(api.endpoints.log.initiate({ id: JOB }, { forceRefetch: true }));
  const older = [...server.logs.get(JOB)!];
  tap('newest');
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  server.instead = ({ method, path }) =>
    method === 'GET' && path.endsWith(`/${JOB}/log`)
      ? new Response(JSON.stringify(older), { headers: { 'content-type': 'application/json' } })
      : undefined;
  await store.dispatch(api.endpoints.log.initiate({ id: JOB }, { forceRefetch: true }));
  const shown = api.endpoints.log.select({ id: JOB })(store.getState()).data!;
  expect(shown.map(({ id }) => id)).toContain('newest');
});

test('another tab’s taps are never written over: each is kept by itself, and sent from here as well', async () => {
  server.down = true;
  tap('mine');
  await waitFor(async () => expect(await kept()).toEqual(['mine']));
  await keepTap({ jobId: JOB, entry: air('theirs') });
  server.down = false;
  await waitFor(() => expect(logged()).toEqual(['mine', 'theirs']), { timeout: 8000 });
  expect(await kept()).toEqual([]);
});

test('a device without room says so and sends what it has all the same', async () => {
  const put = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
    throw new DOMException('no room', 'QuotaExceededError');
  });
  tap('unkept');
  await waitFor(() => expect(logged()).toEqual(['unkept']), { timeout: 8000 });
  expect(store.getState().outbox.notKept).toBe(true);
  put.mockRestore();
});

test('what waits counts as done here, once', () => {
  const log = [{ ...air('a'), seq: 1, recordedAt: NOW }];
  expect(withWaiting(log, [])).toBe(log);
  expect(withWaiting(log, [air('a'), air('b')]).map(({ id }) => id)).toEqual(['a', 'b']);
});

test('what an earlier page left behind is sent when a job is opened', async () => {
  server.down = true;
  tap('left-behind');
  await waitFor(() => expect(store.getState().outbox.unreachable).toBeDefined());
  server.down = false;
  await store.dispatch(api.endpoints.log.initiate({ id: JOB }, { forceRefetch: true }));
  await waitFor(() => expect(logged()).toEqual(['left-behind']), { timeout: 8000 });
});
