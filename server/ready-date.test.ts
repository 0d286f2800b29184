/** The ready date of a job is one, wherever it is told: lists, calendar, owner's file and page, papers and offers. */
import ICAL from 'ical.js';
import { DateTime, Settings } from 'luxon';
import type { JobRecord, JobSummary } from '#formats/job';
import type { CalendarView } from '#formats/schedule';
import { instantAfter, minutesBetween } from '#formats/values';
import { calendarFaults, redraw } from '#core/schedule/calendar';
import { asKept, bayOf, readyIn, shopCase } from '#job/calendar';
import { quoted } from '#job/offers';
import { weekOf } from '#job/promise';
import { plausibleJob } from '../demo/plausible/figures';
import { PLAUSIBLE_JOBS } from '../demo/plausible/jobs';
import { type RunningServer, startStocked } from './testing/client';
import { readPapers } from './testing/read-paper';

// The sample workshop keeps the clocks its days are told by.
Settings.defaultZone = 'Europe/Berlin';
const NOW = '2027-03-02T10:40:00+01:00';
let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(NOW));
});
afterAll(() => server.stop());

const summaries = async () => (await server.call<JobSummary[]>('GET', '/api/today')).body;
const calendar = async () => (await server.call<CalendarView>('GET', '/api/calendar')).body;
const record = async (id: string) => (await server.call<JobRecord>('GET', `/api/jobs/${id}`)).body;
/** What a paper of each of these jobs says. */
async function papers(ids: readonly string[], name: string): Promise<Map<string, string>> {
  const files: Uint8Array[] = [];
  for (const id of ids)
    files.push(new Uint8Array(await (await fetch(`${server.base}/api/jobs/${id}/${name}`)).arrayBuffer()));
  return new Map(readPapers(files).map((pages, nth) => [ids[nth]!, pages.join(' ')]));
}
const onRunSheet = (ready: string) =>
  `ready ${DateTime.fromISO(ready, { setZone: true }).toFormat('ccc d LLL, HH:mm')}`;
const sameMoment = (a: string, b: string) => Date.parse(a) === Date.parse(b);

/** When its owner is asked to fetch it, by the file of dates they are sent. */
async function fetched(id: string): Promise<number | undefined> {
  const text = await (await fetch(`${server.base}/api/jobs/${id}/calendar.ics`)).text();
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
  return events
    .find(({ uid }) => uid.includes('hand-over'))
    ?.startDate.toJSDate()
    .getTime();
}

test('every job of the workshop says the same date in every place that shows one', async () => {
  const bays = server.services.bays.all();
  const view = await calendar();
  const shop = shopCase({ calendar: view.calendar, jobs: view.jobs, bays, now: view.now });
  const drawn = redraw(shop.asked, shop.stood);
  const dated = (await summaries()).flatMap(({ id, phase, ready }) =>
    ready === null || phase === 'in-care' ? [] : [{ id, ready }],
  );
  expect(dated.length).toBeGreaterThanOrEqual(5);
  const sheets = await papers(
    dated.map(({ id }) => id),
    'run-sheet.pdf',
  );
  for (const { id, ready } of dated) {
    expect([id, await fetched(id)]).toEqual([id, Date.parse(ready)]);
    expect(sheets.get(id)).toContain(onRunSheet(ready));
    const on = view.jobs.find((job) => job.id === id);
    if (!on) continue;
    expect([id, on.ready]).toEqual([id, ready]);
    // As the calendar is drawn it stands where it says, to the five minutes by which it is told.
    const inCalendar = readyIn(drawn.tasks, on);
    if (inCalendar !== undefined)
      expect([id, Math.abs(minutesBetween(shop.startAt, ready) - inCalendar) <= 5]).toEqual([id, true]);
  }
});

