import { waitFor } from '@testing-library/react';
import type { JobDraft } from '#formats/job';
import { changeDocument } from '#job/edit';
import { api } from '../app/api';
import { store } from '../app/store';
import { cutInServer, server } from '../testing/yard';
import { edited, opened, settled, undone } from './slice';

const JOB = 'satin-tourer';
const current = () => store.getState().drafts[JOB]!;
const edit = (title: string) => store.dispatch(edited({ id: JOB, draft: changeDocument({ title })(current().draft) }));
const puts = () => server.calls.filter(({ method }) => method === 'PUT');
const stored = () => server.jobs.get(JOB)!.document.title;
const kept = () => JSON.parse(localStorage.getItem('glaphyra.drafts') ?? '{}') as Record<string, { draft: JobDraft }>;
const isSaved = () => expect(current().state.kind).toBe('saved');

beforeAll(() => {
  cutInServer();
  server.reset();
  store.dispatch(opened(server.jobs.get(JOB)!));
});
beforeEach(() => {
  server.calls = [];
  server.down = false;
  server.instead = undefined;
});

test('edits made close together are saved as one, with the version they were based on', async () => {
  const { version } = current();
  for (const title of ['S', 'Sa', 'Sat']) edit(title);
  expect(kept()[JOB]!.draft.document.title).toBe('Sat');
  await waitFor(isSaved, { timeout: 4000 });
  expect(puts()).toHaveLength(1);
  expect(stored()).toBe('Sat');
  expect(current().version).toBe(version + 1);
  expect(kept()).toEqual({});
});

test('an edit while a slow save is on its way waits for its answer, and follows its version', async () => {
  const { version } = current();
  let answered!: () => void;
  server.slowness = new Promise((resolve) => (answered = resolve));
  edit('Slow');
  await waitFor(() => expect(puts()).toHaveLength(1), { timeout: 4000 });
  edit('Sat');
  // Longer than edits are gathered: a second write would be refused as somebody else's.
  await new Promise((resolve) => setTimeout(resolve, 900));
  expect(puts()).toHaveLength(1);
  answered();
  await waitFor(isSaved, { timeout: 4000 });
  expect(puts().map((put) => put.version)).toEqual([version, version + 1]);
  expect(stored()).toBe('Sat');
});

test('an undo is an edit like any other, and is saved too', async () => {
  edit('Mistaken');
  await waitFor(isSaved, { timeout: 4000 });
  store.dispatch(undone(JOB));
  await waitFor(() => expect(stored()).toBe('Sat'), { timeout: 4000 });
  await waitFor(isSaved, { timeout: 4000 });
});

test('with the server gone the draft stands, is kept on the device, and is saved when it is back', async () => {
  server.down = true;
  edit('Kept');
  await waitFor(() => expect(current().state.kind).toBe('unreachable'), { timeout: 4000 });
  expect(current().draft.document.title).toBe('Kept');
  expect(kept()[JOB]!.draft.document.title).toBe('Kept');
  expect(stored()).toBe('Sat');
  server.down = false;
  await waitFor(isSaved, { timeout: 8000 });
  expect(stored()).toBe('Kept');
}, 15_000);

test('a refused save waits for a decision; either way the other stays one undo away', async () => {
  const refusal = {
    type: '/problems/stale-write',
    title: 'Changed',
    status: 412,
    version: 99,
    changed: ['document.title'],
  };
  server.instead = ({ method }) =>
    method === 'PUT'
      ? new Response(JSON.stringify(refusal), { status: 412, headers: { 'content-type': 'application/problem+json' } })
      : undefined;
  edit('Mine');
  await waitFor(
    () => expect(current().state).toMatchObject({ kind: 'refused', problem: { changed: ['document.title'] } }),
    { timeout: 4000 },
  );
  const before = puts().length;
  await store.dispatch(api.endpoints.job.initiate(JOB, { forceRefetch: true }));
  await new Promise((resolve) => setTimeout(resolve, 800));
  expect(puts()).toHaveLength(before);
  server.instead = undefined;
  store.dispatch(settled({ record: server.jobs.get(JOB)!, keep: 'mine' }));
  await waitFor(isSaved, { timeout: 4000 });
  expect(stored()).toBe('Mine');
  store.dispatch(undone(JOB));
  await waitFor(() => expect(stored()).toBe('Kept'), { timeout: 4000 });
}, 15_000);
