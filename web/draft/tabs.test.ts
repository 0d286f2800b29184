import { waitFor } from '@testing-library/react';
import { changeDocument, changeSurface } from '#job/edit';
import type { JobDraft } from '#formats/job';
import { makeStore } from '../app/store';
import { cutInServer, server } from '../testing/yard';
import { draftStore } from './kept';
import { edited, opened } from './slice';

const [TOURER, SHUTTLE] = ['satin-tourer', 'hotel-shuttle'] as const;
type Tab = ReturnType<typeof makeStore>;
let tabs: Tab[] = [];

/** A tab of this device, with a job open. */
async function tabWith(id: string): Promise<Tab> {
  const tab = makeStore();
  tabs.push(tab);
  await tab.taken;
  tab.store.dispatch(opened(server.jobs.get(id)!));
  return tab;
}
const draftIn = ({ store }: Tab, id: string) => store.getState().drafts[id]!;
const edit = ({ store }: Tab, id: string, change: (draft: JobDraft) => JobDraft) =>
  store.dispatch(edited({ id, draft: change(store.getState().drafts[id]!.draft) }));
const isUnreachable = (tab: Tab, id: string) =>
  waitFor(() => expect(draftIn(tab, id).state.kind).toBe('unreachable'), { timeout: 4000 });
const title = (text: string) => changeDocument({ title: text });
const note = (text: string) => (draft: JobDraft) =>
  changeSurface(draft.document.surfaces[0]!.id, { note: text })(draft);

beforeAll(cutInServer);
beforeEach(() => {
  server.reset();
  server.down = true;
  tabs = [];
});
beforeEach(async () => {
  for (const kept of await draftStore().all()) await draftStore().drop(kept.jobId, kept);
});
afterEach(() => Promise.all(tabs.map((tab) => tab.end())));

test('two tabs, two jobs: neither erases what the other has not saved', async () => {
  const [one, other] = [await tabWith(TOURER), await tabWith(SHUTTLE)];
  edit(one, TOURER, title('Tourer, offline'));
  edit(other, SHUTTLE, title('Shuttle, offline'));
  await isUnreachable(one, TOURER);
  await isUnreachable(other, SHUTTLE);
  edit(one, TOURER, title('Tourer, once more'));
  await Promise.all([one.end(), other.end()]);
  const next = await tabWith(TOURER);
  expect(draftIn(next, TOURER).draft.document.title).toBe('Tourer, once more');
  expect(draftIn(next, SHUTTLE).draft.document.title).toBe('Shuttle, offline');
  server.down = false;
  await waitFor(() => expect([TOURER, SHUTTLE].map((id) => draftIn(next, id).state.kind)).toEqual(['saved', 'saved']), {
    timeout: 8000,
  });
  expect(server.jobs.get(SHUTTLE)!.document.title).toBe('Shuttle, offline');
  await waitFor(async () => expect((await draftStore().all()).map(({ jobId }) => jobId)).toEqual([]));
});

test('two tabs, one job, both closed before the server is back: the next has both edits', async () => {
  const [one, other] = [await tabWith(TOURER), await tabWith(TOURER)];
  edit(one, TOURER, title('Of the first tab'));
  edit(other, TOURER, note('Of the second'));
  await waitFor(() => {
    for (const tab of [one, other]) {
      const { document } = draftIn(tab, TOURER).draft;
      expect([document.title, document.surfaces[0]!.note]).toEqual(['Of the first tab', 'Of the second']);
    }
  });
  await Promise.all([one.end(), other.end()]);
  const next = await tabWith(TOURER);
  server.down = false;
  await waitFor(() => expect(draftIn(next, TOURER).state.kind).toBe('saved'), { timeout: 8000 });
  const { document } = server.jobs.get(TOURER)!;
  expect([document.title, document.surfaces[0]!.note]).toEqual(['Of the first tab', 'Of the second']);
});

test('two tabs, one job, the server there: each follows what the other saved', async () => {
  server.down = false;
  const [one, other] = [await tabWith(TOURER), await tabWith(TOURER)];
  edit(one, TOURER, title('First'));
  edit(other, TOURER, note('Second'));
  await waitFor(
    () => {
      for (const tab of [one, other]) expect(draftIn(tab, TOURER).state.kind).toBe('saved');
      const { document } = server.jobs.get(TOURER)!;
      expect([document.title, document.surfaces[0]!.note]).toEqual(['First', 'Second']);
      // The other's save is heard of a moment after the server has it.
      expect(draftIn(one, TOURER).version).toBe(draftIn(other, TOURER).version);
    },
    { timeout: 8000 },
  );
});

test('a full device is told, and so is when it has room again', async () => {
  const tab = await tabWith(TOURER);
  const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('no room', 'QuotaExceededError');
  });
  edit(tab, TOURER, title('Not kept'));
  await waitFor(() => expect(draftIn(tab, TOURER).isNotKept).toBe(true));
  expect(draftIn(tab, TOURER).draft.document.title).toBe('Not kept');
  full.mockRestore();
  edit(tab, TOURER, title('Kept'));
  await waitFor(() => expect(draftIn(tab, TOURER).isNotKept).toBeUndefined());
  expect((await draftStore().one(TOURER))!.draft.document.title).toBe('Kept');
});
