import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { drafts } from '../draft/slice';
import { saving } from '../draft/saving';
import { outbox } from '../outbox/slice';
import { sending } from '../outbox/sending';
import { api } from './api';

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, drafts: drafts.reducer, outbox: outbox.reducer },
  middleware: (defaults) =>
    // Job documents are large and plain; checking them on every action costs more than it finds.
    defaults({ serializableCheck: false, immutableCheck: false })
      .prepend(saving.middleware, sending.middleware)
      .concat(api.middleware),
});

export type AppStore = typeof store;
export type RootState = ReturnType<AppStore['getState']>;
export type AppDispatch = AppStore['dispatch'];
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<AppStore>();
