import { seeded } from '#core/measures';
import { without } from '#core/plan/crew';
import { nodeSolver } from './node';
import {
  type CalendarCase,
  calendarFaults,
  mayPut,
  type PlacedTask,
  redraw,
  schedule,
  type Scheduled,
  type Solver,
  type Task,
} from '#core/schedule/calendar';

const solver = nodeSolver();
afterAll(() => solver.close());

const planned = (asked: CalendarCase, timeMs = 30_000, by?: Solver): Promise<Scheduled> =>
  schedule(asked, {
    solver: by,
    timeMs,
    now: () => performance.now(),
    onFailed: (error) => {
      throw error;
    },
    breathe: () => new Promise((resolve) => setTimeout(resolve, 1)),
  });
const blank: CalendarCase = { resources: [], tasks: [], lags: [], same: [], due: [], seed: 1 };
const task = (id: string, min: number, more: Partial<Task> = {}): Task => ({
  id,
  min,
  needs: [],
  pausable: false,
  ...more,
});
const need = (...anyOf: string[]) => [{ anyOf, count: 1 }];
const at = ({ tasks }: Scheduled, id: string): PlacedTask => tasks.find((each) => each.id === id)!;

/** Six jobs of six operations: machine and minutes. Fisher and Thompson 1963; least makespan 55. */
const FT06 = [
  [2, 1, 0, 3, 1, 6, 3, 7, 5, 3, 4, 6],
  [1, 8, 2, 5, 4, 10, 5, 10, 0, 10, 3, 4],
  [2, 5, 3, 4, 5, 8, 0, 9, 1, 1, 4, 7],
  [1, 5, 0, 5, 2, 5, 3, 3, 4, 8, 5, 9],
  [2, 9, 1, 3, 4, 5, 5, 4, 0, 3, 3, 1],
  [1, 3, 3, 3, 5, 9, 0, 10, 4, 4, 2, 1],
];
const jobShop = (jobs: readonly (readonly number[])[]): CalendarCase => {
  const steps = jobs.map((job) =>
    Array.from({ length: job.length / 2 }, (_, nth) => [job[2 * nth]!, job[2 * nth + 1]!] as const),
  );
  return {
    ...blank,
    resources: steps[0]!.map((_, nth) => ({ id: `m${nth}`, capacity: 1 })),
    tasks: steps.flatMap((job, nth) =>
      job.map(([machine, min], step) => task(`${nth}/${step}`, min, { needs: need(`m${machine}`) })),
    ),
    lags: steps.flatMap((job, nth) =>
      job.slice(1).map((_, step) => ({ after: `${nth}/${step}`, before: `${nth}/${step + 1}`, minMin: 0 })),
    ),
  };
};

test('a job shop everybody knows is solved and proven', async () => {
  const asked = jobShop(FT06);
  const found = await planned(asked, 120_000, solver);
  expect(found).toMatchObject({ makespanMin: 55, boundMin: 55, proven: true, unplaced: [] });
  expect(calendarFaults(asked, found.tasks)).toEqual([]);
});

