import { calendarFaults, redraw } from '#core/schedule/calendar';
import { layOut } from '#core/lay/run-sheet';
import { foldLog } from '#core/lay/run';
import type { Bay, JobDraft } from '#formats/job';
import { type CalendarJob, NO_CALENDAR, type ShopCalendar } from '#formats/schedule';
import { instantAfter, minutesBetween } from '#formats/values';
import { daysView } from '#job/days';
import { planInput } from '#job/plan';
import { prepareSettings } from '#job/prepare';
import { inOpeningHours, layingFrom, weekOf } from '#job/promise';
import { preparedWith } from '#job/view';
import { YARD_PEOPLE } from '../../demo/people';
import { yardThatMorning } from '../../demo/that-morning';
import { asKept, bayOf, operationsOf, personOf, shopCase, taskOf } from '.';

const NOW = '2027-03-02T08:00:00+01:00';
const yard = yardThatMorning();
const bays: Bay[] = yard.bays.map((bay) => ({ ...bay, version: 1 }));
const fresh = { record: foldLog([]), nowMin: 0 };

/** A job nothing has been done of, as the calendar has it, and when it goes out by itself. */
function jobOf(id: string, draft: JobDraft, startAt = NOW) {
  const document = { ...draft.document, startAt, days: undefined };
  const bay = bays.find((each) => each.id === draft.bayId);
  const { preparation, day } = preparedWith(document, prepareSettings(document));
  const planned = inOpeningHours(planInput(document), document, weekOf(bay), fresh);
  const out = layOut(planned, { nowMin: layingFrom(planned, preparation, day, fresh), begun: new Map() });
  const view = daysView({
    document,
    planned,
    preparation,
    day,
    record: fresh.record,
    out,
    fromMin: 0,
    isChecked: false,
  });
  const work = operationsOf(document, view.blocks, out.plan, view.people);
  const job: CalendarJob = {
    id,
    title: document.title,
    bayId: draft.bayId,
    phase: 'planned',
    startAt,
    begun: false,
    ready: view.readyMin === null ? null : instantAfter(startAt, view.readyMin),
    work,
  };
  return { job, view };
}
const drafts = yard.jobs.flatMap(({ id, draft }) => (draft.document.products.length > 0 ? [{ id, draft }] : []));
const all = drafts.map(({ id, draft }) => jobOf(id, draft));

test('alone in its bay a job goes out in the calendar when its own days say it does', () => {
  let compared = 0;
  for (const { job, view } of all) {
    if (view.handedOverMin === null || job.work.length === 0) continue;
    const shop = shopCase({ calendar: NO_CALENDAR, jobs: [job], bays, now: NOW });
    const { tasks, unplaced } = redraw(shop.asked, shop.stood);
    expect([job.id, unplaced]).toEqual([job.id, []]);
    const out = tasks.find(({ id }) => id === taskOf(job.id, 'hand-over'))!.toMin;
    // A coat that waits days for one panel is two steps: they follow one another, never sooner than the sheet has them.
    expect([job.id, out >= view.handedOverMin - 15]).toEqual([job.id, true]);
    if (!job.work.some(({ key }) => key.includes('part-'))) {
      expect([job.id, Math.abs(out - view.handedOverMin) < 15]).toEqual([job.id, true]);
      compared += 1;
    }
  }
  expect(compared).toBeGreaterThan(3);
});

test('all at once: nobody twice, nothing beside what stands in a bay, in everybody’s hours; and kept it stays', () => {
  const calendar: ShopCalendar = { ...NO_CALENDAR, people: YARD_PEOPLE };
  const jobs = all.map(({ job }) => job);
  const shop = shopCase({ calendar, jobs, bays, now: NOW });
  const drawn = redraw(shop.asked, shop.stood);
  expect(calendarFaults(shop.asked, drawn.tasks)).toEqual([]);
  expect(drawn.unplaced).toEqual([]);
  const kept = { ...calendar, plan: asKept(shop, drawn.tasks, []) };
  const later = shopCase({ calendar: kept, jobs, bays, now: NOW });
  expect(redraw(later.asked, later.stood).moves).toEqual([]);

  // Maren is away on the first day: nothing of hers is done then, and nothing goes sooner than it was agreed.
  const lost = [{ id: 'ill', what: personOf('maren'), from: NOW, to: instantAfter(NOW, 1440), why: 'hands' as const }];
  const without = shopCase({ calendar: { ...kept, lost }, jobs, bays, now: NOW });
  const redrawn = redraw(without.asked, without.stood);
  expect(calendarFaults(without.asked, redrawn.tasks)).toEqual([]);
  expect(redrawn.moves.length).toBeGreaterThan(0);
  for (const { was, is } of redrawn.moves) expect(is.toMin).toBeGreaterThanOrEqual(was.toMin);
  for (const { uses, fromMin } of redrawn.tasks)
    if (uses.includes(personOf('maren'))) expect(fromMin).toBeGreaterThanOrEqual(1440);
});

test('what somebody is at is fixed, a job far ahead does not begin before its day, a closed bay only lets things stand', () => {
  const { job } = all.find(({ job: { work } }) => work.some(({ kind }) => kind === 'cure'))!;
  const tomorrow = instantAfter(NOW, 1440);
  const [begun, ahead] = [
    { ...job, id: 'begun', begun: true, bayId: bays[0]!.id },
    { ...job, id: 'ahead', startAt: instantAfter(NOW, 5 * 1440), bayId: bays[1]!.id },
  ];
  const lost = [
    { id: 'power', what: bayOf(bays[0]!.id), from: tomorrow, to: instantAfter(NOW, 2880), why: 'power' as const },
  ];
  const shop = shopCase({ calendar: { ...NO_CALENDAR, lost }, jobs: [begun, ahead], bays, now: NOW });
  const { tasks } = redraw(shop.asked, shop.stood);
  const of = (id: string) => tasks.filter((task) => shop.steps.get(task.id)?.job.id === id);
  expect(of('begun')[0]!.fromMin).toBe(Math.round(minutesBetween(NOW, begun.work[0]!.from)));
  expect(Math.min(...of('ahead').map(({ fromMin }) => fromMin))).toBeGreaterThanOrEqual(5 * 1440);
  for (const { id, fromMin, toMin } of of('begun')) {
    const { step } = shop.steps.get(id)!;
    if (step.hands > 0 && !step.pausable) expect([id, toMin <= 1440 || fromMin >= 2880]).toEqual([id, true]);
  }
});
