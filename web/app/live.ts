import type { Change } from '#formats/api';
import { addressOf } from './address-of';
import { SUBJECTS } from './addresses';
import { api, tagsOfChange } from './api';
import { listenWhileVisible } from './event-source';
import type { AppDispatch } from './state';

/** Reads again whatever another window, or another tablet, has changed. */
export function listenForChanges(dispatch: AppDispatch): void {
  const change = (data: string) => {
    const { kind, id } = JSON.parse(data) as Change;
    dispatch(api.util.invalidateTags(tagsOfChange(kind, id)));
  };
  // After a gap nobody knows what was missed.
  const all = () => dispatch(api.util.invalidateTags([...SUBJECTS]));
  listenWhileVisible(addressOf('changes'), { change }, all);
}
