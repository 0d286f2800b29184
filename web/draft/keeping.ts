import { createListenerMiddleware, isAnyOf, type PayloadAction } from '@reduxjs/toolkit';
import type { JobDraft } from '#formats/job';
import type { AppDispatch, RootState } from '../app/state';
import { type DraftStore, draftStore, type KeptDraft } from './kept';
import { drafts, unsavedOf } from './slice';

/** By which the tabs of this device tell one another what they keep and what they have saved. */
const CHANNEL = 'glaphyra.drafts';
type Told =
  | { readonly kind: 'kept'; readonly id: string }
  | { readonly kind: 'saved'; readonly id: string; readonly version: number; readonly draft: JobDraft };

const { edited, undone, redone, settled, overtaken, chosen, saved, saveStarted, found, joinedWithOthers, keeping } =
  drafts.actions;

interface Listener {
  readonly dispatch: AppDispatch;
  readonly getState: () => RootState;
}

/** Keeps what is unsaved on this device, one record a job, which all its tabs share. */
export function draftKeeping(store: DraftStore = draftStore()) {
  const middleware = createListenerMiddleware<RootState, AppDispatch>();
  /** The record of each job as this tab last knew it. */
  const seen = new Map<string, KeptDraft>();
  /** Jobs whose record is being written, and of those the ones that have changed since. */
  const writing = new Map<string, Promise<void>>();
  const changedSince = new Set<string>();
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);
  const tell = (told: Told) => channel?.postMessage(told);

  /** Everything unsaved on the device is taken up before a job is opened. */
  async function takeUp({ dispatch }: Listener): Promise<void> {
    try {
      for (const record of await store.all()) {
        seen.set(record.jobId, record);
        dispatch(found({ id: record.jobId, unsaved: record }));
      }
    } catch {
      // Nothing can be read here: nothing will be kept either, and that is told with the first edit.
    }
  }

  /** Writes the record of a job as it is by then; one write at a time, the last one last. */
  function keep(id: string, listener: Listener): Promise<void> {
    const underway = writing.get(id);
    if (underway) {
      changedSince.add(id);
      return underway;
    }
    const written = write(id, listener).finally(() => {
      writing.delete(id);
      if (changedSince.delete(id)) void keep(id, listener);
    });
    writing.set(id, written);
    return written;
  }

  async function write(id: string, { dispatch, getState }: Listener): Promise<void> {
    const current = getState().drafts[id];
    if (!current) return;
    const known = seen.get(id);
    try {
      if (current.state.kind === 'saved') {
        if (known) await store.drop(id, known);
        seen.delete(id);
        tell({ kind: 'saved', id, version: current.version, draft: current.base });
      } else {
        const mine = unsavedOf(current);
        const { record, isJoined, isWritten } = await store.keep(id, mine, known);
        seen.set(id, record);
        if (isJoined) dispatch(joinedWithOthers({ id, kept: mine.draft, joined: record }));
        if (isWritten) tell({ kind: 'kept', id });
      }
      dispatch(keeping({ id, isKept: true }));
    } catch {
      dispatch(keeping({ id, isKept: false }));
    }
  }

  /** Another tab wrote the record of a job that is open here. */
  async function hear(told: Told, listener: Listener): Promise<void> {
    const { dispatch, getState } = listener;
    if (!getState().drafts[told.id]) return;
    if (told.kind === 'saved') {
      dispatch(drafts.actions.savedElsewhere(told));
      return;
    }
    await writing.get(told.id);
    const record = await store.one(told.id).catch(() => undefined);
    const known = seen.get(told.id);
    const current = getState().drafts[told.id];
    if (!record || !current || record.edition === known?.edition) return;
    if (current.state.kind !== 'saved') {
      // Written anew, it is joined with the other's.
      await keep(told.id, listener);
      return;
    }
    seen.set(told.id, record);
    dispatch(found({ id: told.id, unsaved: record }));
  }

  middleware.startListening({
    matcher: isAnyOf(edited, undone, redone, settled, overtaken, chosen, saveStarted, saved),
    effect: (action, listener) => void keep(jobOf((action as PayloadAction<Payload>).payload), listener),
  });

  return {
    middleware: middleware.middleware,
    /** To be called once the store stands. @returns when all that was kept has been taken up */
    start(listener: Listener): Promise<void> {
      if (channel) channel.onmessage = ({ data }: MessageEvent<Told>) => void hear(data, listener);
      return takeUp(listener);
    },
    /** As when the tab is closed: what is on its way to the disk still comes there. */
    async end(): Promise<void> {
      middleware.clearListeners();
      channel?.close();
      await Promise.all(writing.values());
    },
  };
}

type Payload = string | { readonly id: string } | { readonly record: { readonly id: string } };

/** Which job an action is about. */
function jobOf(payload: Payload): string {
  if (typeof payload === 'string') return payload;
  return 'record' in payload ? payload.record.id : payload.id;
}
