import ICAL from 'ical.js';
import { layOut } from '#core/lay/run-sheet';
import { foldLog } from '#core/lay/run';
import { calendarFile } from '#formats/calendar';
import type { Job } from '#formats/job';
import { planInput } from '#job/plan';
import { prepareSettings } from '#job/prepare';
import { inOpeningHours, layingFrom, weekOf } from '#job/promise';
import { preparedWith } from '#job/view';
import { yardThatMorning } from '../../demo/that-morning';
import { asAgreed, daysView, halfDays, outdoorsOf, ownerDates, curingDates } from '.';

const yard = yardThatMorning();
const { document: tourer } = yard.jobs.find(({ id }) => id === 'satin-tourer')!.draft;
const bay = yard.bays.find(({ id }) => id === yard.jobs.find((job) => job.id === 'satin-tourer')!.draft.bayId)!;
const fresh = { record: foldLog([]), nowMin: 0 };

/** The days of a job nothing has been done of. */
function daysOf(document: Job) {
  const { preparation, day } = preparedWith(document, prepareSettings(document));
  const planned = inOpeningHours(planInput(document), document, weekOf(bay), fresh);
  const out = layOut(planned, { nowMin: layingFrom(planned, preparation, day, fresh), begun: new Map() });
  return {
    planned,
    out,
    view: daysView({ document, planned, preparation, day, record: fresh.record, out, fromMin: 0, isChecked: false }),
  };
}
const plan = daysOf(tourer);
const begun = new Date('2027-03-04T09:00:00+01:00');

test('the tourer is washed and laid in one morning, cures over night and is fetched the next day', () => {
  const { blocks, readyMin, handedOverMin, spareMin, until } = plan.view;
  expect(blocks.filter(({ personMin }) => personMin > 0).map(({ key }) => key.split('/')[0])).toEqual([
    'set-up',
    'clean',
    'correct',
    'wipe',
    'set-up',
    'lay',
    'pack-up',
    'check',
    'hand-over',
  ]);
  expect(handedOverMin! / 60).toBeGreaterThan(24);
  expect(handedOverMin! / 60).toBeLessThan(34);
  expect(readyMin).toBe(handedOverMin! - 30);
  expect(spareMin).toBeCloseTo(36 * 60 - readyMin!, 6);
  expect(until!.beyondMin).toBe(0);
});

test('a lost morning moves all that comes after it, and each shift is told against what was agreed', () => {
  const agreed = asAgreed(tourer, plan.view, '2027-03-02T10:40:00+01:00');
  expect(daysOf({ ...tourer, days: { agreed } }).view.changes).toEqual([]);
  const [from, to] = halfDays(weekOf(bay), tourer.startAt, 0, 1)[0]!;
  const at = (min: number) => new Date(begun.getTime() + min * 60_000).toISOString();
  const moved = daysOf({ ...tourer, days: { agreed, lost: [{ from: at(from), to: at(to), why: 'power' }] } }).view;
  expect(moved.changes.map(({ key }) => key)).toEqual(expect.arrayContaining(['clean/1', 'hand-over']));
  for (const { laterMin } of moved.changes) expect(laterMin!).toBeGreaterThan(15);
  expect(moved.spareMin!).toBeLessThan(plan.view.spareMin!);
});

test('half days follow the week of the bay, a closed day has none', () => {
  // Thursday at nine: the rest of the morning, the afternoon, and on from Friday.
  const halves = halfDays([...weekOf(bay).slice(0, 5), null, null], tourer.startAt, 0, 5);
  expect(halves).toHaveLength(5);
  expect(halves[4]![0] / 60).toBeGreaterThan(4 * 24 - 2);
  expect(halfDays(weekOf(bay), tourer.startAt, 6 * 60, 1)[0]![1]).toBeGreaterThan(6 * 60);
});

test('the owner’s dates open in another program: moments in their zone, whole days as days, told again they move', () => {
  const dates = ownerDates(tourer, plan.out.plan, plan.view, curingDates(plan.planned, plan.out.plan));
  const file = (edition: number) => calendarFile('Tourer', dates, { id: 'satin-tourer', edition, at: begun });
  const read = new ICAL.Component(ICAL.parse(file(3)));
  const events = read.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));
  expect(events.map(({ uid }) => uid)).toEqual(
    ['bring', 'hand-over', 'first-wash', 'hard'].map((key) => `satin-tourer.${key}@glaphyra`),
  );
  expect(events.map(({ sequence }) => sequence)).toEqual([3, 3, 3, 3]);
  const fetched = events[1]!;
  expect(fetched.endDate.toJSDate().getTime() - begun.getTime()).toBeCloseTo(plan.view.handedOverMin! * 60_000, -4);
  expect(fetched.summary).toContain('Fetch it');
  const [, , washed, hard] = events;
  expect([washed!.startDate.isDate, hard!.startDate.isDate]).toEqual([true, true]);
  expect(hard!.startDate.compare(washed!.startDate)).toBeGreaterThan(0);
  // No line is longer than a reader has to take, and none means something to one program only.
  const lines = file(4).split('\r\n');
  expect(Math.max(...lines.map((line) => Buffer.byteLength(line)))).toBeLessThanOrEqual(75);
  expect(lines.filter((line) => line.startsWith('X-'))).toEqual(['X-WR-CALNAME:Tourer']);
});

