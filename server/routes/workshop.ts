import type { WORKSHOP_ROUTES } from '#formats/api';
import { type Handlers, prepared } from '../http/call';
import type { Services } from '../services';

export function workshopHandlers({ kit, offers, calendar }: Services): Handlers<typeof WORKSHOP_ROUTES> {
  return {
    kit: () => kit.all(),
    saveKit: ({ params, version, body }) => kit.put(params.id, version, body),
    removeKit: ({ params, version }) => kit.remove(params.id, version),
    offers: () => offers.all(),
    saveOffer: ({ params, version, body }) => offers.put(params.id, version, body),
    removeOffer: ({ params, version }) => offers.remove(params.id, version),
    calendar: () => calendar.view(),
    saveCalendar: prepared({
      works: ({ body }) => calendar.settled(body),
      writes: ({ version }, works) => calendar.put(version, works),
    }),
    calendarFeed: ({ params }) => calendar.feedOf(params.what),
  };
}
