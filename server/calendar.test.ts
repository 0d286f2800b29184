import ICAL from 'ical.js';
import type { Problem } from '#formats/api';
import { type CalendarView, NO_CALENDAR } from '#formats/schedule';
import { minuteOfDay } from '#formats/values';
import { YARD_PEOPLE } from '../demo/people';
import tapedTourer from '../e2e/jobs/taped-tourer.json';
import { agreeCalendar } from './services/sample-workshop';
import { draftOf, type RunningServer, startServer } from './testing/client';

// Generous: the machine may be busy with a browser.

const NOW = '2027-03-02T10:40:00+01:00';
let server: RunningServer;
let now = NOW;
beforeEach(async () => {
  now = NOW;
  server = await startServer(() => new Date(now));
  const made = await server.call('PUT', '/api/jobs/one', { ...draftOf(tapedTourer), bayId: null }, 0);
  expect(made.status).toBe(200);
});
afterEach(() => server.stop());

const put = (version: number, body: object) =>
  server.call<CalendarView & Problem>('PUT', '/api/calendar', body, version);

test('steps of jobs are on it; who is there is kept once, and an older edition is told what has changed', async () => {
  const { body } = await server.call<CalendarView>('GET', '/api/calendar');
  expect(body).toMatchObject({ version: 0, calendar: NO_CALENDAR });
  expect(body.jobs.map(({ id }) => id)).toEqual(['one']);
  expect(body.jobs[0]!.work.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['clean', 'lay', 'hand-over']));
  const named = { ...NO_CALENDAR, people: YARD_PEOPLE };
  expect((await put(0, named)).body).toMatchObject({ version: 1, calendar: named });
  const stale = await put(0, NO_CALENDAR);
  expect([stale.status, stale.body.changed]).toEqual([412, ['people']]);
  const lost = [{ id: 'x', what: 'person:ivo', from: NOW, to: '2027-03-02T09:00:00+01:00', why: 'hands' }];
  const bad = await put(1, { ...named, lost });
  expect([bad.status, bad.body.faults?.map(({ path }) => path)]).toEqual([400, ['lost[0].to']]);
  expect((await server.call<CalendarView>('GET', '/api/calendar')).body.version).toBe(1);
});

test('what was agreed goes out as a calendar of each person, and of nobody else', async () => {
  await agreeCalendar(server.services, YARD_PEOPLE);
  const { body } = await server.call<CalendarView>('GET', '/api/calendar');
  const feeds = await Promise.all(
    YARD_PEOPLE.map(async ({ id }) => {
      const answer = await fetch(`${server.base}/api/calendar/person:${id}/feed.ics`);
      expect(answer.headers.get('content-type')).toContain('text/calendar');
      return new ICAL.Component(ICAL.parse(await answer.text())).getAllSubcomponents('vevent').length;
    }),
  );
  const theirs = YARD_PEOPLE.map(
    ({ id }) => body.calendar.plan.filter(({ uses }) => uses.includes(`person:${id}`)).length,
  );
  expect(feeds).toEqual(theirs);
  expect(Math.max(...theirs)).toBeGreaterThan(0);
  expect((await server.call('GET', '/api/calendar/person:nobody/feed.ics')).status).toBe(404);
});

test('what had been agreed when an earlier day ended is told beside what stands, whatever is agreed since', async () => {
  const first = { ...NO_CALENDAR, people: YARD_PEOPLE };
  expect((await put(0, first)).body.earlier).toBeUndefined();
  const plan = [{ task: 'one/clean', from: NOW, to: '2027-03-02T12:00:00+01:00', uses: ['person:ivo'] }];
  expect((await put(1, { ...first, plan })).body.earlier).toBeUndefined();
  now = '2027-03-03T08:00:00+01:00';
  const earlier = { at: new Date(NOW).toISOString(), plan };
  expect((await server.call<CalendarView>('GET', '/api/calendar')).body.earlier).toEqual(earlier);
  expect((await put(2, first)).body.earlier).toEqual(earlier);
  expect((await put(3, { ...first, people: [] })).body.earlier).toEqual(earlier);
  now = '2027-03-04T08:00:00+01:00';
  expect((await server.call<CalendarView>('GET', '/api/calendar')).body.earlier?.plan).toEqual([]);
});

test('now is told by the clocks of the workshop, for hours are counted from it', async () => {
  const { body } = await server.call<CalendarView>('GET', '/api/calendar');
  expect(Date.parse(body.now)).toBe(Date.parse(NOW));
  const minutesBehind = new Date(NOW).getTimezoneOffset();
  expect(minuteOfDay(body.now)).toBe((Date.parse(NOW) / 60_000 - minutesBehind) % 1440);
});
