import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { isClockOff, MS_PER_MIN } from '#core/measures';

/** What stands on the screen although the server does not answer. */
export interface Aged {
  /** The oldest answer that was told from this device since the server last answered; undefined: it answers. */
  readonly since?: string | undefined;
  /** A new edition of the application is here and waits. */
  readonly newEdition?: true;
  /** This device's clock is ahead of the workshop's by so many minutes, more than slips; absent: it is right enough. */
  readonly clockAheadMin?: number | undefined;
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
    clocksCompared(state, { payload: aheadMs }: PayloadAction<number>) {
      const aheadMin = Math.round(aheadMs / MS_PER_MIN);
      if (isClockOff(aheadMin)) state.clockAheadMin = aheadMin;
      else delete state.clockAheadMin;
    },
    editionCame(state) {
      state.newEdition = true;
    },
  },
});
export const { toldFromDevice, answered, clocksCompared, editionCame } = aged.actions;
