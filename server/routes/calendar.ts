import { calendarViewSchema, shopCalendarFaults, shopCalendarSchema } from '#formats/schedule';
import { endpoint } from '../http/endpoint';
import type { Services } from '../services';

export function calendarEndpoints({ calendar }: Services) {
  return [
    endpoint({
      method: 'get',
      path: '/api/calendar',
      summary: 'The calendar of the workshop, with the steps of all jobs that are still to be done',
      answer: { status: 200, schema: calendarViewSchema },
      run: () => calendar.view(),
    }),
    endpoint({
      method: 'put',
      path: '/api/calendar',
      needs: 'own',
      deed: 'changed the calendar',
      summary: 'Change who is there, what is lost, or what is agreed, unless it has changed since',
      body: shopCalendarSchema,
      sense: shopCalendarFaults,
      versioned: true,
      answer: { status: 200, schema: calendarViewSchema },
      run: ({ version, body }) => calendar.put(version, body),
    }),
    endpoint({
      method: 'get',
      path: '/api/calendar/{what}/feed.ics',
      summary: 'What was agreed for one bay (bay:…) or one person (person:…), as an iCalendar file',
      answer: { status: 200, media: 'text/calendar' },
      run: ({ params, response }) => {
        response.type('text/calendar').send(calendar.feedOf(params.what!));
      },
    }),
  ];
}
