import type { Change } from '#formats/job';
import { api, TAGS } from './api';
import { listenWhileVisible } from './event-source';
import type { AppDispatch } from './state';

/** Reads again whatever another window, or another tablet, has changed. */
export function listenForChanges(dispatch: AppDispatch): void {
  const change = (data: string) => {
    const { kind, id } = JSON.parse(data) as Change;
    const tags = {
      job: ['Jobs' as const, 'Items' as const, 'Calendar' as const, { type: 'Job' as const, id }],
      log: ['Jobs' as const, 'Items' as const, 'Calendar' as const, 'Learned' as const, { type: 'Log' as const, id }],
      product: ['Products' as const],
      bay: ['Bays' as const, 'Calendar' as const],
      air: [{ type: 'Air' as const, id }],
      photos: [{ type: 'Photos' as const, id }],
      calendar: ['Calendar' as const],
      handovers: [{ type: 'Handovers' as const, id }],
      template: ['Templates' as const],
      kit: ['Kit' as const],
      offer: ['Offers' as const],
      stock: ['Stock' as const, 'Products' as const],
      ticks: [{ type: 'Ticks' as const, id }],
      people: ['People' as const, 'Me' as const],
    }[kind];
    dispatch(api.util.invalidateTags(tags));
  };
  // After a gap nobody knows what was missed.
  const all = () => dispatch(api.util.invalidateTags([...TAGS]));
  listenWhileVisible('/api/changes', { change }, all);
}
