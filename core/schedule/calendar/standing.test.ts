import { TENTH_SIGMAS, seeded } from '#core/measures';
import { type CalendarCase, calendarFaults, redraw, rehearseCalendar, schedule, type Task } from '.';
import { Board, compared, type Layout } from './board';
import { boundsOf } from './search';

const blank: CalendarCase = { resources: [], tasks: [], lags: [], same: [], due: [], seed: 1 };
const task = (id: string, min: number, needs: readonly string[][], more: Partial<Task> = {}): Task => ({
  id,
  min,
  needs: needs.map((anyOf) => ({ anyOf, count: 1 })),
  pausable: false,
  ...more,
});

/** Days of eight hours in units of ten minutes: the rest is night. */
const days = (count: number) => Array.from({ length: count }, (_, day) => [day * 144, day * 144 + 48] as const);

/** Some jobs of a few steps, each in a bay it comes into and leaves when all is done; some of them awaited. */
function standingCase(random: () => number, jobs: number, bays: readonly string[]): CalendarCase {
  const below = (most: number) => Math.floor(random() * most);
  const names = Array.from({ length: jobs }, (_, nth) => `j${nth}`);
  const steps = names.map(() => 2 + below(2));
  return {
    ...blank,
    resources: [...bays.map((id) => ({ id, capacity: 1 })), { id: 'open', capacity: 9, hours: days(40) }],
    tasks: names.flatMap((job, nth) =>
      Array.from({ length: steps[nth]! }, (_, step) =>
        // The last of each cures, whoever is there.
        step === steps[nth]! - 1
          ? task(`${job}/${step}`, 20 + below(60), [[...bays]])
          : task(`${job}/${step}`, 5 + below(40), [[...bays], ['open']], { pausable: random() < 0.5 }),
      ),
    ),
    lags: names.flatMap((job, nth) =>
      Array.from({ length: steps[nth]! - 1 }, (_, step) => ({
        after: `${job}/${step}`,
        before: `${job}/${step + 1}`,
        minMin: below(10),
      })),
    ),
    stays: names.map((job, nth) => ({
      anyOf: bays,
      tasks: Array.from({ length: steps[nth]! }, (_, step) => `${job}/${step}`),
    })),
    due: names.flatMap((job, nth) =>
      random() < 0.6 ? [{ task: `${job}/${steps[nth]! - 1}`, byMin: 50 + below(300), weight: 1 + below(3) }] : [],
    ),
  };
}

const orders = (left: readonly number[]): number[][] =>
  left.length === 0
    ? [[]]
    : left.flatMap((one) => orders(left.filter((other) => other !== one)).map((rest) => [one, ...rest]));

test('what stands in one bay after the other is bound by the best of all its orders, and no answer beats that', () => {
  const random = seeded(41);
  let same = 0;
  for (let round = 0; round < 25; round += 1) {
    const asked = standingCase(random, 4, ['bay-1']);
    const board = new Board(asked);
    const laid = orders([0, 1, 2, 3]).map((order) =>
      board.layOut(board.tasks.map(({ id }) => order.indexOf(Number(id[1])))),
    );
    const [first] = laid.toSorted(compared);
    const bound = boundsOf(board, first!, 'best');
    // Where nobody else is in the way, it is what the best order comes to.
    expect([round, bound.makespanMin]).toEqual([round, Math.min(...laid.map(({ makespanMin }) => makespanMin))]);
    expect([round, bound.lateness <= first!.lateness]).toEqual([round, true]);
    if (bound.lateness === first!.lateness) same += 1;
  }
  expect(same).toBeGreaterThan(15);
});

test('shared by two bays it is no more than what they come to, and mostly the same; people in the way only add to it', () => {
  const random = seeded(43);
  let same = 0;
  for (let round = 0; round < 15; round += 1) {
    const asked = standingCase(random, 5, ['bay-1', 'bay-2']);
    const best = (each: CalendarCase): { readonly board: Board; readonly layout: Layout } => {
      const board = new Board(each);
      const laid = orders([0, 1, 2, 3, 4]).map((order) =>
        board.layOut(board.tasks.map(({ id }) => order.indexOf(Number(id[1])))),
      );
      for (const layout of laid) expect(calendarFaults(each, board.told(layout).tasks)).toEqual([]);
      return { board, layout: laid.toSorted((a, b) => a.makespanMin - b.makespanMin)[0]! };
    };
    const free = best(asked);
    const bound = boundsOf(free.board, free.layout, 'best');
    expect([round, bound.makespanMin <= free.layout.makespanMin]).toEqual([round, true]);
    if (bound.makespanMin === free.layout.makespanMin) same += 1;
    const crewed = {
      ...asked,
      resources: asked.resources.map((each) => (each.id === 'open' ? { ...each, capacity: 1 } : each)),
    };
    const alone = best(crewed);
    expect(boundsOf(alone.board, alone.layout, 'best').makespanMin).toBeLessThanOrEqual(alone.layout.makespanMin);
  }
  expect(same).toBeGreaterThan(10);
});

