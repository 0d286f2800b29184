import { waitFor } from '@testing-library/react';
import type { NewEntry } from '#formats/log';
import { api } from '../app/api';
import { store } from '../app/store';
import { cutInServer, NOW, server } from '../testing/yard';
import { refusalRead, tapped } from './slice';

const JOB = 'two-seater';
const air = (id: string): NewEntry => ({ id, at: NOW, entry: { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 } });
const tap = (id: string, jobId = JOB) => store.dispatch(tapped({ jobId, entry: air(id) }));
const logged = () => server.logs.get(JOB)!.map(({ id }) => id);
const waiting = () => store.getState().outbox.waiting.map(({ entry }) => entry.id);
const kept = () => JSON.parse(localStorage.getItem('glaphyra.outbox') ?? '[]') as unknown[];

beforeAll(cutInServer);
beforeEach(() => server.reset());

test('taps are sent one after the other in their order, and let go of when they are logged', async () => {
  for (const id of ['a', 'b', 'c']) tap(id);
  expect(waiting()).toContain('c');
  await waitFor(() => expect(waiting()).toEqual([]));
  expect(logged()).toEqual(['a', 'b', 'c']);
  expect(kept()).toEqual([]);
});

test('with the server gone they wait on the device, and go in order when it is back', async () => {
  server.down = true;
  tap('d');
  tap('e');
  await waitFor(() => expect(store.getState().outbox.unreachable).toBe(true));
  expect(logged()).toEqual([]);
  expect(kept()).toHaveLength(2);
  server.down = false;
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  expect(logged()).toEqual(['d', 'e']);
  expect(store.getState().outbox.unreachable).toBe(false);
}, 15_000);

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
}, 15_000);

test('a tap that no longer fits is given up with those of the same job that followed it, others go on', async () => {
  server.instead = ({ method, body }) =>
    method === 'POST' && (body as NewEntry).id === 'g'
      ? new Response(JSON.stringify({ type: '', title: 'Does not fit', status: 409, detail: 'This patch is done.' }), {
          status: 409,
          headers: { 'content-type': 'application/problem+json' },
        })
      : undefined;
  tap('g');
  tap('h');
  tap('other', 'satin-tourer');
  await waitFor(() => expect(waiting()).toEqual([]), { timeout: 8000 });
  expect(logged()).toEqual([]);
  expect(server.logs.get('satin-tourer')!.map(({ id }) => id)).toEqual(['other']);
  expect(store.getState().outbox.refused).toBe('This patch is done.');
  store.dispatch(refusalRead());
  expect(store.getState().outbox.refused).toBeUndefined();
}, 15_000);

test('what an earlier page left behind is sent when a job is opened', async () => {
  server.down = true;
  tap('left-behind');
  await waitFor(() => expect(store.getState().outbox.unreachable).toBe(true));
  server.down = false;
  await store.dispatch(api.endpoints.log.initiate(JOB, { forceRefetch: true }));
  await waitFor(() => expect(logged()).toEqual(['left-behind']), { timeout: 8000 });
}, 15_000);
