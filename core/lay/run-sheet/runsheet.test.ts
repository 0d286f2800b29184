import fc from 'fast-check';
import type { AmbientSeries } from '#core/time/air';
import type { Person } from '#core/plan/crew';
import type { PlanInput, InputSurface } from '#core/plan/job';
import { job, product, surface } from '../../testing/samples';
import { sheetFaults } from '../../testing/sheet-faults';
import { coatsOf } from '#core/plan/job';
import { layOut } from './lay-out';

const opens = (from: number, by: number | undefined, more: Parameters<typeof product>[0] = {}) =>
  product({
    milestones: [
      { name: 'levelFrom', clock: 'flash', min: from },
      ...(by === undefined ? [] : [{ name: 'levelBy' as const, clock: 'flash' as const, min: by }]),
      { name: 'waterSafe', clock: 'set', min: 720 },
    ],
    ...more,
  });
const panels = (areas: readonly number[], changes: Partial<InputSurface> = {}) =>
  areas.map((areaM2, index) => surface({ id: `p${index}`, shape: { kind: 'area', areaM2 }, ...changes }));
const person = (id: string, more: Partial<Person> = {}): Person => ({
  id,
  layM2PerMin: 0.45,
  levelM2PerMin: 0.5,
  does: ['lay', 'level'],
  ...more,
});
const crew = (people: readonly Person[], guardSigma = 1.2816): PlanInput['crew'] => ({
  mode: 'solo',
  layM2PerMin: 0.45,
  levelM2PerMin: 0.5,
  guardSigma,
  people,
});
const SMALL_CAR = [1.1, 1.2, 0.6, 0.6, 0.55, 0.55, 0.7, 0.7, 0.6, 0.5, 0.5, 0.9];

describe('working ahead', () => {
  test.each([
    ['wax', 8, 45],
    ['sealant', 10, 30],
    ['long-window coating', 4, 20],
  ])('a small car in one coat of %s is within 15 %% of the work alone', (_, from, by) => {
    const planned = job({ products: [opens(from, by)], surfaces: panels(SMALL_CAR) });
    const sheet = layOut(planned);
    expect(sheetFaults(planned, sheet)).toEqual([]);
    expect(sheet.endMin).toBeLessThan(1.15 * sheet.busyMin[0]!);
    expect(sheet.boundMin).toBeGreaterThan(0.99 * sheet.busyMin[0]!);
  });

  test('the reference section: laid, waited for and levelled as one person does it alone', () => {
    const sheet = layOut(job({ crew: crew([person('1')], 0) }));
    expect(sheet.actions.map(({ does, startMin, endMin }) => [does, startMin, endMin])).toEqual([
      ['lay', 0, 1.372 / 0.45],
      ['level', 1.372 / 0.45, 1.372 / 0.45 + 1.372 / 0.5],
    ]);
    expect(sheet.actions[0]!.amount).toBeCloseTo(8.918, 3);
  });

  test('two people are nearly twice as fast', () => {
    const alone = layOut(job({ products: [opens(2, 12)], surfaces: panels(SMALL_CAR) }));
    const both = layOut(
      job({ products: [opens(2, 12)], surfaces: panels(SMALL_CAR), crew: crew([person('a'), person('b')]) }),
    );
    expect(both.endMin).toBeLessThan(0.55 * alone.endMin);
    expect(both.busyMin.reduce((sum, min) => sum + min, 0)).toBeCloseTo(alone.busyMin[0]!, 6);
  });

  test('one who lays and one who levels keep to what they do', () => {
    const planned = job({
      products: [opens(1, 4)],
      surfaces: panels(SMALL_CAR),
      crew: crew([person('lays', { does: ['lay'] }), person('levels', { does: ['level'] })]),
    });
    const sheet = layOut(planned);
    expect(sheetFaults(planned, sheet)).toEqual([]);
    expect(sheet.endMin).toBeLessThan(1.25 * Math.max(...sheet.busyMin));
  });
});

