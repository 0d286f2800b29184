import { z } from 'zod';
import {
  careDueSchema,
  itemHistorySchema,
  itemLifeSchema,
  itemSummarySchema,
  jobSenseFaults,
  keptTemplateDraftSchema,
  keptTemplateSchema,
  ownerDataRemovedSchema,
  ownerDataSchema,
  ownersItemsSchema,
} from '#formats/job';
import { pageSchema, placeSchema, searchSchema } from './pages';
import { route, WHOLE_FILE_BYTES } from './route';

/** Faults of sense in the surfaces of a template, as in those of a job. */
function templateSense(body: unknown) {
  const surfaces = typeof body === 'object' && body !== null && 'surfaces' in body ? body.surfaces : undefined;
  return jobSenseFaults({ surfaces });
}

/** Items with all their visits, what they are due for, and templates made of them. */
export const ITEM_ROUTES = {
  items: route({
    method: 'get',
    path: '/api/items',
    summary:
      'Items that have been here, the latest first, a page at a time: ?find= words of name, owner, plate, colour, product, batch or fault, ?from= rows passed over',
    query: searchSchema,
    answer: { status: 200, schema: pageSchema(itemSummarySchema) },
    reads: ['job', 'log', 'summary'],
    offline: true,
  }),
  careDue: route({
    method: 'get',
    path: '/api/care',
    summary: 'Items that are out and what they are due for, a page at a time: ?from= rows passed over',
    query: placeSchema,
    answer: { status: 200, schema: pageSchema(careDueSchema) },
    reads: ['job', 'log', 'summary'],
  }),
  careCalendar: route({
    method: 'get',
    path: '/api/care.ics',
    summary: 'What items are due for, as an iCalendar file',
    answer: { status: 200, media: 'text/calendar', name: 'care.ics' },
    computed: true,
  }),
  careCsv: route({
    method: 'get',
    path: '/api/care.csv',
    summary: 'Whom to tell of what and when, as CSV with a heading; nothing is sent by itself',
    answer: { status: 200, media: 'text/csv', name: 'care.csv' },
    computed: true,
  }),
  itemHistory: route({
    method: 'get',
    path: '/api/items/{id}',
    summary: 'One item with all its visits: what was laid, measured and seen',
    answer: { status: 200, schema: itemHistorySchema },
    reads: ['job', 'log'],
    offline: true,
    computed: true,
  }),
  itemLife: route({
    method: 'get',
    path: '/api/items/{id}/life',
    summary:
      'The life of an item: what was laid, how long it holds, what it took of the clear; beside others of its model',
    answer: { status: 200, schema: itemLifeSchema },
    reads: ['job', 'log'],
    computed: true,
  }),
  ownerData: route({
    method: 'get',
    path: '/api/items/{id}/owner-data',
    needs: 'own',
    summary: 'Everything kept of the owner of an item as a person, over all items under that name',
    answer: { status: 200, schema: ownerDataSchema, name: 'owner-data.json' },
    computed: true,
  }),
  removeOwnerData: route({
    method: 'post',
    path: '/api/items/{id}/owner-data/remove',
    needs: 'own',
    audit: 'removed the owner’s data of the item',
    summary: 'Remove a person from everything that is kept of the items named; what was laid, measured and found stays',
    body: ownersItemsSchema,
    answer: { status: 200, schema: ownerDataRemovedSchema },
    problems: ['conflict'],
    changes: ['job', 'handovers', 'photos', 'template', 'calendar', 'link'],
  }),
  templates: route({
    method: 'get',
    path: '/api/templates',
    summary: 'Items kept as templates',
    answer: { status: 200, schema: z.array(keptTemplateSchema) },
    reads: ['template'],
    offline: true,
  }),
  keepTemplate: route({
    method: 'put',
    path: '/api/templates/{id}',
    needs: 'work',
    audit: 'kept the pattern',
    summary: 'Keep an item as a template',
    body: keptTemplateDraftSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    sense: templateSense,
    answer: { status: 200, schema: keptTemplateSchema },
    changes: ['template'],
  }),
  removeTemplate: route({
    method: 'delete',
    path: '/api/templates/{id}',
    needs: 'work',
    audit: 'took the pattern away',
    summary: 'Remove a template; jobs made from it stay',
    answer: { status: 204 },
    changes: ['template'],
  }),
};