test('a plan saved in the calendar reaches its jobs: start, bay and collection; who has begun keeps their start', async () => {
  const bays = server.services.bays.all();
  const before = await calendar();
  const job = before.jobs.find(({ begun, phase, bayId }) => !begun && phase === 'planned' && bayId !== null)!;
  const other = bays.find(({ id }) => id !== job.bayId)!;
  const from = DateTime.fromISO(NOW, { setZone: true }).plus({ days: 9 }).toISO({ suppressMilliseconds: true })!;
  const by = DateTime.fromISO(NOW, { setZone: true }).plus({ days: 20 }).toISO({ suppressMilliseconds: true })!;
  const promised = [
    ...before.calendar.promised.filter((each) => each.job !== job.id),
    { job: job.id, by, from, bay: other.id },
  ];
  const named = { ...before.calendar, promised };
  const shop = shopCase({ calendar: named, jobs: before.jobs, bays, now: before.now });
  const free = new Set(job.work.map(({ key }) => `${job.id}/${key}`));
  const drawn = redraw(shop.asked, shop.stood, { free });
  expect(calendarFaults(shop.asked, drawn.tasks)).toEqual([]);
  const running = before.jobs.find(({ begun }) => begun)!;
  const runningBefore = await record(running.id);
  const saved = await server.call(
    'PUT',
    '/api/calendar',
    { ...named, plan: asKept(shop, drawn.tasks, []) },
    before.version,
  );
  expect(saved.status).toBe(200);

  const { document, bayId } = await record(job.id);
  expect(bayId).toBe(other.id);
  expect(minutesBetween(from, document.startAt)).toBeGreaterThanOrEqual(0);
  expect(minutesBetween(from, document.startAt)).toBeLessThan(4 * 1440);
  expect(sameMoment(document.days!.promised!, by)).toBe(true);
  const summary = (await summaries()).find(({ id }) => id === job.id)!;
  expect([summary.startAt, summary.needsBy]).toEqual([document.startAt, document.days!.promised]);
  // Ready when it is collected as saved, told in full five minutes; not sooner, though its own days may be.
  const readyMin = readyIn(drawn.tasks, job)!;
  expect(minutesBetween(shop.startAt, summary.ready!) - readyMin).toBeGreaterThanOrEqual(0);
  expect(minutesBetween(shop.startAt, summary.ready!) - readyMin).toBeLessThanOrEqual(15);
  expect((await record(running.id)).document.startAt).toBe(runningBefore.document.startAt);

  // Saved again as it stands nothing moves, and no job gets another version.
  const again = await calendar();
  const versions = async () => (await summaries()).map(({ id, version }) => [id, version]);
  const stood = await versions();
  await server.call('PUT', '/api/calendar', again.calendar, again.version);
  expect(await versions()).toEqual(stood);
  // Its bay without power reaches it: nobody works at it then, and it cools.
  const powerless = await calendar();
  const [lostFrom, lostTo] = [document.startAt, instantAfter(document.startAt, 24 * 60)];
  const lost = [{ id: 'no-power', what: bayOf(other.id), from: lostFrom, to: lostTo, why: 'power' as const }];
  await server.call('PUT', '/api/calendar', { ...powerless.calendar, lost }, powerless.version);
  expect((await record(job.id)).document.days?.lost).toEqual([
    { from: lostFrom, to: lostTo, why: 'power', calendar: 'no-power' },
  ]);
  await server.call('PUT', '/api/calendar', powerless.calendar, powerless.version + 1);
  expect((await record(job.id)).document.days?.lost).toBeUndefined();
  // The promise taken back is gone from the job as well.
  const bare = { ...again.calendar, promised: again.calendar.promised.filter((each) => each.job !== job.id) };
  await server.call('PUT', '/api/calendar', bare, (await calendar()).version);
  expect((await record(job.id)).document.days?.promised).toBeUndefined();
});

test('twelve jobs as they come in: list, calendar, owner’s file, run sheet and offer say one date of each', async () => {
  const week = weekOf(server.services.bays.all().find(({ id }) => id === 'bay-1'));
  const jobs = PLAUSIBLE_JOBS.map(({ item, offer }, nth) => ({
    ...plausibleJob(item, offer),
    offer,
    id: `job-${nth}`,
  }));
  const [shelf, { settingsOf }] = [server.services.shelf.products(), server.services.quotes];
  const offers = new Map(server.services.offers.all().map((each) => [each.id, each.offer]));
  const offered: string[] = [];
  for (const { id, draft, planned } of jobs) {
    await server.call('PUT', `/api/jobs/${id}`, draft, 0);
    if (offered.length < 2) offered.push((await papers([id], 'offers.pdf')).get(id)!);
    expect((await server.call('PUT', `/api/jobs/${id}`, { ...draft, document: planned }, 1)).status).toBe(200);
  }
  const [listed, onCalendar] = [await summaries(), (await calendar()).jobs];
  const sheets = await papers(
    jobs.map(({ id }) => id),
    'run-sheet.pdf',
  );
  for (const [nth, { id, offer, draft }] of jobs.entries()) {
    const { document } = draft;
    const ready = quoted(offers.get(offer)!, { document, shelf, settings: settingsOf(document), week }).readyAt()!;
    const of = (all: readonly { id: string; ready: string | null }[]) => all.find((each) => each.id === id)?.ready;
    expect([document.item, of(listed), of(onCalendar)]).toEqual([document.item, ready, ready]);
    expect(await fetched(id)).toBe(Date.parse(ready));
    expect(sheets.get(id)).toContain(onRunSheet(ready));
    if (offered[nth] !== undefined)
      expect(offered[nth]).toContain(
        `Ready ${DateTime.fromISO(ready, { setZone: true }).toFormat('cccc d LLLL, HH:mm')}`,
      );
  }
  expect(jobs).toHaveLength(12);
});