describe('one piece', () => {
  const large = (people: readonly Person[]) =>
    job({ products: [opens(2, 4)], surfaces: panels([4], { onePiece: true }), crew: crew(people, 0) });

  test('what one person cannot keep inside the window, two can, one following the other', () => {
    const pair = layOut(large([person('a'), person('b')]));
    expect(sheetFaults(large([person('a'), person('b')]), pair)).toEqual([]);
    expect(new Set(pair.actions.map(({ who }) => who)).size).toBe(2);
    expect(pair.plan.findings).toEqual([]);
  });

  test('where nobody can it is laid all the same, as little outside as can be, and found', () => {
    const alone = layOut(large([person('a')]));
    // 8.89 min of laying, 8 of levelling: the first point is 8.89 min old at best, 4.89 too late.
    expect(alone.actions[1]!.ages![0]).toBeCloseTo(4 / 0.45, 6);
    expect(alone.plan.findings).toMatchObject([{ severity: 'stop', code: 'too-large-solo', surface: 'p0' }]);
    const crowd = [person('a'), person('b', { levelM2PerMin: 5, does: ['level'] }), person('c', { levelM2PerMin: 5 })];
    const unlike = large(crowd.filter(({ id }) => id !== 'a').map((one) => ({ ...one, layM2PerMin: 0.1 })));
    const sheet = layOut(unlike);
    expect(sheet.plan.findings).toMatchObject([{ code: 'too-large-pair' }]);
    const [first, last] = sheet.actions.find(({ does }) => does === 'level')!.ages!;
    // The ages differ by 39.2 min and can be no less than nothing: the rest lies past the end.
    expect(last).toBeCloseTo(0, 6);
    expect(first).toBeCloseTo(39.2, 6);
  });
});

describe('hours', () => {
  const until = (toMin: number) =>
    person('1', {
      hours: [
        [0, toMin],
        [960, 1440],
      ],
    });

  test('nothing is begun that cannot be levelled before somebody goes', () => {
    const planned = job({ products: [opens(8, 45)], surfaces: panels(SMALL_CAR), crew: crew([until(25)]) });
    const sheet = layOut(planned);
    expect(sheetFaults(planned, sheet)).toEqual([]);
    expect(sheet.endMin).toBeGreaterThan(960);
    expect(sheet.endMin).toBeLessThan(1000);
  });

  test('what no hours leave room for is not laid, and is said', () => {
    const planned = job({ products: [opens(8, 45)], crew: crew([person('1', { hours: [[0, 9]] })]) });
    const { actions, unlaid, plan } = layOut(planned);
    expect([actions, unlaid.length, plan.handoverMin]).toEqual([[], 1, null]);
    expect(plan.findings.map(({ code, severity }) => [severity, code])).toEqual([['stop', 'no-hours']]);
    const nobody = layOut(job({ crew: crew([person('1', { hours: [] })]) }));
    expect([nobody.unlaid.length, nobody.busyMin, nobody.boundMin]).toEqual([1, [0], 0]);
  });

  test('one who comes later helps from then on', () => {
    const late = job({
      products: [opens(1, 20)],
      surfaces: panels(SMALL_CAR),
      crew: crew([person('a'), person('b', { hours: [[15, 500]] })]),
    });
    const sheet = layOut(late);
    expect(sheetFaults(late, sheet)).toEqual([]);
    expect(
      Math.min(...sheet.actions.filter(({ who }) => who === 1).map(({ startMin }) => startMin)),
    ).toBeGreaterThanOrEqual(15);
    expect(sheet.endMin).toBeLessThan(1.1 * sheet.boundMin);
  });
});

