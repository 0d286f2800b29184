import fc from 'fast-check';
import { type Hours, without, workedIn } from '#core/plan/crew';
import { layingBegins, layingSetUpMin, openHours, packingUpMin, preparedBy, USUAL_WEEK } from '#core/schedule/hours';
import { layOut } from '#core/lay/run-sheet';
import { job, surface } from '../../testing/samples';
import { begins, dayChanges, type DaysCase, ends, jobDays, untilDeadline } from '.';

const HOUR = 60;
/** Eight to six every day, the job begun at eight on a Tuesday. */
const open = openHours(USUAL_WEEK, 8 * HOUR, 2);
const planned = (hours: Hours) =>
  job({
    surfaces: [surface({ id: 'bonnet' })],
    crew: { ...job().crew, people: [{ ...job().crew, id: 'a', does: ['lay', 'level'], hours }] },
  });

const washed: DaysCase = {
  stages: [
    { kind: 'wash', minutes: 90 },
    { kind: 'cutting', minutes: 300 },
    { kind: 'refining', minutes: 120 },
    { kind: 'panel-wipe', minutes: 30 },
  ],
  preparationMin: 540,
  day: { elapsedMin: 560, waitedMin: 20, readyMin: 570 },
  people: [open],
  startMinuteOfDay: 8 * HOUR,
  fromMin: 0,
  actions: [],
  setUpMin: 0,
  curedMin: null,
  checkMin: 20,
  handoverMin: 30,
};

/** The same with something laid after it. */
function laid(changes: Partial<DaysCase> = {}): DaysCase {
  const asked = { ...washed, ...changes };
  const left = asked.stages.reduce((sum, { minutes }) => sum + minutes, 0) / asked.preparationMin;
  const prepared = preparedBy(asked.day, left, asked.people, asked.fromMin)!;
  const from = layingBegins(asked.people, prepared, asked.setUpMin)!.fromMin;
  const { actions, plan } = layOut(planned(asked.people[0]!), { nowMin: from, begun: new Map() });
  return { ...asked, actions, curedMin: plan.handoverMin, ...changes };
}

test('half a day goes out of the hours there are, wherever it lies', () => {
  expect(without([[0, 100]], [[40, 60]])).toEqual([
    [0, 40],
    [60, 100],
  ]);
  expect(
    without(
      [
        [0, 100],
        [200, 300],
      ],
      [
        [-10, 20],
        [90, 210],
        [15, 30],
      ],
    ),
  ).toEqual([
    [30, 90],
    [210, 300],
  ]);
  expect(without([[0, 100]], [[0, 100]])).toEqual([]);
});

test('pieces of work follow one another over the night, each stretch with its set-up', () => {
  expect(
    workedIn(
      [
        [0, 60],
        [100, 200],
      ],
      0,
      [50, 40],
      0,
    ),
  ).toEqual([
    [[0, 50]],
    [
      [50, 60],
      [100, 130],
    ],
  ]);
  expect(
    workedIn(
      [
        [0, 60],
        [100, 200],
      ],
      10,
      [40, 30],
      10,
    ),
  ).toEqual([[[20, 60]], [[110, 140]]]);
  expect(workedIn([[0, 60]], 0, [50, 40, 1], 0)).toEqual([[[0, 50]], null, null]);
});

test('cleaned, corrected, wiped, dried, laid, cured, looked over and handed over, in this order', () => {
  const { blocks, handedOverMin } = jobDays(laid());
  expect(blocks.filter(({ kind }) => kind !== 'wait').map(({ kind }) => kind)).toEqual([
    'set-up',
    'clean',
    'correct',
    'wipe',
    'dry',
    'lay',
    'pack-up',
    'cure',
    'check',
    'hand-over',
  ]);
  expect(handedOverMin).toBe(ends(blocks.at(-1)!));
  // Nobody works at night: each stretch of work lies in the hours there are.
  for (const { personMin, stretches } of blocks)
    if (personMin > 0)
      for (const [from, to] of stretches) expect(open.some(([a, b]) => from >= a - 1e-6 && to <= b + 1e-6)).toBe(true);
});

