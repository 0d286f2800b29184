import type { Change } from '#formats';
import { api } from './api';
import type { AppDispatch } from './store';

/** Reads again whatever another window, or another tablet, has changed. */
export function listenForChanges(dispatch: AppDispatch): void {
  const source = new EventSource('/api/changes');
  source.addEventListener('change', (event) => {
    const { kind, id } = JSON.parse((event as MessageEvent<string>).data) as Change;
    const tags = {
      job: ['Jobs' as const, { type: 'Job' as const, id }],
      log: ['Jobs' as const, { type: 'Log' as const, id }],
      product: ['Products' as const],
      bay: ['Bays' as const],
    }[kind];
    dispatch(api.util.invalidateTags(tags));
  });
  // After a gap nobody knows what was missed.
  let lost = false;
  source.addEventListener('error', () => (lost = true));
  source.addEventListener('open', () => {
    if (lost) dispatch(api.util.invalidateTags(['Jobs', 'Job', 'Log', 'Products', 'Bays']));
    lost = false;
  });
}
