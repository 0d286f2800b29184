import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { api, problemOf } from '../app/api';
import type { AppDispatch, RootState } from '../app/state';
import { outbox, storeOutbox } from './slice';

const RETRY_MS = 1500;
const { tapped, sent, refused, unreachable } = outbox.actions;

/** Sends taps one after the other, in their order, until the server has acknowledged each. */
export const sending = createListenerMiddleware();

sending.startListening({
  matcher: isAnyOf(tapped, sent, refused),
  effect: (_action, { getState }) => storeOutbox((getState() as RootState).outbox),
});

let busy = false;

sending.startListening({
  // The first query of a page also takes up what an earlier page left behind.
  matcher: isAnyOf(tapped, api.endpoints.log.matchFulfilled),
  effect: async (_action, listener) => {
    if (busy) return;
    busy = true;
    try {
      await sendAll(listener.dispatch as AppDispatch, () => (listener.getState() as RootState).outbox.waiting[0]);
    } finally {
      busy = false;
    }
  },
});

async function sendAll(
  dispatch: AppDispatch,
  next: () => RootState['outbox']['waiting'][number] | undefined,
): Promise<void> {
  for (let first = next(); first; first = next()) {
    const { jobId, entry } = first;
    const answer = await dispatch(api.endpoints.appendLog.initiate({ jobId, entry }, { track: false }));
    if (answer.data) {
      dispatch(sent(entry.id));
      continue;
    }
    const problem = problemOf(answer.error);
    if (problem && problem.status < 500) {
      dispatch(refused({ id: entry.id, why: problem.detail ?? problem.title }));
      dispatch(api.util.invalidateTags([{ type: 'Log', id: jobId }]));
    } else {
      dispatch(unreachable());
      await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
    }
  }
}
