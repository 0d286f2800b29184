import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { draftKeeping } from '../draft/keeping';
import { draftSaving } from '../draft/saving';
import { tapSending } from '../outbox/sending';
import { api } from './api';
import { type AppDispatch, reducer, type RootState } from './state';

/** All that one tab keeps, with what it takes up of earlier pages and shares with other tabs of the device. */
export function makeStore() {
  const keeping = draftKeeping();
  const [saving, sending] = [draftSaving(), tapSending()];
  const store = configureStore({
    reducer,
    middleware: (defaults) =>
      // Job documents are large and plain; checking them on every action costs more than it finds.
      defaults({ serializableCheck: false, immutableCheck: false })
        .prepend(keeping.middleware, saving.middleware, sending.middleware)
        .concat(api.middleware),
  });
  const end = async () => {
    saving.clearListeners();
    sending.clearListeners();
    await keeping.end();
  };
  return { store, taken: keeping.start(store), end };
}

const tab = makeStore();
export const { store } = tab;
/** Holds once what an earlier page had not saved is taken up. */
export const draftsTaken = tab.taken;

export type AppStore = typeof store;
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<AppStore>();