/** A case of everything there is, of a few tasks in small hours. */
function anyCase(random: () => number, tasks: number, longest: number): CalendarCase {
  const below = (most: number) => Math.floor(random() * most);
  const hours = () => {
    const stretches: [number, number][] = [];
    for (let min = below(3); stretches.length < 8;) {
      const to = min + 2 + below(longest + 3);
      stretches.push([min, to]);
      min = to + below(4);
    }
    return stretches;
  };
  const resources = ['bay-1', 'bay-2', 'ann', 'ben'].map((id) => ({
    id,
    capacity: id === 'bay-2' ? 1 + below(2) : 1,
    ...(random() < 0.6 && { hours: hours() }),
  }));
  const ids = Array.from({ length: tasks }, (_, nth) => `t${nth}`);
  const all = ids.map((id) =>
    task(id, below(longest + 1), {
      needs: [
        ...(random() < 0.8 ? [{ anyOf: random() < 0.5 ? ['bay-1', 'bay-2'] : ['bay-1'], count: 1 }] : []),
        ...(random() < 0.8 ? [{ anyOf: ['ann', 'ben'], count: random() < 0.2 ? 2 : 1 }] : []),
      ],
      pausable: random() < 0.4,
      ...(random() < 0.1 && { atMin: below(6) }),
    }),
  );
  const lags = ids
    .slice(1)
    .flatMap((before, nth) =>
      random() < 0.6
        ? [{ after: ids[below(nth + 1)]!, before, minMin: below(3), ...(random() < 0.5 && { maxMin: 2 + below(6) }) }]
        : [],
    );
  // Some of what is done in a bay stands there meanwhile, in the one or in either.
  const stands = all
    .filter(({ needs, atMin, min }) => min > 0 && atMin === undefined && needs[0]?.anyOf[0] === 'bay-1')
    .map(({ id }) => id)
    .slice(0, 2);
  const isStay = stands.length === 2 && random() < 0.6;
  return {
    resources,
    tasks: all,
    lags: isStay ? [...lags, { after: stands[0]!, before: stands[1]!, minMin: 0 }] : lags,
    same: random() < 0.4 ? [[ids[0]!, ids.at(-1)!]] : [],
    due: random() < 0.6 ? [{ task: ids.at(-1)!, byMin: below(14), weight: 1 + below(3) }] : [],
    stays: isStay ? [{ anyOf: ['bay-1', 'bay-2'], tasks: stands }] : [],
    seed: 1 + below(1000),
  };
}

test('whatever is asked, what is placed keeps every rule, and the rest says why', async () => {
  const random = seeded(5);
  for (let round = 0; round < 70; round += 1) {
    const asked = anyCase(random, 4 + Math.floor(random() * 10), 5);
    const found = await planned(asked, 40);
    expect([round, calendarFaults(asked, found.tasks)]).toEqual([round, []]);
    expect(found.tasks.length + found.unplaced.length).toBe(asked.tasks.length);
    for (const { why } of found.unplaced) expect(why).not.toBe('');
    expect(found.boundMin).toBeLessThanOrEqual(found.makespanMin);
  }
});

/** Every way to place a few tasks, one by one: the least late, then the shortest; undefined: not all can be. */
function bruteForce(asked: CalendarCase, horizon: number): readonly [late: number, makespan: number] | undefined {
  let best: readonly [number, number] | undefined;
  const better = (a: readonly [number, number]) => !best || a[0] < best[0] || (a[0] === best[0] && a[1] < best[1]);
  const staffs = (nth: number): string[][] => {
    const pick = (ids: readonly string[], count: number): string[][] =>
      count === 0
        ? [[]]
        : ids.flatMap((id, place) => pick(ids.slice(place + 1), count - 1).map((rest) => [id, ...rest]));
    return asked.tasks[nth]!.needs.reduce<string[][]>(
      (all, { anyOf, count }) =>
        all.flatMap((own) =>
          pick(
            anyOf.filter((id) => !own.includes(id)),
            count,
          ).map((more) => [...own, ...more]),
        ),
      [[]],
    );
  };
  const partly = (placed: readonly PlacedTask[]): boolean => {
    const ids = new Set(placed.map(({ id }) => id));
    return (
      calendarFaults(
        {
          ...asked,
          tasks: asked.tasks.filter(({ id }) => ids.has(id)),
          lags: asked.lags.filter(({ after, before }) => ids.has(after) && ids.has(before)),
          same: asked.same.map((group) => group.filter((id) => ids.has(id))),
          stays: (asked.stays ?? []).filter((stay) => stay.tasks.every((id) => ids.has(id))),
        },
        placed,
      ).length === 0
    );
  };
  const go = (nth: number, placed: readonly PlacedTask[]): void => {
    const late = asked.due.reduce((sum, { task: id, byMin, weight }) => {
      const own = placed.find((each) => each.id === id);
      return own ? sum + weight * Math.max(0, own.toMin - byMin) : sum;
    }, 0);
    const makespan = Math.max(0, ...placed.map(({ toMin }) => toMin));
    if (!better([late, makespan])) return;
    if (nth === asked.tasks.length) {
      best = [late, makespan];
      return;
    }
    const { id, min, pausable } = asked.tasks[nth]!;
    for (const uses of staffs(nth))
      for (let from = 0; from + min <= horizon; from += 1)
        for (let to = from + min; to <= (pausable ? horizon : from + min); to += 1) {
          const next = [...placed, { id, fromMin: from, toMin: to, uses }];
          if (partly(next)) go(nth + 1, next);
        }
  };
  go(0, []);
  return best;
}

