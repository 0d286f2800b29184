import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { NewEntry } from '#formats/log';

/** Taps at the bay on their way into the log. Kept on the device until the server has them on its disk. */
export interface Outbox {
  readonly waiting: readonly { readonly jobId: string; readonly entry: NewEntry }[];
  /** The server did not answer the last time. */
  readonly unreachable: boolean;
  /** Why the last entry was not logged. */
  readonly refused?: string | undefined;
}

const KEY = 'glaphyra.outbox';

function stored(): Outbox['waiting'] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Outbox['waiting'];
  } catch {
    return [];
  }
}

export function storeOutbox({ waiting }: Outbox): void {
  localStorage.setItem(KEY, JSON.stringify(waiting));
}

export const outbox = createSlice({
  name: 'outbox',
  initialState: (): Outbox => ({ waiting: stored(), unreachable: false }),
  reducers: {
    tapped(state, { payload }: PayloadAction<Outbox['waiting'][number]>) {
      state.waiting.push(payload);
      state.refused = undefined;
    },
    sent(state, { payload: id }: PayloadAction<string>) {
      state.waiting = state.waiting.filter(({ entry }) => entry.id !== id);
      state.unreachable = false;
    },
    refused(state, { payload: { id, why } }: PayloadAction<{ id: string; why: string }>) {
      // What was tapped after it was tapped believing it had been logged.
      const refusedJob = state.waiting.find(({ entry }) => entry.id === id)?.jobId;
      state.waiting = state.waiting.filter(({ jobId }) => jobId !== refusedJob);
      state.unreachable = false;
      state.refused = why;
    },
    unreachable(state) {
      state.unreachable = true;
    },
    refusalRead(state) {
      state.refused = undefined;
    },
  },
});

export const { tapped, refusalRead } = outbox.actions;
