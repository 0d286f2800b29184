/** Every route of the server answers as the contract says it does. */
import { yardThatMorning } from '../demo/that-morning';
import { paramNames, type Route, ROUTES } from '#formats/api';
import { type RunningServer, startStocked } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const yard = yardThatMorning();
let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(NOW));
});
afterAll(() => server.stop());

const routes = Object.values<Route>(ROUTES);
const questions = routes.filter(({ method }) => method === 'get');

/** What a path's first parameter may be, by what the address is about. */
function idsFor(path: string): readonly string[] {
  if (path.includes('/film/')) return ['moss-saloon'];
  if (path.startsWith('/api/jobs/')) return yard.jobs.map(({ id }) => id);
  if (path.startsWith('/api/items/')) return yard.jobs.flatMap(({ draft }) => draft.document.item?.id ?? []);
  if (path.startsWith('/api/products/')) return [yard.shelf[0]!.id];
  if (path.startsWith('/api/stock/')) return [server.services.stock.list({}).rows[0]!.id];
  if (path.startsWith('/api/photos/')) return [yard.jobs.flatMap(({ id }) => server.services.photos.of(id))[0]!.id];
  if (path.startsWith('/api/calendar/')) return ['bay:bay-1'];
  return ['bay-1'];
}
const addressesOf = ({ path }: Route): string[] => {
  const [first] = paramNames(path);
  const query = path.endsWith('/methods') ? `?product=${yard.shelf[0]!.id}` : '';
  if (first === undefined) return [path + query];
  return idsFor(path).map(
    (id) =>
      path.replace(`{${first}}`, encodeURIComponent(id)).replace('{product}', 'pilot-film').replace('{roll}', '1') +
      query,
  );
};

test('every question answered in JSON is answered by its schema, for every job, item and sheet', async () => {
  const asked: string[] = [];
  for (const route of questions) {
    if (!('schema' in route.answer)) continue;
    for (const address of addressesOf(route)) {
      // The client itself holds the answer against the contract.
      const { status } = await server.call('GET', address);
      expect([address, status]).toEqual([address, route.answer.status]);
      asked.push(address);
    }
  }
  expect(asked.length).toBeGreaterThan(questions.length);
});

test('an answer that is not as described is found out', async () => {
  const { requireAsDescribed } = await import('./testing/contract');
  expect(() => requireAsDescribed('GET', '/api/bays', 200, [{ id: 'bay-1' }])).toThrow('not by its schema');
  const late = { type: '/problems/stale-write', title: 'Changed', status: 412 };
  expect(() => requireAsDescribed('GET', '/api/bays', 412, late)).toThrow('not in the contract');
  expect(() => requireAsDescribed('PUT', '/api/bays/bay-1', 412, late)).not.toThrow();
});

test('every other question is answered in the media it names', async () => {
  for (const route of questions) {
    // This server has neither backups nor a certificate of its own.
    if (!('media' in route.answer) || /backups|authority/.test(route.path)) continue;
    const [address] = addressesOf(route);
    const response = await fetch(server.base + address!);
    expect([address, response.status]).toEqual([address, 200]);
    expect(response.headers.get('content-type')).toContain(route.answer.media);
    expect((await response.arrayBuffer()).byteLength).toBeGreaterThan(100);
  }
});

test('whatever is not there is answered with a problem, on every route', async () => {
  for (const { method, path, versioned } of routes) {
    if (paramNames(path).length === 0 || method === 'put') continue;
    const address = path.replaceAll(/\{\w+\}/g, 'nobody-knows-it');
    const sent = method === 'post' ? {} : undefined;
    const { status } = await server.call(method.toUpperCase(), address, sent, versioned ? 1 : undefined);
    expect([address, status === 404 || status === 400]).toEqual([address, true]);
  }
});

test('whoever names a version has to name it, and a wrong one writes nothing', async () => {
  for (const { method, path, versioned } of routes) {
    if (!versioned || method !== 'delete') continue;
    const address = path.replace('{id}', idsFor(path)[0]!);
    const missing = await server.call(method.toUpperCase(), address);
    expect([address, missing.status]).toEqual([address, 428]);
  }
  const { body: before } = await server.call('GET', '/api/jobs/hotel-shuttle');
  expect((await server.call('DELETE', '/api/jobs/hotel-shuttle', undefined, 99)).status).toBe(412);
  expect((await server.call('GET', '/api/jobs/hotel-shuttle')).body).toEqual(before);
});

test('the OpenAPI document names each route, with what it takes and every status it answers', async () => {
  interface Operation {
    readonly parameters: readonly { readonly name: string; readonly in: string }[];
    readonly responses: Readonly<Record<string, object>>;
  }
  const { body } = await server.call<{ paths: Record<string, Record<string, Operation>> }>('GET', '/api/openapi.json');
  for (const { method, path, versioned, answer } of routes) {
    const operation = body.paths[path]?.[method];
    expect([path, method, operation !== undefined]).toEqual([path, method, true]);
    const names = operation!.parameters.map(({ name }) => name);
    expect(names).toEqual(expect.arrayContaining(paramNames(path)));
    expect(names.includes('If-Match')).toBe(versioned === true);
    expect(Object.keys(operation!.responses)).toContain(String(answer.status));
  }
  const save = body.paths['/api/jobs/{id}']!.put!;
  expect(Object.keys(save.responses)).toEqual(
    expect.arrayContaining(['200', '400', '401', '403', '409', '412', '428']),
  );
  const found = body.paths['/api/jobs']!.get!.parameters.filter((each) => each.in === 'query');
  expect(found.map(({ name }) => name)).toEqual(['find', 'from']);
});
