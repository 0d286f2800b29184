import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { saving } from '../draft/saving';
import { sending } from '../outbox/sending';
import { api } from './api';
import { type AppDispatch, reducer, type RootState } from './state';

export const store = configureStore({
  reducer,
  middleware: (defaults) =>
    // Job documents are large and plain; checking them on every action costs more than it finds.
    defaults({ serializableCheck: false, immutableCheck: false })
      .prepend(saving.middleware, sending.middleware)
      .concat(api.middleware),
});

export type AppStore = typeof store;
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<AppStore>();
