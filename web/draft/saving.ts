import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { api, problemOf } from '../app/api';
import type { AppDispatch, RootState } from '../app/state';
import { drafts } from './slice';

/** Edits this close together are saved as one. */
const SETTLE_MS = 350;
/** How long to wait before asking an unreachable server again. */
const RETRY_MS = 3000;

const { edited, undone, redone, settled, overtaken, chosen, found, joinedWithOthers, savedElsewhere } = drafts.actions;
const { saveStarted, saved, saveFailed } = drafts.actions;
/** Somebody else was first. */
const STALE = 412;

interface Listener {
  readonly dispatch: AppDispatch;
  readonly getState: () => RootState;
}

/** Saves every edited job by itself, one write at a time, and again when the server comes back. */
export function draftSaving() {
  const saving = createListenerMiddleware<RootState, AppDispatch>();
  /** Writes that the server has not answered yet, by job. An edit meanwhile ends the waiting for one, not the write. */
  const underway = new Map<string, Promise<void>>();

  function save(id: string, listener: Listener): Promise<void> {
    const written = write(id, listener).finally(() => underway.delete(id));
    underway.set(id, written);
    return written;
  }

  saving.startListening({
    matcher: isAnyOf(
      ...[edited, undone, redone, settled, overtaken, chosen, found, joinedWithOthers, savedElsewhere],
      ...[saved, saveFailed],
      // Reading a job also goes on with what an earlier page had not saved.
      api.endpoints.job.matchFulfilled,
    ),
    effect: async (_action, listener) => {
      listener.cancelActiveListeners();
      // What was not tried yet comes first: a failure begins this anew, and would keep it waiting for ever.
      const unsaved = () =>
        (['dirty', 'unreachable'] as const).flatMap((kind) =>
          Object.entries(listener.getState().drafts).flatMap(([id, { state }]) => (state.kind === kind ? [id] : [])),
        );
      const [first] = unsaved();
      const isOffline = first !== undefined && listener.getState().drafts[first]?.state.kind === 'unreachable';
      await listener.delay(isOffline ? RETRY_MS : SETTLE_MS);
      for (const id of unsaved()) {
        // A write that is still on its way carries the version this one has to follow.
        await listener.pause(underway.get(id) ?? Promise.resolve());
        if (unsaved().includes(id)) await listener.pause(save(id, listener));
      }
    },
  });
  return saving;
}

async function write(id: string, { dispatch, getState }: Listener): Promise<void> {
  const { version, draft } = getState().drafts[id]!;
  dispatch(saveStarted(id));
  const answer = await dispatch(api.endpoints.saveJob.initiate({ id, version, body: draft }, { track: false }));
  if (answer.data) {
    dispatch(saved({ sent: draft, record: answer.data }));
    return;
  }
  const problem = problemOf(answer.error);
  const { data: record } =
    problem?.status === STALE
      ? await dispatch(api.endpoints.job.initiate({ id }, { forceRefetch: true, subscribe: false }))
      : { data: undefined };
  if (problem && record) dispatch(overtaken({ record, problem }));
  else dispatch(saveFailed({ id, problem }));
}
