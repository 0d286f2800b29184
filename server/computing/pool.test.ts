/** Threads that work out what is asked: who waits for whom, and what becomes of whoever asks when a thread is lost. */
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { NOBODY } from '../accounts/actor';
import type { Asked } from '../http/call';
import { changeFeed } from '../services/changes';
import { computingPool, type Pool } from './pool';

const SCRIPT = pathToFileURL(path.resolve('server/testing/thread-of-a-test.mjs'));
const asked = (id: string): Asked => ({ name: 'plan', params: { id }, query: {}, actor: NOBODY, nonce: '' });

let pool: Pool;
beforeEach(() => (pool = computingPool(SCRIPT, { file: 'a file', aheadMs: 0 }, { budgetMs: 2000 })));
afterEach(() => pool.close());

/** Asks all at once; the names in the order they were answered, with what came. */
async function inOrder(ids: readonly string[]): Promise<string[]> {
  const order: string[] = [];
  await Promise.all(
    ids.map((id) =>
      pool.answer(asked(id)).then(
        () => order.push(id),
        (error: Error) => order.push(`${id}: ${error.message}`),
      ),
    ),
  );
  return order;
}

test('two are worked out side by side: what is short does not wait for one that is long', async () => {
  expect(await inOrder(['wait-1500', 'wait-1', 'wait-2', 'wait-3'])).toEqual([
    'wait-1',
    'wait-2',
    'wait-3',
    'wait-1500',
  ]);
});

test('what nobody waits for leaves a thread free, and gives way to whoever does', async () => {
  const order: string[] = [];
  const background = [700, 1].map((ms) => pool.ask('summaries', ms).then(() => order.push(`background ${ms}`)));
  await new Promise((resolve) => setTimeout(resolve, 100));
  const others = ['wait-300', 'wait-1'].map((id) => pool.answer(asked(id)).then(() => order.push(id)));
  await Promise.all([...background, ...others]);
  expect(order).toEqual(['wait-300', 'wait-1', 'background 700', 'background 1']);
});

test('a thread that ends or breaks takes only its own question with it', async () => {
  const order = await inOrder(['end-0', 'break-1', 'wait-400', 'wait-401']);
  expect(order.filter((each) => each.startsWith('wait')).sort()).toEqual(['wait-400', 'wait-401']);
  expect(order).toContain('break-1: In a computing thread: Error: broken as asked');
  expect(order).toContain('end-0: A computing thread ended.');
});

test('what takes too long is given up, and its thread with it; the next is answered', async () => {
  expect(await inOrder(['wait-60000'])).toEqual([
    'wait-60000: Too much is being worked out at once. Ask again in a moment.',
  ]);
  expect(await inOrder(['wait-1'])).toEqual(['wait-1']);
});

test('more than can wait is refused at once, and those before it are answered', async () => {
  const order = await inOrder(Array.from({ length: 80 }, (_, nth) => `wait-${20 + nth / 100}`));
  const refused = order.filter((each) => each.includes('Too much'));
  expect(refused.length).toBeGreaterThan(10);
  expect(order.slice(0, refused.length)).toEqual(refused);
  expect(order.length - refused.length).toBeGreaterThan(60);
});

test('a thread hears of every change before it is asked again, and what it heard once it does not hear twice', async () => {
  const feed = changeFeed();
  pool.follow(feed);
  await pool.answer(asked('wait-1'));
  for (const id of ['a', 'b']) feed.tell({ kind: 'job', id });
  expect(await pool.answer(asked('told-1'))).toEqual(['a', 'b']);
  expect(await pool.answer(asked('told-1'))).toEqual([]);
});

test('once it is closed nothing is worked out, and whoever waits is told', async () => {
  const waiting = inOrder(['wait-5000']);
  await new Promise((resolve) => setTimeout(resolve, 100));
  pool.close();
  expect((await waiting)[0]).toMatch('being put back');
  expect((await inOrder(['wait-1']))[0]).toMatch('being put back');
});