test('what is proven is what trying everything finds', async () => {
  const random = seeded(11);
  let proven = 0;
  for (let round = 0; round < 3; round += 1) {
    const asked = anyCase(random, 3, 3);
    const found = await planned(asked, 20_000, solver);
    const all = bruteForce(asked, 16);
    if (found.unplaced.length > 0) {
      expect([round, all]).toEqual([round, undefined]);
      continue;
    }
    const late = asked.due.reduce(
      (sum, { task: id, byMin, weight }) => sum + weight * Math.max(0, at(found, id).toMin - byMin),
      0,
    );
    expect([round, late, found.makespanMin]).toEqual([round, ...all!]);
    if (found.proven) proven += 1;
  }
  expect(proven).toBeGreaterThan(1);
});

test('a resource more, a lag less, an hour more never makes a proven answer worse', async () => {
  const random = seeded(3);
  for (let compared = 0; compared < 1;) {
    const asked = { ...anyCase(random, 5, 4), same: [], due: [], stays: [] };
    const before = await planned(asked, 20_000, solver);
    if (!before.proven || before.unplaced.length > 0) continue;
    compared += 1;
    for (const easier of [
      { ...asked, lags: asked.lags.slice(1) },
      { ...asked, resources: asked.resources.map(({ hours: _, ...resource }) => resource) },
      { ...asked, resources: asked.resources.map((resource) => ({ ...resource, capacity: resource.capacity + 1 })) },
    ]) {
      const after = await planned(easier, 20_000, solver);
      expect(after.unplaced).toEqual([]);
      expect(after.makespanMin).toBeLessThanOrEqual(before.makespanMin);
    }
  }
});

test('paused work is worked in the hours common to all it takes, which it keeps meanwhile', async () => {
  const asked: CalendarCase = {
    ...blank,
    resources: [
      {
        id: 'bay',
        capacity: 1,
        hours: [
          [0, 60],
          [100, 160],
          [200, 400],
        ],
      },
      {
        id: 'ann',
        capacity: 1,
        hours: [
          [30, 130],
          [200, 400],
        ],
      },
    ],
    tasks: [
      task('correct', 70, { needs: [...need('bay'), ...need('ann')], pausable: true }),
      task('lay', 50, { needs: need('bay') }),
    ],
  };
  const found = await planned(asked, 20_000, solver);
  // The other lies before it: it is worked from 50 to 60, from 100 to 130, and from 200 on, and keeps the bay meanwhile.
  const correct = at(found, 'correct');
  const lay = at(found, 'lay');
  expect(lay.toMin <= correct.fromMin || lay.fromMin >= correct.toMin).toBe(true);
  expect(found).toMatchObject({ proven: true, makespanMin: 230 });
  expect(calendarFaults(asked, found.tasks)).toEqual([]);
});

