import { calendarFaults, redraw } from '#core/schedule/calendar';
import type { Bay } from '#formats/job';
import { type CalendarJob, NO_CALENDAR, type ShopCalendar } from '#formats/schedule';
import { instantAfter, minutesBetween } from '#formats/values';
import { yardThatMorning } from '../../demo/that-morning';
import {
  asKept,
  bayOf,
  blocks,
  datesFor,
  dueAt,
  loads,
  openOf,
  personOf,
  promiseRisks,
  shopCase,
  taskOf,
  toolOf,
  waysOut,
} from '.';

/** A Tuesday morning as the workshop opens. */
const NOW = '2027-03-02T08:00:00+01:00';
const bays: Bay[] = yardThatMorning()
  .bays.slice(0, 2)
  .map((bay) => ({ ...bay, version: 1 }));
const [one, other] = bays.map(({ id }) => id) as [string, string];
const WEEK = Array.from({ length: 7 }, (_, day): [number, number] | null => (day < 5 ? [8, 17] : null));

/** Washed a day long, laid for some hours, cured over night, handed over. */
function jobOf(id: string, more: Partial<CalendarJob> = {}): CalendarJob {
  const step = (
    key: string,
    kind: CalendarJob['work'][number]['kind'],
    min: number,
    hands: number,
    after?: string,
  ) => ({
    key,
    kind,
    min,
    hands,
    pausable: kind === 'clean',
    from: NOW,
    until: instantAfter(NOW, 2 * 1440),
    after: after === undefined ? [] : [{ key: after, minMin: 0, ...(kind === 'cure' && { maxMin: 0 }) }],
  });
  return {
    id,
    title: id,
    bayId: one,
    phase: 'planned',
    startAt: NOW,
    begun: false,
    ready: null,
    work: [
      step('clean', 'clean', 480, 1),
      step('lay', 'lay', 240, 1, 'clean'),
      step('cure', 'cure', 720, 0, 'lay'),
      step('hand-over', 'hand-over', 30, 1, 'cure'),
    ],
    costs: { materialMoney: 10_000, hourRate: 6000, currency: 'EUR' },
    ...more,
  };
}
const person = (id: string, skills: ShopCalendar['people'][number]['skills']) => ({ id, name: id, skills, week: WEEK });
const crew: ShopCalendar = { ...NO_CALENDAR, people: [person('ann', ['prepare', 'lay', 'hand-over'])] };

/** As it stands once everybody has agreed to it. */
function agreed(calendar: ShopCalendar, jobs: readonly CalendarJob[]) {
  const first = shopCase({ calendar, jobs, bays, now: NOW });
  const kept = { ...calendar, plan: asKept(first, redraw(first.asked, []).tasks, []) };
  const sources = { calendar: kept, jobs, bays, now: NOW };
  const shop = shopCase(sources);
  return { sources, shop, drawn: redraw(shop.asked, shop.stood) };
}
const endOf = (drawn: ReturnType<typeof redraw>, job: string) =>
  drawn.tasks.find(({ id }) => id === taskOf(job, 'hand-over'))!.toMin;

test('a promise that is broken has ways out, each whole: what it comes to for all, in hours, money and moves', () => {
  const needsBy = instantAfter(NOW, 2 * 1440 + 60);
  const jobs = [jobOf('early'), jobOf('late', { bayId: other, needsBy })];
  const { sources, shop, drawn } = agreed({ ...crew, people: [...crew.people, person('ben', ['hand-over'])] }, jobs);
  const late = drawn.lateMin.get(taskOf('late', 'hand-over'))!;
  expect(late).toBeGreaterThan(0);
  const ways = waysOut(sources, shop, drawn, jobs[1]!);
  const kinds = ways.map(({ way }) => (way.kind === 'skill' ? `${way.person} ${way.skill}` : way.kind));
  expect(kinds).toEqual(expect.arrayContaining(['ben prepare', 'helper', 'first']));
  for (const { way, calendar, tasks, lateMin, soonerMin, alsoLate, money, moreMin } of ways) {
    const changed = shopCase({ ...sources, calendar });
    expect([way, calendarFaults(changed.asked, tasks)]).toEqual([way, []]);
    expect(lateMin).toBeLessThan(late);
    expect(drawn.tasks.find(({ id }) => id === taskOf('late', 'hand-over'))!.toMin - soonerMin).toBe(
      tasks.find(({ id }) => id === taskOf('late', 'hand-over'))!.toMin,
    );
    const out = tasks.find(({ id }) => id === taskOf('late', 'hand-over'))!;
    // Ready when it is handed over, not half an hour later when all has been explained.
    expect(Math.max(0, out.fromMin - minutesBetween(NOW, needsBy))).toBe(lateMin);
    // Nobody waits for the other.
    expect(alsoLate).toEqual([]);
    if (way.kind === 'skill' || way.kind === 'first') expect([money, moreMin]).toEqual([0, 0]);
    if (way.kind === 'helper') expect(money).toBe((moreMin * 6000) / 60);
    // Agreed to, it stands.
    const kept = shopCase({ ...sources, calendar: { ...calendar, plan: asKept(changed, tasks, []) } });
    expect(redraw(kept.asked, kept.stood).moves).toEqual([]);
  }
  // The cheapest that keeps it comes first.
  expect(ways[0]!.lateMin).toBe(0);
});

