import { z } from 'zod';
import { offerRecordSchema, offerSchema } from '#formats/choice';
import { calendarViewSchema, shopCalendarFaults, shopCalendarSchema } from '#formats/schedule';
import { kitEntrySchema, kitRecordSchema, kitSenseFaults } from '#formats/shelf';
import { route, WHOLE_FILE_BYTES } from './route';

/** What the workshop has beside its products: preparation shelf, offers and calendar. */
export const WORKSHOP_ROUTES = {
  kit: route({
    method: 'get',
    path: '/api/kit',
    summary:
      'The preparation shelf: sheets of cleaners, clays, liquids, pads, machines and lamps, and the things of each',
    answer: { status: 200, schema: z.array(kitRecordSchema) },
    reads: ['kit'],
    offline: true,
  }),
  saveKit: route({
    method: 'put',
    path: '/api/kit/{id}',
    needs: 'own',
    audit: 'changed the sheet',
    summary: 'Put a sheet or a thing on the preparation shelf, unless it has changed since; version 0 makes a new one',
    body: kitEntrySchema,
    sense: (body) => {
      const entry = kitEntrySchema.safeParse(body);
      return entry.success ? kitSenseFaults(entry.data) : [];
    },
    versioned: true,
    answer: { status: 200, schema: kitRecordSchema },
    problems: ['conflict'],
    changes: ['kit'],
  }),
  removeKit: route({
    method: 'delete',
    path: '/api/kit/{id}',
    needs: 'own',
    audit: 'took the sheet away',
    summary: 'Remove a sheet or a thing',
    versioned: true,
    answer: { status: 204 },
    problems: ['conflict'],
    changes: ['kit'],
  }),
  offers: route({
    method: 'get',
    path: '/api/offers',
    summary: 'The shop’s named offers',
    answer: { status: 200, schema: z.array(offerRecordSchema) },
    reads: ['offer'],
    offline: true,
  }),
  saveOffer: route({
    method: 'put',
    path: '/api/offers/{id}',
    needs: 'own',
    audit: 'changed the offer',
    summary: 'Keep an offer, unless it has changed since; version 0 makes a new one',
    body: offerSchema,
    versioned: true,
    answer: { status: 200, schema: offerRecordSchema },
    problems: ['conflict'],
    changes: ['offer'],
  }),
  removeOffer: route({
    method: 'delete',
    path: '/api/offers/{id}',
    needs: 'own',
    audit: 'took the offer away',
    summary: 'Remove an offer; jobs keep what they took from it',
    versioned: true,
    answer: { status: 204 },
    changes: ['offer'],
  }),
  calendar: route({
    method: 'get',
    path: '/api/calendar',
    summary: 'The calendar of the workshop, with the steps of all jobs that are still to be done',
    answer: { status: 200, schema: calendarViewSchema },
    reads: ['calendar', 'job', 'log', 'bay', 'summary'],
  }),
  saveCalendar: route({
    method: 'put',
    path: '/api/calendar',
    needs: 'own',
    audit: 'changed the calendar',
    summary: 'Change who is there, what is lost, or what is agreed, unless it has changed since',
    body: shopCalendarSchema,
    bodyBytes: WHOLE_FILE_BYTES,
    sense: shopCalendarFaults,
    versioned: true,
    answer: { status: 200, schema: calendarViewSchema },
    changes: ['calendar'],
  }),
  calendarFeed: route({
    method: 'get',
    path: '/api/calendar/{what}/feed.ics',
    summary: 'What was agreed for one bay (bay:…) or one person (person:…), as an iCalendar file',
    answer: { status: 200, media: 'text/calendar' },
    computed: true,
  }),
};
