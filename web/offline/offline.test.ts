import type { JobSummary } from '#formats/job';
import { NOW } from '../testing/yard';
import { jobsOfTheDay } from './keep-day';
import { isKept } from './kept-answers';
import { aged, answered, clocksCompared, toldFromDevice } from './slice';

const nowMs = Date.parse(NOW);
const HOUR_MS = 3_600_000;
const job = (id: string, phase: JobSummary['phase'], inHours: number) =>
  ({ id, phase, startAt: new Date(nowMs + inHours * HOUR_MS).toISOString() }) as JobSummary;

test('the day’s jobs are those in the bays, curing, ready, or about to begin; the nearest first, and not endless', () => {
  const jobs = [
    job('next-week', 'planned', 7 * 24),
    job('tomorrow', 'planned', 20),
    job('curing-since-days', 'curing', -90),
    job('in-care', 'in-care', -2000),
    job('never-begun', 'survey', -500),
    job('running', 'running', -2),
  ];
  expect(jobsOfTheDay(jobs, nowMs).map(({ id }) => id)).toEqual(['curing-since-days', 'running', 'tomorrow']);
  expect(
    jobsOfTheDay(
      Array.from({ length: 40 }, (_, nth) => job(`j${nth}`, 'running', 0)),
      nowMs,
    ),
  ).toHaveLength(12);
});

test('what is worked with at the bay is kept on the device, what is the owner’s alone or never ends is not', () => {
  for (const path of ['/api/today', '/api/jobs/a/log', '/api/jobs/a/ticks', '/api/photos/p/picture.jpg', '/api/names'])
    expect([path, isKept(path)]).toEqual([path, true]);
  for (const path of [
    '/api/people',
    '/api/audit',
    '/api/backups',
    '/api/network',
    '/api/me',
    '/api/changes',
    '/api/jobs/a/links',
  ])
    expect([path, isKept(path)]).toEqual([path, false]);
});

test('what is old is as old as the oldest of it, until the server answers', () => {
  const told = [NOW, '2027-03-01T08:00:00Z', '2027-03-02T09:00:00Z'].map(toldFromDevice);
  const old = told.reduce(aged.reducer, aged.getInitialState());
  expect(old.since).toBe('2027-03-01T08:00:00Z');
  expect(aged.reducer(old, answered()).since).toBeUndefined();
});

test('a clock that is wrong by more than a slip is told, until it is set right', () => {
  const ahead = (min: number) => aged.reducer(aged.getInitialState(), clocksCompared(min * 60_000)).clockAheadMin;
  expect([-900, -16, 0, 4, 6, 180].map(ahead)).toEqual([-900, undefined, undefined, undefined, 6, 180]);
  const wrong = aged.reducer(aged.getInitialState(), clocksCompared(3_600_000));
  expect(aged.reducer(wrong, clocksCompared(20_000)).clockAheadMin).toBeUndefined();
});