test('longer evenings: as few hours as keep it, only those that are worked, by whom and in which bay, at their price', () => {
  const job = jobOf('only', { needsBy: instantAfter(NOW, 2 * 1440 + 60) });
  const { sources, shop, drawn } = agreed(crew, [job]);
  // Washing takes the first day but for an hour; laying the second, cured in the night after it: on time, with room.
  expect(drawn.lateMin.get(taskOf('only', 'hand-over'))).toBe(0);
  const tight = { ...job, needsBy: instantAfter(NOW, 1440 + 9 * 60) };
  const hurried = agreed(crew, [tight]);
  const way = waysOut(hurried.sources, hurried.shop, hurried.drawn, tight).find((each) => each.way.kind === 'overtime');
  for (const { lateMin, soonerMin } of waysOut(sources, shop, drawn, job))
    expect([lateMin, soonerMin >= 15]).toEqual([0, true]);
  expect(way).toBeDefined();
  const { calendar, moreMin, money } = way!;
  expect(moreMin).toBeGreaterThan(0);
  expect(money).toBe(Math.round((moreMin * 6000 * 0.25) / 60));
  for (const { what, from, to } of calendar.more) {
    expect([personOf('ann'), bayOf(one)]).toContain(what);
    const [opens, closes] = [from, to].map((at) => minutesBetween(NOW, at));
    expect(way!.tasks.some(({ fromMin, toMin }) => fromMin < closes! && toMin > opens!)).toBe(true);
  }
});

test('three dates for a new job: nobody promised is moved, the later the surer, what is sooner costs more', () => {
  const promised = jobOf('promised', { needsBy: instantAfter(NOW, 3 * 1440) });
  const asked = jobOf('asked', { startAt: NOW });
  const { sources, drawn } = agreed(crew, [promised]);
  const offered = datesFor({ ...sources, jobs: [promised, asked] }, 'asked', NOW);
  expect(offered).toHaveLength(3);
  expect(offered.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['as-it-goes', 'week-later']));
  const usual = offered.find(({ kind }) => kind === 'as-it-goes')!;
  const later = offered.find(({ kind }) => kind === 'week-later')!;
  const work = (480 + 240 + 30) / 60;
  expect(usual.money).toBe(10_000 + work * 6000);
  // Only evenings somebody works in are asked for.
  for (const { calendar, tasks } of offered)
    for (const { from, to } of calendar.more)
      expect(
        tasks.some(({ fromMin, toMin }) => fromMin < minutesBetween(NOW, to) && toMin > minutesBetween(NOW, from)),
      ).toBe(true);
  for (const { kind, readyAt, promiseAt, kept, money, moreMin, tasks, from } of offered) {
    expect([kind, minutesBetween(readyAt, promiseAt) >= 0]).toEqual([kind, true]);
    expect(kept).toBeGreaterThan(0);
    expect(money).toBe(usual.money + Math.round((moreMin * 6000 * 0.25) / 60));
    expect(minutesBetween(NOW, from)).toBeGreaterThanOrEqual(0);
    expect(tasks.find(({ id }) => id === taskOf('promised', 'hand-over'))!.toMin).toBe(endOf(drawn, 'promised'));
  }
  expect(minutesBetween(usual.from, later.from)).toBeGreaterThanOrEqual(7 * 1440);
  const soonest = offered.find(({ kind }) => kind === 'soonest');
  if (soonest) expect(minutesBetween(soonest.readyAt, usual.readyAt)).toBeGreaterThan(0);
  expect(datesFor(sources, 'unknown', NOW)).toEqual([]);
});

