import { combineReducers, type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { drafts } from '../draft/slice';
import { aged } from '../offline/slice';
import { outbox } from '../outbox/slice';
import { api } from './api';

/** All the interface keeps: what was read from the server, what is being edited, what waits to be sent, what is old. */
export const reducer = combineReducers({
  [api.reducerPath]: api.reducer,
  drafts: drafts.reducer,
  outbox: outbox.reducer,
  aged: aged.reducer,
});

export type RootState = ReturnType<typeof reducer>;
export type AppDispatch = ThunkDispatch<RootState, undefined, UnknownAction>;