describe('coats and what they follow', () => {
  const layered = (coats: number) => panels([1, 1, 1], { layers: [{ product: 'base', coats, method: 'small-block' }] });
  const recoated = product({ over: ['bare', 'self'] });

  test('a second coat waits until the first may be laid over, and the crew goes on elsewhere meanwhile', () => {
    const planned = job({ products: [recoated], surfaces: layered(2) });
    const sheet = layOut(planned);
    expect(sheetFaults(planned, sheet)).toEqual([]);
    expect(sheet.endMin).toBeLessThan(1.1 * sheet.boundMin);
  });

  test('what never sets enough is refused above, and all else is laid', () => {
    const dry: AmbientSeries = [{ atMin: 0, airC: 20, rhPct: 0, airSpeed: 0.1 }];
    const sheet = layOut(job({ products: [recoated], surfaces: layered(2), ambient: dry }));
    expect(sheet.refused.map(({ coat, code }) => [coat.surface.id, coat.coat, code])).toEqual(
      [0, 1, 2].map((index) => [`p${index}`, 2, 'recoat-window']),
    );
    expect(sheet.actions.map(({ coat }) => coat.coat)).toEqual(sheet.actions.map(() => 1));
    expect(new Set(sheet.actions.map(({ coat }) => coat.surface.id)).size).toBe(3);
  });

  test('a window that has closed when the coat could begin refuses it', () => {
    const hot: AmbientSeries = [
      { atMin: 0, airC: 20, rhPct: 50, airSpeed: 0.1 },
      { atMin: 60, airC: 60, rhPct: 10, airSpeed: 3 },
    ];
    const quick = product({ over: ['bare', 'self'], limits: undefined });
    const sheet = layOut(
      job({
        products: [
          { ...quick, milestones: quick.milestones.map((m) => (m.name === 'levelBy' ? { ...m, min: 2.5 } : m)) },
        ],
        surfaces: layered(2),
        ambient: hot,
      }),
    );
    expect(sheet.refused.map(({ code }) => code)).toEqual(['window-closed', 'window-closed', 'window-closed']);
  });

  test('what follows another begins when all its copies are levelled, and a refused one holds nothing back', () => {
    const follows = (roof: Partial<InputSurface>) =>
      job({ surfaces: [surface({ id: 'side', follows: ['roof'] }), surface({ id: 'roof', count: 3, ...roof })] });
    const sheet = layOut(follows({}));
    expect(sheetFaults(follows({}), sheet)).toEqual([]);
    expect(sheet.actions.at(-1)!.coat.surface.id).toBe('side');
    const held = layOut(follows({ substrate: 'rubber' }));
    expect(held.refused.map(({ code }) => code)).toEqual(['not-allowed']);
    expect(held.actions.map(({ coat }) => coat.surface.id)).toEqual(['side', 'side']);
  });
});