test('an option holds its place and its date until it expires; then nobody waits for it', () => {
  const job = jobOf('asked');
  const option = {
    job: 'asked',
    by: instantAfter(NOW, 4 * 1440),
    from: instantAfter(NOW, 1440),
    bay: other,
    expires: instantAfter(NOW, 2 * 1440),
  };
  const calendar = { ...crew, promised: [option] };
  const held = shopCase({ calendar, jobs: [job], bays, now: NOW });
  const { tasks } = redraw(held.asked, held.stood);
  expect(tasks.find(({ id }) => id === taskOf('asked', 'clean'))).toMatchObject({
    fromMin: 1440,
    uses: [bayOf(other), openOf(other), personOf('ann')],
  });
  expect(dueAt(job, calendar, NOW)).toBe(option.by);
  const plan = asKept(held, tasks, []);
  const after = instantAfter(NOW, 2 * 1440 + 1);
  const lapsed = shopCase({ calendar: { ...calendar, plan }, jobs: [job], bays, now: after });
  expect([dueAt(job, calendar, after), lapsed.stood, lapsed.asked.due]).toEqual([undefined, [], []]);
  expect(lapsed.asked.tasks.find(({ id }) => id === taskOf('asked', 'clean'))!.needs[0]!.anyOf).toEqual([bayOf(one)]);
});

/** The same with nothing to cure. */
const uncured = jobOf('any')
  .work.filter(({ kind }) => kind !== 'cure')
  .map((step) => ({
    ...step,
    after: step.after.map((lag) => ({ ...lag, key: lag.key === 'cure' ? 'lay' : lag.key })),
  }));

test('a promise with room is nearly sure, one without is not; a job far ahead is one block in its bay', () => {
  const [sure, tight, far] = [
    jobOf('sure', { needsBy: instantAfter(NOW, 6 * 1440) }),
    // Handed over as it is laid: no night takes up what is late.
    jobOf('tight', { bayId: other, work: uncured }),
    jobOf('far', { startAt: instantAfter(NOW, 100 * 1440) }),
  ];
  const first = agreed({ ...crew, people: [...crew.people, person('ben', ['prepare', 'lay', 'hand-over'])] }, [
    sure,
    tight,
    far,
  ]);
  const out = endOf(first.drawn, 'tight') - 30;
  const jobs = [sure, { ...tight, needsBy: instantAfter(NOW, out) }, far];
  const shop = shopCase({ ...first.sources, jobs });
  const risks = new Map(promiseRisks(shop, first.drawn.tasks).map((risk) => [risk.job, risk]));
  expect(risks.get('sure')!.kept).toBeGreaterThan(0.97);
  expect(risks.get('tight')!.kept).toBeLessThan(0.9);
  expect(risks.get('tight')!.nineTenthsMin).toBeGreaterThan(out);
  expect(shop.far).toMatchObject([{ job: { id: 'far' }, bay: one }]);
  expect(shop.asked.tasks.some(({ id }) => id.startsWith('far/'))).toBe(false);
});

