/** How long a product lasts here, over real requests: drops of all items, each item once. */
import type { ProductLasted } from '#formats/log';
import { startStocked } from './testing/client';

const LATER = '2027-05-02T10:40:00+02:00';
let server: Awaited<ReturnType<typeof startStocked>>;
beforeAll(async () => {
  server = await startStocked(() => new Date(LATER));
});
afterAll(() => server.stop());

const lasted = async (product: string) =>
  (await server.call<ProductLasted>('GET', `/api/products/${product}/lasted`)).body;
const read = async (job: string, id: string, surface: string, deg: number) => {
  const entry = { type: 'bead', surface, deg, sigmaDeg: 2 };
  const answer = await server.call('POST', `/api/jobs/${job}/log`, { id, at: LATER, entry });
  expect([job, id, answer.status]).toEqual([job, id, 201]);
};

test('drops of later months say how long a product lasts here; two panels of one item are one item, and one is too few', async () => {
  expect(await lasted('breakwater')).toMatchObject({ items: 0, factor: 1, says: 'too-few', of: [], seen: [] });
  await read('slate-estate', 'late-1', 'front-door-left', 80);
  const first = await lasted('breakwater');
  expect(first).toMatchObject({ items: 1, says: 'too-few', of: [{ jobId: 'slate-estate', name: 'Slate estate' }] });
  expect(first.factor).toBeLessThan(1);
  expect(first.low).toBeLessThan(first.factor);
  await read('slate-estate', 'late-2', 'bonnet', 80);
  const second = await lasted('breakwater');
  expect([second.items, second.of[0]!.drops]).toEqual([1, 2 + first.seen.length - 1]);
  expect(second.factor).toBeLessThanOrEqual(first.factor);
  // Read on another product it says nothing of this one.
  expect((await lasted('all-hands')).items).toBe(0);
  expect((await server.call('GET', '/api/products/nothing/lasted')).status).toBe(404);
});
