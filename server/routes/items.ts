import { z } from 'zod';
import { careCalendar, careCsv } from '#formats/calendar';
import {
  careDueSchema,
  itemHistorySchema,
  itemLifeSchema,
  itemSummarySchema,
  jobSenseFaults,
  keptTemplateDraftSchema,
  keptTemplateSchema,
} from '#formats/job';
import { endpoint } from '../http/endpoint';
import { pageSchema, placeIn } from '../http/pages';
import type { Services } from '../services';

/** Faults of sense in the surfaces of a template, as in those of a job. */
function templateSense(body: unknown) {
  const surfaces = typeof body === 'object' && body !== null && 'surfaces' in body ? body.surfaces : undefined;
  return jobSenseFaults({ surfaces });
}

/** Further ahead nobody rings. */
const MOST_TOLD = 1000;

export function itemEndpoints({ items, summaries, templates, now }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/items',
      summary:
        'Items that have been here, the latest first, a page at a time: ?find= words of name, owner, plate, colour, product, batch or fault, ?from= how many to pass over',
      answer: { status: 200, schema: pageSchema(itemSummarySchema) },
      run: ({ query }) => summaries.items(query.find ?? '', placeIn(query)),
    }),
    endpoint({
      method: 'get',
      path: '/api/care',
      summary: 'Items that are out and what they are due for, a page at a time: ?from= how many to pass over',
      answer: { status: 200, schema: pageSchema(careDueSchema) },
      run: ({ query }) => summaries.care(placeIn(query)),
    }),
    endpoint({
      method: 'get',
      path: '/api/care.ics',
      summary: 'What items are due for, as an iCalendar file',
      answer: { status: 200, media: 'text/calendar' },
      run: ({ response }) => {
        response.type('text/calendar').setHeader('content-disposition', 'attachment; filename="care.ics"');
        response.send(careCalendar(summaries.care(0, MOST_TOLD).rows, now()));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/care.csv',
      summary: 'Whom to tell of what and when, as CSV with a heading; nothing is sent by itself',
      answer: { status: 200, media: 'text/csv' },
      run: ({ response }) => {
        response.type('text/csv').setHeader('content-disposition', 'attachment; filename="care.csv"');
        response.send(careCsv(summaries.care(0, MOST_TOLD).rows));
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/items/{id}',
      summary: 'One item with all its visits: what was laid, measured and seen',
      answer: { status: 200, schema: itemHistorySchema },
      run: ({ params }) => items.history(params.id!),
    }),
    endpoint({
      method: 'get',
      path: '/api/items/{id}/life',
      summary:
        'The life of an item: what was laid and holds how long, what it took of the clear; beside others of its model',
      answer: { status: 200, schema: itemLifeSchema },
      run: ({ params }) => items.life(params.id!),
    }),
    endpoint({
      method: 'get',
      path: '/api/templates',
      summary: 'Items kept as templates',
      answer: { status: 200, schema: z.array(keptTemplateSchema) },
      run: () => templates.all(),
    }),
    endpoint({
      method: 'put',
      path: '/api/templates/{id}',
      needs: 'work',
      deed: 'kept the pattern',
      summary: 'Keep an item as a template under an id of the sender',
      body: keptTemplateDraftSchema,
      sense: templateSense,
      answer: { status: 201, schema: keptTemplateSchema },
      run: ({ params, body }) => templates.add(params.id!, body),
    }),
    endpoint({
      method: 'delete',
      path: '/api/templates/{id}',
      needs: 'work',
      deed: 'took the pattern away',
      summary: 'Take a template away; jobs made from it stay',
      answer: { status: 204 },
      run: ({ params }) => templates.remove(params.id!),
    }),
  ];
}