const anyWindow = fc.record({
  from: fc.double({ min: 0, max: 12, noNaN: true }),
  wide: fc.double({ min: 0.3, max: 40, noNaN: true }),
});
const anyPerson = fc.record({
  layM2PerMin: fc.double({ min: 0.15, max: 1.2, noNaN: true }),
  levelM2PerMin: fc.double({ min: 0.15, max: 1.2, noNaN: true }),
  does: fc.constantFrom(['lay', 'level'] as const, ['lay', 'level'] as const, ['lay'] as const, ['level'] as const),
  hours: fc.option(
    fc
      .array(fc.tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 1, max: 8 })), { maxLength: 3 })
      .map((stretches) => {
        let at = 0;
        return stretches.map(([wait, last]): [number, number] => {
          const from = at + wait * 10;
          at = from + last * 30 + 5;
          return [from, from + last * 30];
        });
      }),
    { nil: undefined, freq: 3 },
  ),
});
const anyCoat = fc.record({
  surface: fc.nat(5).map((index) => `p${index}`),
  layer: fc.nat(1),
  coat: fc.integer({ min: 1, max: 2 }),
});
const anyJob = fc
  .record({
    windows: fc.array(anyWindow, { minLength: 1, maxLength: 3 }),
    people: fc.array(anyPerson, { minLength: 1, maxLength: 3 }),
    surfaces: fc.array(
      fc.record({
        areaM2: fc.double({ min: 0.05, max: 5, noNaN: true }),
        count: fc.integer({ min: 1, max: 2 }),
        onePiece: fc.boolean(),
        layers: fc.array(fc.tuple(fc.nat(2), fc.integer({ min: 1, max: 2 })), { minLength: 1, maxLength: 2 }),
        follows: fc.option(fc.nat(4), { nil: undefined, freq: 2 }),
      }),
      { minLength: 1, maxLength: 6 },
    ),
    steps: fc.array(fc.record({ airC: fc.integer({ min: 2, max: 34 }), rhPct: fc.integer({ min: 20, max: 95 }) }), {
      minLength: 1,
      maxLength: 3,
    }),
    guard: fc.constantFrom(0, 1.2816),
    moves: fc.array(
      fc.record({ coat: anyCoat, after: fc.option(anyCoat), by: fc.option(fc.nat(3).map(String), { nil: undefined }) }),
      { maxLength: 4 },
    ),
  })
  .map(({ windows, people, surfaces, steps, guard, moves }): PlanInput => ({
    ...job(),
    moves: moves.map(({ coat, after, by }) => ({ ...coat, after, by })),
    products: windows.map(({ from, wide }, index) =>
      opens(from, from + wide, { id: `w${index}`, over: ['bare', 'ceramic-base'] }),
    ),
    ambient: steps.map(({ airC, rhPct }, index) => ({
      atMin: index * 90,
      airC,
      rhPct,
      airSpeed: 0.1,
    })) as unknown as AmbientSeries,
    crew: crew(
      people.map((one, index) => ({ id: String(index), ...one })),
      guard,
    ),
    surfaces: surfaces.map(({ areaM2, count, onePiece, layers, follows }, index) =>
      surface({
        id: `p${index}`,
        shape: { kind: 'area', areaM2 },
        count,
        onePiece,
        follows: follows === undefined || follows >= index ? [] : [`p${follows}`],
        layers: layers.map(([which, coats]) => ({
          product: `w${which % windows.length}`,
          coats,
          method: 'small-block',
        })),
      }),
    ),
  }));

describe('moved by hand', () => {
  const of = (surface: string, layer = 0) => ({ surface, layer, coat: 1 });
  const laid = ({ actions }: ReturnType<typeof layOut>) =>
    actions.filter(({ does }) => does === 'lay').map(({ coat, who }) => `${coat.surface.id}.${coat.layer} ${who}`);
  const four = (moves: PlanInput['moves'], people = [person('a')]) =>
    job({ products: [opens(1, 30)], surfaces: panels([0.5, 0.5, 0.5, 0.5]), moves, crew: crew(people) });

  test('a panel is laid first of all, or as soon as another has been, and nothing else is later for it than it must be', () => {
    expect(laid(layOut(four([])))).toEqual(['p0.0 0', 'p1.0 0', 'p2.0 0', 'p3.0 0']);
    expect(laid(layOut(four([{ ...of('p3'), after: null }])))).toEqual(['p3.0 0', 'p0.0 0', 'p1.0 0', 'p2.0 0']);
    const behind = layOut(four([{ ...of('p0'), after: of('p2') }]));
    expect(laid(behind)).toEqual(['p1.0 0', 'p2.0 0', 'p0.0 0', 'p3.0 0']);
    expect(behind.endMin).toBeCloseTo(layOut(four([])).endMin, 6);
  });
  test('one of two lays it, and waits for it where it must', () => {
    const both = [person('a'), person('b')];
    const sheet = layOut(four([{ ...of('p0'), after: null, by: 'b' }], both));
    expect(laid(sheet)).toContain('p0.0 1');
    expect(sheet.actions.find(({ coat }) => coat.surface.id === 'p0')!.startMin).toBe(0);
  });
  test('what cannot hold is passed over and said: gone, nobody of that name, each behind the other, before its own base', () => {
    const lost = (moves: PlanInput['moves'], planned = four(moves)) => {
      const sheet = layOut(planned);
      expect(sheetFaults(planned, sheet)).toEqual([]);
      expect(sheet.unlaid).toEqual([]);
      return sheet.lostMoves.map(({ move, why }) => [move.surface, why]);
    };
    expect(lost([{ ...of('nothing'), after: null }])).toEqual([['nothing', 'gone']]);
    expect(lost([{ ...of('p1'), after: of('nothing') }])).toEqual([['p1', 'gone']]);
    expect(lost([{ ...of('p1'), after: null, by: 'z' }])).toEqual([['p1', 'person']]);
    // What was said last stands.
    expect(
      lost([
        { ...of('p1'), after: of('p2') },
        { ...of('p2'), after: of('p1') },
      ]),
    ).toEqual([['p1', 'circle']]);
    const twice = job({
      products: [opens(1, 30, { over: ['bare', 'ceramic-base'] })],
      surfaces: panels([0.5], {
        layers: [0, 1].map(() => ({ product: 'base', coats: 1, method: 'small-block' as const })),
      }),
      moves: [{ ...of('p0', 0), after: of('p0', 1) }],
    });
    expect(lost([], twice)).toEqual([['p0', 'circle']]);
  });
});

