import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { KeptTap } from './kept';

/** Taps at the bay on their way into the log, as this tab knows them; what is true is what the device keeps. */
export interface Outbox {
  readonly taps: readonly KeptTap[];
  /** Why the server did not take the first of them the last time; absent: it did, or was not asked. */
  readonly unreachable?: string | undefined;
  /** The device keeps nothing: what is tapped is only in this tab. */
  readonly notKept?: true | undefined;
}

const without = (taps: readonly KeptTap[], id: string) => taps.filter(({ entry }) => entry.id !== id);

const EMPTY: Outbox = { taps: [] };

export const outbox = createSlice({
  name: 'outbox',
  initialState: EMPTY,
  reducers: {
    tapped(state, { payload }: PayloadAction<KeptTap>) {
      state.taps.push(payload);
    },
    /** As the device has them; what this tab alone has comes behind. */
    loaded(state, { payload: { kept, own } }: PayloadAction<{ kept: readonly KeptTap[]; own: readonly string[] }>) {
      const ids = new Set(kept.map(({ entry }) => entry.id));
      const onlyHere = state.taps.filter(({ entry }) => !ids.has(entry.id) && own.includes(entry.id));
      state.taps = [...(kept as KeptTap[]), ...onlyHere];
    },
    sent(state, { payload: id }: PayloadAction<string>) {
      state.taps = without(state.taps, id);
      state.unreachable = undefined;
    },
    setAside(state, { payload: { id, why } }: PayloadAction<{ id: string; why: string }>) {
      state.taps = state.taps.map((tap) => (tap.entry.id === id ? { ...tap, aside: why } : tap));
      state.unreachable = undefined;
    },
    unreachable(state, { payload }: PayloadAction<string>) {
      state.unreachable = payload;
    },
    notKept(state) {
      state.notKept = true;
    },
    /** Somebody read why a tap did not fit: it is tried again, or let go. */
    decided(state, { payload: { id, again } }: PayloadAction<{ id: string; again: boolean }>) {
      const tap = state.taps.find(({ entry }) => entry.id === id);
      state.taps = without(state.taps, id);
      if (!tap || !again) return;
      const { aside: _, ...plain } = tap;
      state.taps.push(plain);
    },
  },
});

export const { tapped, decided } = outbox.actions;

export const waitingOf = ({ taps }: Outbox): readonly KeptTap[] => taps.filter(({ aside }) => aside === undefined);
export const asideOf = ({ taps }: Outbox): readonly KeptTap[] => taps.filter(({ aside }) => aside !== undefined);