test('what comes too late after another has that one put off, unless it is fixed', async () => {
  const asked: CalendarCase = {
    ...blank,
    resources: [
      {
        id: 'ann',
        capacity: 1,
        hours: [
          [0, 60],
          [600, 700],
        ],
      },
    ],
    tasks: [
      task('base', 40),
      task('top', 50, { needs: need('ann') }),
      task('other', 30, { needs: need('ann'), atMin: 0 }),
    ],
    lags: [{ after: 'base', before: 'top', minMin: 5, maxMin: 30 }],
  };
  const found = await planned(asked);
  // Ann is taken until half past: the base waits so that the top falls into her next hours.
  expect(at(found, 'top').fromMin).toBe(600);
  expect(at(found, 'base').toMin).toBe(570);
  const fixed = { ...asked, tasks: asked.tasks.map((each) => (each.id === 'base' ? { ...each, atMin: 0 } : each)) };
  const refused = await planned(fixed);
  expect(refused.unplaced).toEqual([{ id: 'top', why: expect.stringContaining('at most 30 min after “base”') }]);
});

test('what cannot be is said with why; what waits for it too, and the rest is placed', async () => {
  const asked: CalendarCase = {
    ...blank,
    resources: [
      { id: 'never', capacity: 1, hours: [] },
      { id: 'ann', capacity: 1 },
    ],
    tasks: [
      ...['a', 'b', 'c'].map((id) => task(id, 10)),
      task('x', 20),
      task('y', 20),
      task('shut', 30, { needs: need('never') }),
      task('after-shut', 10),
      task('early', 5, { atMin: -30 }),
      task('two', 5, { needs: [...need('ann'), ...need('ann')] }),
      task('fine', 10, { needs: need('ann') }),
    ],
    lags: [
      ...[
        ['a', 'b'],
        ['b', 'c'],
        ['c', 'a'],
      ].map(([after, before]) => ({ after: after!, before: before!, minMin: 0 })),
      { after: 'x', before: 'y', minMin: 100, maxMin: 50 },
      { after: 'shut', before: 'after-shut', minMin: 0 },
    ],
  };
  const found = await planned(asked);
  expect(found.tasks.map(({ id }) => id)).toEqual(['fine']);
  const why = new Map(found.unplaced.map(({ id, why: said }) => [id, said]));
  for (const id of ['a', 'b', 'c']) expect(why.get(id)).toMatch(/contradict one another/);
  expect(why.get('x')).toMatch(/contradict/);
  expect(why.get('shut')).toMatch(/no hours left/);
  expect(why.get('after-shut')).toBe('it waits for “shut”, which cannot be placed');
  expect(why.get('early')).toMatch(/before anything may begin/);
  expect(why.get('two')).toMatch(/more different ones/);
});

test('nothing to do is done; thousands of tasks are planned, a chain of thousands and a circle of them told', async () => {
  expect(await planned(blank)).toMatchObject({ tasks: [], makespanMin: 0, boundMin: 0, proven: true });
  const many: CalendarCase = {
    ...blank,
    resources: ['a', 'b', 'c'].map((id) => ({ id, capacity: 1 })),
    tasks: Array.from({ length: 4000 }, (_, nth) => task(`t${nth}`, 10 + (nth % 7), { needs: need('a', 'b', 'c') })),
  };
  const started = performance.now();
  const found = await planned(many, 2000);
  expect(found.tasks).toHaveLength(4000);
  expect(found.makespanMin).toBeLessThan(1.05 * found.boundMin);
  // Nobody is stuck: it stops some seconds after it is asked to, on any machine.
  expect(performance.now() - started).toBeLessThan(120_000);
  const chain = many.tasks
    .slice(1, 2000)
    .map(({ id }, nth) => ({ after: `t${nth}`, before: id, minMin: 0, maxMin: 60 }));
  const chained = { ...many, tasks: many.tasks.slice(0, 2000), lags: chain };
  expect((await planned(chained, 1000)).unplaced).toEqual([]);
  const round = { ...chained, lags: [...chain, { after: 't1999', before: 't0', minMin: 0 }] };
  expect((await planned(round, 1000)).unplaced).toHaveLength(2000);
});

