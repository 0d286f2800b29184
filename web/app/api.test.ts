import { cutInServer, server } from '../testing/yard';
import { api, tagsOfChange } from './api';
import { makeStore } from './store';

const TOURER = 'satin-tourer';
let tab: ReturnType<typeof makeStore>;
const store = () => tab.store;

beforeAll(cutInServer);
beforeEach(async () => {
  server.reset();
  tab = makeStore();
  await tab.taken;
});
afterEach(() => tab.end());

/** Asks for some things as a screen that stays open does. @returns what was asked for since, as it is called */
async function watching() {
  const { dispatch } = store();
  const open = [
    dispatch(api.endpoints.job.initiate({ id: TOURER })),
    dispatch(api.endpoints.job.initiate({ id: 'hotel-shuttle' })),
    dispatch(api.endpoints.log.initiate({ id: TOURER })),
    dispatch(api.endpoints.jobsOfTheDay.initiate()),
    dispatch(api.endpoints.bays.initiate()),
  ];
  await Promise.all(open);
  server.calls = [];
  return async () => {
    await Promise.all(dispatch(api.util.getRunningQueriesThunk()));
    return server.calls.filter(({ method }) => method === 'GET').map(({ path }) => path.slice(5));
  };
}

test('a call is sent as its route says: address, body, edited version, and whose tap it was', async () => {
  const { document, bayId, airSource } = server.jobs.get(TOURER)!;
  const sent: Request[] = [];
  const { fetch } = globalThis;
  globalThis.fetch = (input, init) => {
    sent.push(new Request(input, init));
    return fetch(input, init);
  };
  const { dispatch } = store();
  await dispatch(api.endpoints.saveJob.initiate({ id: TOURER, version: 1, body: { document, bayId, airSource } }));
  const line = { line: 'gloves', ticked: true };
  await dispatch(api.endpoints.tick.initiate({ id: TOURER, body: line, turn: 'morning' }));
  await dispatch(api.endpoints.items.initiate({ find: 'wax & oil', from: 40 }));
  globalThis.fetch = fetch;
  expect(sent.map(({ method, url }) => `${method} ${url.replace(location.origin, '')}`)).toEqual([
    `PUT /api/jobs/${TOURER}`,
    `PUT /api/jobs/${TOURER}/ticks`,
    'GET /api/items?find=wax+%26+oil&from=40',
  ]);
  expect(sent[0]!.headers.get('if-match')).toBe('"1"');
  expect(sent[1]!.headers.get('glaphyra-turn')).toBe('morning');
  expect(await sent[1]!.json()).toEqual(line);
});

test('what a call has changed is read again, and nothing else', async () => {
  const since = await watching();
  const { document, bayId, airSource } = server.jobs.get(TOURER)!;
  const draft = { id: TOURER, version: 1, body: { document, bayId, airSource } };
  await store().dispatch(api.endpoints.saveJob.initiate(draft));
  expect((await since()).toSorted()).toEqual([`jobs/${TOURER}`, 'today']);
});

test('a call that was refused has changed nothing', async () => {
  const since = await watching();
  const { document, bayId, airSource } = server.jobs.get(TOURER)!;
  const stale = { id: TOURER, version: 99, body: { document, bayId, airSource } };
  const { error } = await store().dispatch(api.endpoints.saveJob.initiate(stale));
  expect(error).toMatchObject({ status: 412 });
  expect(await since()).toEqual([]);
});

test('a change another tablet made is read again where it shows: one log, and the lists made of logs', async () => {
  const since = await watching();
  store().dispatch(api.util.invalidateTags(tagsOfChange('log', TOURER)));
  expect((await since()).toSorted()).toEqual([`jobs/${TOURER}/log`, 'today']);
  server.calls = [];
  store().dispatch(api.util.invalidateTags(tagsOfChange('bay', 'bay-1')));
  expect(await since()).toEqual(['bays']);
});
