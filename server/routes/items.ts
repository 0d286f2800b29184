import { type ITEM_ROUTES, ROUTES } from '#formats/api';
import { careCalendar, careCsv } from '#formats/calendar';
import type { Handlers } from '../http/mount';
import { sendFile } from '../http/send-file';
import type { Services } from '../services';

/** So many are listed in a file of what is due: nobody rings further ahead. */
const MOST_LISTED = 1000;

export function itemHandlers({ items, owners, summaries, templates, now }: Services): Handlers<typeof ITEM_ROUTES> {
  const due = () => summaries.care(0, MOST_LISTED).rows;
  return {
    items: ({ query }) => summaries.items(query.find, query.from),
    careDue: ({ query }) => summaries.care(query.from),
    careCalendar: ({ response }) => sendFile(response, ROUTES.careCalendar, 'care.ics', careCalendar(due(), now())),
    careCsv: ({ response }) => sendFile(response, ROUTES.careCsv, 'care.csv', careCsv(due())),
    itemHistory: ({ params }) => items.history(params.id),
    itemLife: ({ params }) => items.life(params.id),
    ownerData({ params, response }) {
      const given = owners.given(params.id);
      response.setHeader('content-disposition', 'attachment; filename="owner-data.json"');
      return given;
    },
    removeOwnerData: ({ params }) => owners.removed(params.id),
    templates: () => templates.all(),
    keepTemplate: ({ params, body }) => templates.add(params.id, body),
    removeTemplate: ({ params }) => templates.remove(params.id),
  };
}