test('one machine is in one bay at a time; on service, nobody corrects; a week of each is told as it is taken', () => {
  const correcting = (id: string, bayId: string) => {
    const job = jobOf(id, { bayId });
    return {
      ...job,
      work: job.work.map((step, nth) =>
        nth === 0
          ? { ...step, key: 'correct', kind: 'correct' as const }
          : { ...step, after: step.after.map((lag) => (lag.key === 'clean' ? { ...lag, key: 'correct' } : lag)) },
      ),
    };
  };
  const jobs = [correcting('a', one), correcting('b', other)];
  const people = [person('ann', ['prepare', 'lay', 'hand-over']), person('ben', ['prepare', 'lay', 'hand-over'])];
  const tools = [{ id: 'machine', name: 'Machine', count: 1, kinds: ['correct' as const] }];
  const fromOf = (calendar: ShopCalendar) => {
    const shop = shopCase({ calendar, jobs, bays, now: NOW });
    const drawn = redraw(shop.asked, []);
    expect(calendarFaults(shop.asked, drawn.tasks)).toEqual([]);
    return ['a', 'b'].map((id) => drawn.tasks.find((task) => task.id === taskOf(id, 'correct'))!.fromMin);
  };
  expect(fromOf({ ...crew, people })).toEqual([0, 0]);
  expect(fromOf({ ...crew, people, tools })).toEqual([0, 480]);
  expect(fromOf({ ...crew, people, tools: [{ ...tools[0]!, count: 2 }] })).toEqual([0, 0]);
  const lost = [{ id: 'x', what: toolOf('machine'), from: NOW, to: instantAfter(NOW, 1440), why: 'service' as const }];
  expect(fromOf({ ...crew, people, tools, lost })[0]).toBe(1440);

  const shop = shopCase({ calendar: { ...crew, people }, jobs, bays, now: NOW });
  const { tasks } = redraw(shop.asked, []);
  const [monday, next] = ['2027-03-01T00:00:00+01:00', '2027-03-08T00:00:00+01:00'];
  const load = new Map(
    loads({ calendar: { ...crew, people }, jobs, bays, now: NOW }, shop, tasks, [monday, next]).map((own) => [
      own.what,
      own.weeks,
    ]),
  );
  // Twelve and a half hours of two times five days of nine.
  const worked = ['ann', 'ben'].reduce((sum, id) => sum + load.get(personOf(id))![0]!, 0);
  expect(worked).toBeCloseTo((2 * 750) / (45 * 60), 2);
  expect(load.get(personOf('ann'))![1]).toBe(0);
  expect(load.get(bayOf(one))![0]).toBeGreaterThan(0.2);
  expect(blocks(shop, tasks).map(({ job, bay, isFar }) => [job.id, bay, isFar])).toEqual([
    ['a', one, false],
    ['b', other, false],
  ]);
});

test('what is being laid is laid to its end past closing; what is not begun waits for hours that hold it', () => {
  const long = jobOf('long');
  const [, lay] = long.work;
  const work = [{ ...lay!, min: 560, after: [] }];
  const laid = (begun: boolean) => {
    const shop = shopCase({ calendar: crew, jobs: [{ ...long, begun, work }], bays, now: NOW });
    return redraw(shop.asked, []).tasks.map(({ fromMin, toMin }) => [fromMin, toMin]);
  };
  expect(laid(true)).toEqual([[0, 560]]);
  expect(laid(false)).toEqual([]);
});

test('what cures already is done when it is, however late somebody looks at the calendar', () => {
  const job = jobOf('curing', { phase: 'curing' });
  const [, , cure, out] = job.work;
  const until = instantAfter(NOW, 300);
  const work = [{ ...cure!, until, min: 300, after: [] }, out!];
  const handedOver = (now: string) => {
    const shop = shopCase({ calendar: crew, jobs: [{ ...job, work }], bays, now });
    const { tasks } = redraw(shop.asked, []);
    return instantAfter(shop.startAt, tasks.find(({ id }) => id === taskOf('curing', 'hand-over'))!.fromMin);
  };
  expect(handedOver(NOW)).toBe(until);
  expect(handedOver(instantAfter(NOW, 120))).toBe(until);
  expect(handedOver(instantAfter(NOW, 360))).toBe(instantAfter(NOW, 360));
});

test('what a job lacks is not laid before it is delivered; what another job has is', () => {
  const laying = (id: string, bayId: string) => {
    const job = jobOf(id, { bayId });
    return {
      ...job,
      work: job.work.map((step) => (step.kind === 'lay' ? { ...step, products: ['base', 'top'] } : step)),
    };
  };
  const jobs = [laying('lacks', one), laying('has', other)];
  const people = [person('ann', ['prepare', 'lay', 'hand-over']), person('ben', ['prepare', 'lay', 'hand-over'])];
  const on = instantAfter(NOW, 3 * 1440);
  const layFrom = (ordered: ShopCalendar['ordered']) => {
    const shop = shopCase({ calendar: { ...crew, people, ordered }, jobs, bays, now: NOW });
    const drawn = redraw(shop.asked, []);
    expect([calendarFaults(shop.asked, drawn.tasks), drawn.unplaced]).toEqual([[], []]);
    return ['lacks', 'has'].map((id) => drawn.tasks.find((task) => task.id === taskOf(id, 'lay'))!.fromMin);
  };
  const order = { id: 'o', product: 'top', name: 'Top', on, jobs: ['lacks'] };
  expect(layFrom([])).toEqual([1440, 1440]);
  expect(layFrom([order])).toEqual([3 * 1440, 1440]);
  expect(layFrom([{ ...order, product: 'film' }])).toEqual([1440, 1440]);
  expect(layFrom([{ ...order, on: NOW }])).toEqual([1440, 1440]);
});
