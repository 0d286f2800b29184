import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What stands on the screen although the server does not answer. */
export interface Aged {
  /** The oldest answer that was told from this device since the server last answered; undefined: it answers. */
  readonly since?: string | undefined;
  /** A new edition of the application is here and waits. */
  readonly newEdition?: true;
}

const FRESH: Aged = {};

export const aged = createSlice({
  name: 'aged',
  initialState: FRESH,
  reducers: {
    toldFromDevice(state, { payload }: PayloadAction<string>) {
      if (state.since === undefined || Date.parse(payload) < Date.parse(state.since)) state.since = payload;
    },
    answered(state) {
      delete state.since;
    },
    editionCame(state) {
      state.newEdition = true;
    },
  },
});
export const { toldFromDevice, answered, editionCame } = aged.actions;