describe('laws', () => {
  test('no window is broken, nobody does two things, nothing is wet over a break, every coat is in its order', () => {
    fc.assert(
      fc.property(anyJob, (planned) => {
        expect(sheetFaults(planned, layOut(planned))).toEqual([]);
      }),
      { numRuns: 50 },
    );
  });

  /** One coat everywhere, people alike who do both and are always there. */
  const plain = fc
    .record({
      from: fc.double({ min: 0, max: 10, noNaN: true }),
      times: fc.double({ min: 5.5, max: 12, noNaN: true }),
      areas: fc.array(fc.double({ min: 0.1, max: 4, noNaN: true }), { minLength: 4, maxLength: 20 }),
      lay: fc.double({ min: 0.25, max: 1, noNaN: true }),
      level: fc.double({ min: 0.25, max: 1, noNaN: true }),
      crew: fc.integer({ min: 1, max: 3 }),
    })
    .map(({ from, times, areas, lay, level, crew: size }) => ({
      from,
      by: Math.max(1, from * times),
      areas,
      people: Array.from({ length: size }, (_, index) =>
        person(String(index), { layM2PerMin: lay, levelM2PerMin: level }),
      ),
    }));
  const plainJob = (
    { from, by, areas, people }: { from: number; by: number; areas: number[]; people: Person[] },
    guard = 1.2816,
  ) => job({ products: [opens(from, by)], surfaces: panels(areas), crew: crew(people, guard) });

  test('short: within 15 % of what nobody could beat where a window gives room and there is work enough', () => {
    fc.assert(
      fc.property(plain, (case_) => {
        const planned = plainJob(case_);
        const { actions, endMin, boundMin } = layOut(planned);
        const share = (does: 'lay' | 'level') =>
          actions.reduce((sum, one) => sum + (one.does === does ? one.endMin - one.startMin : 0), 0) /
          case_.people.length;
        const { fromMin, byMin } = coatsOf(planned)[0]![0]!.openingAt(0).window!;
        fc.pre(byMin! >= 3 * fromMin && Math.min(share('lay'), share('level')) >= fromMin);
        expect(endMin / boundMin).toBeLessThan(1.15);
      }),
      { numRuns: 25 },
    );
  });

  test('more people are never later, however slow; a longer window hardly ever, and then by a few hundredths', () => {
    fc.assert(
      fc.property(plain, fc.double({ min: 0.1, max: 1, noNaN: true }), (case_, pace) => {
        const { endMin } = layOut(plainJob(case_));
        const more = [...case_.people, person('more', { layM2PerMin: pace, levelM2PerMin: pace })];
        expect(layOut(plainJob({ ...case_, people: more })).endMin).toBeLessThanOrEqual(endMin + 1e-6);
        const guarded = layOut(plainJob(case_, 0)).endMin;
        expect(layOut(plainJob({ ...case_, by: case_.by * 1.5 }, 0)).endMin).toBeLessThanOrEqual(1.04 * guarded + 1e-9);
      }),
      { numRuns: 25 },
    );
  });
});
