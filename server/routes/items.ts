import type { ITEM_ROUTES } from '#formats/api';
import { careCalendar, careCsv } from '#formats/calendar';
import type { Keeping } from '../backup/keeping';
import type { Handlers } from '../http/call';
import type { Services } from '../services';

/** So many are listed in a file of what is due: nobody rings further ahead. */
const MOST_LISTED = 1000;

export function itemHandlers(
  { items, owners, summaries, templates, now }: Services,
  keeping: Keeping,
): Handlers<typeof ITEM_ROUTES> {
  const due = async () => (await summaries.care(0, MOST_LISTED)).rows;
  return {
    items: ({ query }) => summaries.items(query.find, query.from),
    careDue: ({ query }) => summaries.care(query.from),
    careCalendar: async () => careCalendar(await due(), now()),
    careCsv: async () => careCsv(await due()),
    itemHistory: ({ params }) => items.history(params.id),
    itemLife: ({ params }) => items.life(params.id),
    ownerData: ({ params }) => owners.given(params.id),
    async removeOwnerData({ params, body }) {
      const removed = owners.removed(params.id, body.items);
      // After the step it was removed in.
      await Promise.resolve();
      owners.swept();
      return {
        ...removed,
        backups: keeping.list().copies.map(({ name, at, until }) => ({ name, at, until })),
        exports: keeping.exported(),
      };
    },
    templates: () => templates.all(),
    keepTemplate: ({ params, body }) => templates.add(params.id, body),
    removeTemplate: ({ params }) => templates.remove(params.id),
  };
}