test('a title with every sign a calendar minds is read back as it was', () => {
  const title = 'Boat; "Marrow", \\ and\nmore '.repeat(9).trim();
  const text = calendarFile(title, [{ key: 'a', title, from: tourer.startAt }], { id: 'x', edition: 1, at: begun });
  const [event] = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
  expect(new ICAL.Event(event).summary).toBe(title);
});

describe('once it stands outside', () => {
  const { planned, out, view } = plan;
  const weather = (airC: number) =>
    Array.from({ length: 96 }, (_, hour) => ({ atMin: hour * 60, airC, rhPct: 75, spreadK: 1.5 }));
  const curing = (airC: number, sigmas = 0, fromMin = view.handedOverMin!) =>
    curingDates(planned, out.plan, { fromMin, air: weather(airC) }, sigmas);
  const inBay = curingDates(planned, out.plan);

  test('the colder the weather the later it is hard, a cold day later than an expected one, never sooner than in air as warm as its bay', () => {
    const hard = [18, 12, 8, 5].map((airC) => curing(airC).hardMin!);
    expect(hard).toEqual(hard.toSorted((a, b) => a - b));
    expect(curing(12, -1.6449).hardMin!).toBeGreaterThan(curing(12).hardMin!);
    // Two months on it has nothing left to do with the weather; an hour of it little.
    expect(curing(5, 0, 90 * 24 * 60)).toEqual(inBay);
    expect(inBay.firstWashMin!).toBeGreaterThan(view.handedOverMin!);
    expect(hard[3]! - inBay.hardMin!).toBeGreaterThan(24 * 60);
  });
  test('beyond the forecast the year goes on as it usually does; an owner’s garage has no nights', () => {
    const forecast = {
      monthMeansC: [2, 2, 6, 10, 14, 17, 19, 18, 14, 10, 6, 3],
      hours: Array.from({ length: 96 }, (_, hour) => ({
        at: new Date(begun.getTime() + hour * 3_600_000).toISOString(),
        airC: 8 + (hour % 24 < 12 ? 4 : -4),
        rhPct: 70,
        rainPct: 0,
        rainMm: 0,
        spreadK: 1,
      })),
    };
    const { air } = outdoorsOf(tourer, 0, forecast)!;
    expect(air.map(({ atMin }) => atMin).slice(0, 3)).toEqual([0, 60, 120]);
    expect(air.map(({ atMin }) => atMin)).toEqual(air.map(({ atMin }) => atMin).toSorted((a, b) => a - b));
    // From the eighth of March on: between February's mean and March's, then warmer from week to week.
    const season = air.slice(96, 96 + 20).map(({ airC }) => airC);
    expect(season[0]).toBeGreaterThan(2);
    expect(season[0]).toBeLessThan(6);
    expect(season).toEqual(season.toSorted((a, b) => a - b));
    const kept = outdoorsOf({ ...tourer, owner: { parking: 'indoor' } }, 0, forecast)!;
    expect(new Set(kept.air.slice(0, 96).map(({ airC }) => airC))).toEqual(new Set([8]));
    expect(outdoorsOf(tourer, null, forecast)).toBeUndefined();
    expect(outdoorsOf(tourer, 0, { ...forecast, hours: [] })).toBeUndefined();
    // It leaves long after the forecast has ended: the season alone, and a warmer one is sooner.
    const late = (byK: number) =>
      curingDates(
        planned,
        out.plan,
        outdoorsOf(tourer, 200 * 60, { ...forecast, monthMeansC: forecast.monthMeansC.map((c) => c + byK) }),
      );
    expect(late(4).hardMin!).toBeLessThan(late(0).hardMin!);
  });
});

test('a night without power delays the cure: the bay is as cold as it gets, and the job ready later, or no sooner', () => {
  const last = Math.max(...plan.out.actions.map(({ endMin }) => endMin));
  const at = (min: number) => new Date(begun.getTime() + min * 60_000).toISOString();
  // From the last stroke until the evening nobody works at it any more: only the air is lost.
  const lost = (why: 'power' | 'weather') =>
    daysOf({ ...tourer, days: { lost: [{ from: at(last + 60), to: at(last + 9 * 60), why }] } });
  const [dark, wet] = [lost('power'), lost('weather')];
  expect(wet.out.plan.handoverMin).toBe(plan.out.plan.handoverMin);
  expect(dark.out.plan.handoverMin! - wet.out.plan.handoverMin!).toBeGreaterThan(30);
  expect(dark.view.readyMin!).toBeGreaterThanOrEqual(wet.view.readyMin!);
});
