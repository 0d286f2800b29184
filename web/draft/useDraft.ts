import { useCallback, useMemo } from 'react';
import type { JobDraft } from '#formats/job';
import { useAppDispatch, useAppSelector, useAppStore } from '../app/store';
import { edited, redone, undone } from './slice';

/** Editing of one job: every change is a step that can be undone, and is saved by itself. */
export function useDraft(id: string) {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const current = useAppSelector((state) => state.drafts[id]);
  const edit = useCallback(
    (change: (draft: JobDraft) => JobDraft) => {
      const now = store.getState().drafts[id];
      if (now) dispatch(edited({ id, draft: change(now.draft) }));
    },
    [dispatch, store, id],
  );
  return useMemo(
    () => ({
      current,
      edit,
      undo: () => dispatch(undone(id)),
      redo: () => dispatch(redone(id)),
    }),
    [current, dispatch, edit, id],
  );
}