test('a few jobs in one bay are proven without asking a solver', async () => {
  const asked = { ...standingCase(seeded(47), 5, ['bay-1']), due: [] };
  const found = await schedule(asked, {
    timeMs: 20_000,
    now: () => performance.now(),
    breathe: () => Promise.resolve(),
    onFailed: (error) => {
      throw error;
    },
  });
  expect(found).toMatchObject({ proven: true, unplaced: [] });
});

function rehearsed(asked: CalendarCase, sigma: number, of: readonly { task: string; byMin: number }[]) {
  const { tasks } = redraw(asked, []);
  return rehearseCalendar(asked, tasks, { sigmaOf: () => sigma, times: 2000, seed: 7, of });
}

test('as long as each may take: half are done when planned, nine in ten by the tenth that is longest, and what follows waits', () => {
  const asked: CalendarCase = {
    ...blank,
    resources: [{ id: 'bay', capacity: 1 }],
    tasks: [task('wash', 100, [['bay']]), task('lay', 100, [['bay']])],
    lags: [{ after: 'wash', before: 'lay', minMin: 0 }],
  };
  const SIGMA = 0.2;
  const [wash, lay] = rehearsed(asked, SIGMA, [
    { task: 'wash', byMin: 100 },
    { task: 'lay', byMin: Infinity },
  ]);
  expect(wash!.kept).toBeCloseTo(0.5, 1);
  expect(wash!.nineTenthsMin! / (100 * Math.exp(SIGMA * TENTH_SIGMAS))).toBeCloseTo(1, 1);
  expect(lay!.kept).toBe(1);
  // Two that vary apart vary less together than one of their length would.
  expect(lay!.nineTenthsMin!).toBeGreaterThan(200);
  expect(lay!.nineTenthsMin!).toBeLessThan(200 * Math.exp(SIGMA * TENTH_SIGMAS));
  expect(rehearsed(asked, 0, [{ task: 'lay', byMin: 199 }])).toEqual([{ task: 'lay', kept: 0, nineTenthsMin: 200 }]);
});

test('what was put at a time is begun then or later, never sooner, and is not lost where what it waits for takes longer', () => {
  const asked: CalendarCase = {
    ...blank,
    resources: [{ id: 'bay', capacity: 1 }],
    tasks: [task('wash', 100, [['bay']]), task('lay', 60, [['bay']], { atMin: 100 })],
    lags: [{ after: 'wash', before: 'lay', minMin: 0 }],
  };
  const [lay] = rehearsed(asked, 0.2, [{ task: 'lay', byMin: 130 }]);
  expect(lay!.nineTenthsMin).toBeGreaterThan(170);
  expect(lay!.kept).toBeLessThan(0.1);
});

test('set free, a job goes as early as it may; first, others move out of its way; all the rest stays', () => {
  const asked: CalendarCase = {
    ...blank,
    resources: [{ id: 'bay', capacity: 1 }],
    tasks: ['a', 'b', 'c'].map((id) => task(id, 60, [['bay']])),
  };
  const stood = [
    { id: 'a', fromMin: 60, toMin: 120, uses: ['bay'] },
    { id: 'b', fromMin: 120, toMin: 180, uses: ['bay'] },
    { id: 'c', fromMin: 300, toMin: 360, uses: ['bay'] },
  ];
  const fromOf = (drawn: ReturnType<typeof redraw>) =>
    Object.fromEntries(drawn.tasks.map(({ id, fromMin }) => [id, fromMin]));
  expect(fromOf(redraw(asked, stood))).toEqual({ a: 60, b: 120, c: 300 });
  const free = new Set(['c']);
  expect(fromOf(redraw(asked, stood, { free }))).toEqual({ a: 60, b: 120, c: 0 });
  const late = stood.map((place) => (place.id === 'a' ? { ...place, fromMin: 0, toMin: 60 } : place));
  expect(fromOf(redraw(asked, late, { free }))).toEqual({ a: 0, b: 120, c: 60 });
  const sought = redraw(asked, stood, { sought: late });
  expect([fromOf(sought), sought.moves.map(({ id }) => id)]).toEqual([{ a: 0, b: 120, c: 300 }, ['a']]);
  expect(fromOf(redraw(asked, late, { free, first: true }))).toEqual({ a: 60, b: 120, c: 0 });
});
