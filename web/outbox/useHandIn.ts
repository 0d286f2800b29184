import { useCallback } from 'react';
import { useAppDispatch, useAppStore } from '../app/store';
import { turnNow } from '../people/api';
import { nowInstant } from '../ui/moments';
import type { KeptTap } from './kept';
import { tapped } from './slice';

/** Puts something tapped on its way: with the moment of the tap, and in whose turn it was. */
export function useHandIn() {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  return useCallback(
    (make: (moment: { readonly at: string }) => KeptTap) => {
      const turn = turnNow(store.getState());
      dispatch(tapped({ ...make({ at: nowInstant() }), ...(turn !== undefined && { turn }) }));
    },
    [dispatch, store],
  );
}