test('where all is laid it still cures until it may go; what never had anything laid goes when it has been looked over', () => {
  const all = { ...washed, stages: [], people: [[[0, 1000]] as const] };
  const curing = jobDays({ ...all, fromMin: 100, curedMin: 400 });
  expect(curing.blocks.find(({ kind }) => kind === 'cure')?.stretches).toEqual([[100, 400]]);
  expect(begins(curing.blocks.at(-1)!)).toBe(400);
  for (const curedMin of [null, 50]) {
    const { blocks } = jobDays({ ...all, fromMin: 100, curedMin });
    expect(blocks.map(({ kind }) => kind)).toEqual(['check', 'hand-over']);
    expect(begins(blocks.at(-1)!)).toBe(120);
  }
});

test('setting up, packing up and the final check stand in the days: none of them is on top of the date', () => {
  const setUpMin = layingSetUpMin(2);
  const { blocks, readyMin } = jobDays(laid({ setUpMin, stages: washed.stages.slice(0, 1), preparationMin: 540 }));
  const of = (key: string) => blocks.find((block) => block.key === key)!;
  const lay = blocks.find(({ kind }) => kind === 'lay')!;
  const dries = washed.day.readyMin - washed.day.elapsedMin;
  // Half an hour before the first wash; 20 min and 5 for each of two products before laying, of which 10 while it dries.
  expect(of('set-up/prepare').stretches).toEqual([[0, 30]]);
  expect(begins(lay) - ends(of('clean/1'))).toBeCloseTo(Math.max(dries, 30), 6);
  expect([of('set-up/lay').personMin, ends(of('set-up/lay'))]).toEqual([30, begins(lay)]);
  // 15 min of packing up and half a minute for the towel of each section, then 20 min of looking it over.
  const sections = laid({ stages: washed.stages.slice(0, 1) }).actions.filter(({ does }) => does === 'lay').length;
  expect(ends(of('pack-up')) - ends(lay)).toBeCloseTo(15 + sections / 2, 6);
  expect(packingUpMin(sections, 2)).toBe(15 + sections / 4);
  expect(ends(of('check')) - ends(of('pack-up'))).toBeCloseTo(20, 6);
  expect(readyMin).toBe(begins(of('hand-over')));
  expect(readyMin).toBeGreaterThanOrEqual(ends(of('check')));
});

test('it is not ready before it was agreed to be collected, and later where it has to be; looked over, it waits for nobody', () => {
  const own = jobDays(laid()).readyMin!;
  const agreed = (collectionMin: number) => jobDays(laid({ collectionMin })).readyMin;
  expect([agreed(own - 90), agreed(own), agreed(own + 60)]).toEqual([own, own, own + 60]);
  // Agreed for the evening, when nobody is there: the next morning.
  expect(agreed(Math.floor(own / 1440) * 1440 + 15 * HOUR)).toBe((Math.floor(own / 1440) + 1) * 1440);
  const over = { ...washed, stages: [], checkMin: 0, curedMin: 100, fromMin: 5 * HOUR };
  expect([jobDays(over).readyMin, jobDays({ ...over, fromMin: 9 * HOUR }).readyMin]).toEqual([100, 100]);
  expect(jobDays({ ...over, curedMin: null }).blocks).toEqual([]);
});

test('preparation ends when the promise says it does', () => {
  for (const hands of [1, 2, 3]) {
    const people = Array.from({ length: hands }, () => open);
    const wipe = jobDays({ ...washed, people }).blocks.find(({ kind }) => kind === 'wipe')!;
    const dries = washed.day.readyMin - washed.day.elapsedMin;
    expect(ends(wipe) + dries).toBeCloseTo(preparedBy(washed.day, 1, people, 0)!.driedMin, 6);
  }
});

