/** Every door of the server answers as it says it does: by the schema it is described with. */
import { z } from 'zod';
import { yardThatMorning } from '../demo/that-morning';
import { accountEndpoints } from './routes/accounts';
import { bayEndpoints } from './routes/bays';
import { calendarEndpoints } from './routes/calendar';
import { instrumentEndpoints } from './routes/instruments';
import { itemEndpoints } from './routes/items';
import { ownerEndpoints } from './routes/owners';
import { jobEndpoints } from './routes/jobs';
import { kitEndpoints } from './routes/kit';
import { offerEndpoints } from './routes/offers';
import { photoEndpoints } from './routes/photos';
import { shelfEndpoints } from './routes/shelf';
import { stockEndpoints } from './routes/stock';
import { type RunningServer, startStocked } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const yard = yardThatMorning();
let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(NOW));
});
afterAll(() => server.stop());

const endpoints = () => [
  ...jobEndpoints(server.services),
  ...shelfEndpoints(server.services),
  ...bayEndpoints(server.services),
  ...calendarEndpoints(server.services),
  ...kitEndpoints(server.services),
  ...offerEndpoints(server.services),
  ...instrumentEndpoints(server.services.now),
  ...photoEndpoints(server.services),
  ...itemEndpoints(server.services),
  ...ownerEndpoints(server.services),
  ...stockEndpoints(server.services),
  ...accountEndpoints(server.services),
];

/** What stands for a parameter, by the door it belongs to. */
const idFor = (path: string): string[] => {
  if (path.startsWith('/api/jobs/')) return yard.jobs.map(({ id }) => id);
  if (path.startsWith('/api/items/')) return yard.jobs.flatMap(({ draft }) => draft.document.item?.id ?? []);
  if (path.startsWith('/api/products/')) return [yard.shelf[0]!.id];
  if (path.startsWith('/api/stock/')) return [server.services.stock.list({}).rows[0]!.id];
  return ['bay-1'];
};

test('every question that is answered in JSON is answered by its schema, for every job, item and sheet', async () => {
  const asked: string[] = [];
  for (const { method, path, answer } of endpoints()) {
    if (method !== 'get' || !answer.schema) continue;
    const ids = path.includes('{id}') ? idFor(path) : [''];
    for (const id of ids) {
      const address = path.replace('{id}', encodeURIComponent(id));
      const { status, body } = await server.call('GET', address);
      const said = answer.schema.safeParse(body);
      expect([address, status, said.success ? 'as described' : z.prettifyError(said.error)]).toEqual([
        address,
        answer.status,
        'as described',
      ]);
      asked.push(address);
    }
  }
  expect(asked.length).toBeGreaterThan(40);
});

test('every other question is answered in the media it names, or says that there is no such thing', async () => {
  for (const { method, path, answer } of endpoints()) {
    if (method !== 'get' || !answer.media || path.includes('/photos/')) continue;
    const id = path.includes('/film/') ? 'moss-saloon' : path.startsWith('/api/jobs/') ? 'satin-tourer' : '';
    const response = await fetch(
      server.base +
        path
          .replace('{id}', id)
          .replace('{product}', 'pilot-film')
          .replace('{roll}', '1')
          .replace('{what}', 'bay:bay-1'),
    );
    expect([path, response.status]).toEqual([path, 200]);
    expect(response.headers.get('content-type')).toContain(answer.media);
    expect((await response.arrayBuffer()).byteLength).toBeGreaterThan(100);
  }
});

test('what is not there is said so at every door, with a problem and not a page', async () => {
  for (const { method, path, versioned } of endpoints()) {
    if (!path.includes('{id}') || method === 'put') continue;
    const address = path.replace('{id}', 'nobody-knows-it');
    const sent = method === 'post' ? {} : undefined;
    const { status, body } = await server.call<{ title: string }>(
      method.toUpperCase(),
      address,
      sent,
      versioned ? 1 : undefined,
    );
    expect([address, status === 404 || status === 400]).toEqual([address, true]);
    expect(body.title).not.toBe('');
  }
});

test('whoever names a version has to name it, and a wrong one writes nothing', async () => {
  for (const { method, path, versioned } of endpoints()) {
    if (!versioned || method !== 'delete') continue;
    const address = path.replace('{id}', idFor(path)[0]!);
    const missing = await server.call(method.toUpperCase(), address);
    expect([address, missing.status]).toEqual([address, 428]);
  }
  const { body: before } = await server.call('GET', '/api/jobs/hotel-shuttle');
  expect((await server.call('DELETE', '/api/jobs/hotel-shuttle', undefined, 99)).status).toBe(412);
  expect((await server.call('GET', '/api/jobs/hotel-shuttle')).body).toEqual(before);
});

test('the description of the doors names each of them, with what it takes and answers', async () => {
  const { body } = await server.call<{ paths: Record<string, Record<string, { parameters: { name: string }[] }>> }>(
    'GET',
    '/api/openapi.json',
  );
  for (const { method, path, versioned } of endpoints()) {
    const operation = body.paths[path]?.[method];
    expect([path, method, operation !== undefined]).toEqual([path, method, true]);
    const names = operation!.parameters.map(({ name }) => name);
    if (path.includes('{id}')) expect(names).toContain('id');
    expect(names.includes('If-Match')).toBe(versioned === true);
  }
});
