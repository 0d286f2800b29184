import { waitFor } from '@testing-library/react';
import type { JobDraft } from '#formats/job';
import { changeDocument } from '#job/edit';
import { api } from '../app/api';
import { store } from '../app/store';
import { cutInServer, server } from '../testing/yard';
import { draftStore } from './kept';
import { chosen, edited, opened, undone } from './slice';

const JOB = 'satin-tourer';
const current = () => store.getState().drafts[JOB]!;
const edit = (title: string) => store.dispatch(edited({ id: JOB, draft: changeDocument({ title })(current().draft) }));
const puts = () => server.calls.filter(({ method }) => method === 'PUT');
const stored = () => server.jobs.get(JOB)!.document.title;
const device = draftStore();
const kept = async () => (await device.one(JOB))?.draft.document.title;
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
  // Once it is saved the device keeps nothing: the answer comes when that has been seen.
  let answered!: () => void;
  server.slowness = new Promise((resolve) => (answered = resolve));
  for (const title of ['S', 'Sa', 'Sat']) edit(title);
  await waitFor(async () => expect(await kept()).toBe('Sat'));
  answered();
  await waitFor(isSaved, { timeout: 4000 });
  expect(puts()).toHaveLength(1);
  expect(stored()).toBe('Sat');
  expect(current().version).toBe(version + 1);
  await waitFor(async () => expect(await kept()).toBeUndefined());
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
  expect(await kept()).toBe('Kept');
  expect(stored()).toBe('Sat');
  server.down = false;
  await waitFor(isSaved, { timeout: 8000 });
  expect(stored()).toBe('Kept');
});

/** Someone else saves the job from what it was. */
function theirs(change: (draft: JobDraft) => JobDraft): void {
  const { id, version, createdAt, updatedAt, ...draft } = server.jobs.get(JOB)!;
  server.jobs.set(JOB, { id, version: version + 1, createdAt, updatedAt, ...change(draft) });
}

test('someone else was first, with other facts: both are put together and saved, and mine alone is one undo away', async () => {
  server.down = true;
  edit('Mine');
  await waitFor(() => expect(current().state.kind).toBe('unreachable'), { timeout: 4000 });
  const [panel] = current().draft.document.surfaces;
  theirs((draft) => ({
    ...draft,
    document: {
      ...draft.document,
      surfaces: draft.document.surfaces.map((each) => (each.id === panel!.id ? { ...each, name: 'Their tank' } : each)),
    },
  }));
  server.down = false;
  await waitFor(isSaved, { timeout: 8000 });
  const { document } = server.jobs.get(JOB)!;
  expect([document.title, document.surfaces[0]!.name]).toEqual(['Mine', 'Their tank']);
  store.dispatch(undone(JOB));
  await waitFor(() => expect(server.jobs.get(JOB)!.document.surfaces[0]!.name).toBe(panel!.name), { timeout: 4000 });
  await waitFor(isSaved, { timeout: 4000 });
});

test('where both changed the same fact it waits for a decision; either way the other stays one undo away', async () => {
  theirs(changeDocument({ title: 'Theirs' }));
  edit('Mine again');
  await waitFor(
    () =>
      expect(current().state).toMatchObject({
        kind: 'refused',
        clashes: [{ path: 'document.title', mine: 'Mine again', theirs: 'Theirs' }],
      }),
    { timeout: 4000 },
  );
  const before = puts().length;
  await store.dispatch(api.endpoints.job.initiate({ id: JOB }, { forceRefetch: true }));
  await new Promise((resolve) => setTimeout(resolve, 800));
  expect(puts()).toHaveLength(before);
  // It outlives the page, with what it was made of.
  expect(await device.one(JOB)).toMatchObject({ base: { document: { title: 'Mine' } } });
  store.dispatch(chosen({ id: JOB, mineAt: ['document.title'] }));
  await waitFor(isSaved, { timeout: 4000 });
  expect(stored()).toBe('Mine again');
  theirs(changeDocument({ title: 'Theirs once more' }));
  edit('And mine');
  await waitFor(() => expect(current().state.kind).toBe('refused'), { timeout: 4000 });
  store.dispatch(chosen({ id: JOB, mineAt: [] }));
  await waitFor(isSaved, { timeout: 4000 });
  expect(stored()).toBe('Theirs once more');
  store.dispatch(undone(JOB));
  await waitFor(() => expect(stored()).toBe('And mine'), { timeout: 4000 });
});
