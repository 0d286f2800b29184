import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { api, problemOf } from '../app/api';
import type { AppDispatch, RootState } from '../app/state';
import { drafts, storeUnsaved } from './slice';

/** Edits this close together are saved as one. */
const SETTLE_MS = 350;
/** How long to wait before asking an unreachable server again. */
const RETRY_MS = 3000;

const { edited, undone, redone, settled, overtaken, chosen, saveStarted, saved, saveFailed } = drafts.actions;
/** Somebody else was first. */
const STALE = 412;

/** Saves every edited job by itself, one write at a time, and again when the server comes back. */
export const saving = createListenerMiddleware();

saving.startListening({
  matcher: isAnyOf(edited, undone, redone, settled, overtaken, chosen, saved),
  effect: (_action, { getState }) => storeUnsaved((getState() as RootState).drafts),
});

saving.startListening.withTypes<RootState, AppDispatch>()({
  // Reading a job also takes up what an earlier page had not saved.
  matcher: isAnyOf(
    edited,
    undone,
    redone,
    settled,
    overtaken,
    chosen,
    saved,
    saveFailed,
    api.endpoints.job.matchFulfilled,
  ),
  effect: async (_action, listener) => {
    listener.cancelActiveListeners();
    const states = () => Object.entries((listener.getState() as RootState).drafts);
    const waiting = states().some(([, { state }]) => state.kind === 'unreachable');
    await listener.delay(waiting ? RETRY_MS : SETTLE_MS);
    for (const [id] of states()) {
      // A write that is still on its way carries the version this one has to follow.
      await listener.pause(underway.get(id) ?? Promise.resolve());
      const kind = (listener.getState() as RootState).drafts[id]?.state.kind;
      if (kind === 'dirty' || kind === 'unreachable') await listener.pause(save(id, listener));
    }
  },
});

/** Writes that the server has not answered yet, by job. An edit meanwhile ends the waiting for one, not the write. */
const underway = new Map<string, Promise<void>>();

interface Listener {
  readonly dispatch: AppDispatch;
  readonly getState: () => unknown;
}

function save(id: string, listener: Listener): Promise<void> {
  const written = write(id, listener).finally(() => underway.delete(id));
  underway.set(id, written);
  return written;
}

async function write(id: string, { dispatch, getState }: Listener): Promise<void> {
  const { version, draft } = (getState() as RootState).drafts[id]!;
  dispatch(saveStarted(id));
  const answer = await dispatch(api.endpoints.saveJob.initiate({ id, version, draft }, { track: false }));
  if (answer.data) {
    dispatch(saved({ sent: draft, record: answer.data }));
    return;
  }
  const problem = problemOf(answer.error);
  const { data: record } =
    problem?.status === STALE
      ? await dispatch(api.endpoints.job.initiate(id, { forceRefetch: true, subscribe: false }))
      : { data: undefined };
  if (problem && record) dispatch(overtaken({ record, problem }));
  else dispatch(saveFailed({ id, problem }));
}