test('redrawn, all that can stay does; what cannot goes no earlier, says why, and takes along what waits for it', async () => {
  const random = seeded(23);
  let moved = 0;
  for (let round = 0; round < 40; round += 1) {
    const asked = { ...anyCase(random, 8, 5), due: [] };
    const stood = (await planned(asked, 30)).tasks;
    if (stood.length < asked.tasks.length) continue;
    expect([round, redraw(asked, stood).moves]).toEqual([round, []]);
    // Ann is away for some minutes in which she was wanted.
    const away = Math.floor(random() * 12);
    const lost = {
      ...asked,
      resources: asked.resources.map((resource) =>
        resource.id === 'ann'
          ? { ...resource, hours: without(resource.hours ?? [[0, 1e6]], [[away, away + 4]]) }
          : resource,
      ),
    };
    const redrawn = redraw(lost, stood);
    expect([round, calendarFaults(lost, redrawn.tasks)]).toEqual([round, []]);
    const movedIds = new Set(redrawn.moves.map(({ id }) => id));
    for (const { was, is, why } of redrawn.moves) {
      expect(is.toMin).toBeGreaterThanOrEqual(was.toMin);
      // What moved for another moved because that one did.
      if ('task' in why) expect([round, movedIds.has(why.task)]).toEqual([round, true]);
    }
    moved += redrawn.moves.length;
  }
  expect(moved).toBeGreaterThan(10);
});

test('put somewhere by hand it holds, or says why not and where it would', () => {
  const asked: CalendarCase = {
    ...blank,
    resources: [
      { id: 'bay', capacity: 1 },
      {
        id: 'ann',
        capacity: 1,
        hours: [
          [0, 240],
          [300, 600],
          [1440, 2000],
        ],
      },
    ],
    tasks: [task('base', 60, { needs: need('ann', 'bay') }), task('top', 90, { needs: need('ann') })],
    lags: [{ after: 'base', before: 'top', minMin: 30, maxMin: 300 }],
  };
  const stood: PlacedTask[] = [
    { id: 'base', fromMin: 0, toMin: 60, uses: ['ann'] },
    { id: 'top', fromMin: 90, toMin: 180, uses: ['ann'] },
  ];
  expect(mayPut(asked, stood, 'top', 120)).toEqual({ holds: true });
  expect(mayPut(asked, stood, 'top', 200)).toMatchObject({ holds: false, nearest: [150, 300] });
  expect(mayPut(asked, stood, 'top', 60)).toMatchObject({
    holds: false,
    why: 'it is fixed before what it waits for is done',
  });
  expect(mayPut(asked, stood, 'top', 450)).toMatchObject({ holds: false, nearest: [360] });
});

test('a chain of thousands that fits nowhere is given up, not gone on with for ever', async () => {
  // Each has to follow the one before it at once, and every other one only in hours that are never right for it.
  const hours = Array.from({ length: 500 }, (_, day) => [day * 100, day * 100 + 12] as const);
  const asked: CalendarCase = {
    ...blank,
    resources: [
      { id: 'a', capacity: 1, hours },
      { id: 'b', capacity: 1, hours: hours.map(([from]) => [from + 50, from + 57] as const) },
    ],
    tasks: Array.from({ length: 3000 }, (_, nth) => task(`t${nth}`, 5, { needs: need(nth % 2 === 0 ? 'a' : 'b') })),
    lags: Array.from({ length: 2999 }, (_, nth) => ({
      after: `t${nth}`,
      before: `t${nth + 1}`,
      minMin: 0,
      maxMin: nth % 40 === 39 ? 3 : 60,
    })),
  };
  const started = performance.now();
  const { tasks, unplaced } = await planned(asked, 500);
  expect(tasks.length + unplaced.length).toBe(3000);
  expect(unplaced.length).toBeGreaterThan(0);
  expect(calendarFaults(asked, tasks)).toEqual([]);
  expect(performance.now() - started).toBeLessThan(120_000);
});