test('wiped in the evening and laid in the morning is said; on one day it is not', () => {
  // 30 min of set-up and 9 h 20 of work: it ends at ten to six, and nothing can be laid any more.
  const night = laid();
  expect(begins(jobDays(night).blocks.find(({ kind }) => kind === 'lay')!)).toBeGreaterThanOrEqual(24 * HOUR);
  expect(jobDays(night).wipedOverNight).toBe(true);
  expect(jobDays(laid({ stages: washed.stages.slice(1) })).wipedOverNight).toBe(false);
});

test('what cures at night is handed over when somebody is there; what never cures is not', () => {
  const { handedOverMin } = jobDays(laid({ curedMin: 40 * HOUR }));
  // Ready at midnight of the second day: at eight on the third, with half an hour for it.
  expect(handedOverMin).toBe(48 * HOUR + 30);
  // Nobody is asked to come at eleven minutes past.
  expect(jobDays(laid({ curedMin: 51 * HOUR + 11 })).handedOverMin).toBe(51 * HOUR + 15 + 30);
  expect(jobDays(laid({ curedMin: 51 * HOUR + 11, startMinuteOfDay: 8 * HOUR + 2 })).handedOverMin).toBe(
    51 * HOUR + 13 + 30,
  );
  expect(jobDays(laid({ curedMin: null })).handedOverMin).toBeNull();
  expect(jobDays({ ...laid(), people: [[[0, HOUR]]] }).handedOverMin).toBeNull();
});

test('law: time that is lost makes nothing earlier, another pair of hands nothing later', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 1, max: 12 }), (from, long) => {
      const lost: Hours = [[from * HOUR, (from + long) * HOUR]];
      const before = jobDays(laid());
      const after = jobDays(laid({ people: [without(open, lost)] }));
      expect(after.handedOverMin!).toBeGreaterThanOrEqual(before.handedOverMin! - 1e-6);
      const two = jobDays(laid({ people: [open, open] }));
      expect(two.handedOverMin!).toBeLessThanOrEqual(before.handedOverMin! + 1e-6);
    }),
    { numRuns: 25 },
  );
});

test('until the deadline: what is there and what is needed, hour by hour, add up', () => {
  const { blocks } = jobDays(laid());
  const deadline = 34 * HOUR;
  const { hours, workMin, beyondMin, thereMin, spareMin } = untilDeadline(blocks, [open], 0, deadline);
  const sum = (of: 'thereMin' | 'workMin') => hours.reduce((total, hour) => total + hour[of], 0);
  expect(sum('thereMin')).toBeCloseTo(thereMin, 6);
  expect(sum('workMin')).toBeCloseTo(workMin - beyondMin, 6);
  expect(workMin).toBeCloseTo(
    blocks.reduce((total, { personMin }) => total + personMin, 0),
    6,
  );
  expect(hours.at(-1)!.leftMin).toBeCloseTo(beyondMin, 6);
  expect(spareMin).toBeCloseTo(thereMin - (workMin - beyondMin), 6);
  // Ten hours each day, none at night.
  expect(hours).toHaveLength(20);
  expect(untilDeadline(blocks, [open], deadline, 0)).toMatchObject({ hours: [], thereMin: 0, spareMin: 0 });
});

test('what moved is told, what moved by minutes is not; what is gone is told last', () => {
  const was = [
    { key: 'lay', fromMin: 0, untilMin: 60 },
    { key: 'wait/1', fromMin: 60, untilMin: 70 },
    { key: 'hand-over', fromMin: 600, untilMin: 630 },
  ];
  const changes = dayChanges(was, [
    { key: 'lay', fromMin: 5, untilMin: 65 },
    { key: 'check', fromMin: 65, untilMin: 80 },
    { key: 'hand-over', fromMin: 960, untilMin: 990 },
  ]);
  expect(changes.map(({ key, laterMin }) => [key, laterMin])).toEqual([
    ['check', undefined],
    ['hand-over', 360],
    ['wait/1', undefined],
  ]);
});
