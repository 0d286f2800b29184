import fc from 'fast-check';
import { MS_PER_DAY } from '#core/measures';
import {
  type BoughtThing,
  cutKey,
  goodUntilMs,
  lessonsOf,
  type LoggedStock,
  materialCost,
  recall,
  reorderList,
  reserve,
  StockBook,
  type StockEntry,
  stockFault,
  takingOrder,
  thingOf,
  usageOf,
} from '.';

const BOTTLE: BoughtThing = { kind: 'product', of: 'mainstay', size: 50, unit: 'ml', batch: 'K-117', paid: 6100 };
let made = 0;
const at = (day: number, entry: StockEntry, by?: string): LoggedStock => ({
  id: `e${++made}`,
  atMs: day * MS_PER_DAY,
  entry,
  ...(by && { by }),
});
const bought = (thing: string, as: Partial<BoughtThing> = {}, day = 0) =>
  at(day, { type: 'bought', thing, as: { ...BOTTLE, ...as } });
const used = (thing: string, amount: number, { day = 1, job = 'hatchback', surface = 'bonnet', by = 'Odile' } = {}) =>
  at(day, { type: 'used', thing, job, surface, amount, factor: 1, method: 'small-block' }, by);
const weighed = (thing: string, grossG: number, { day = 2, emptyG = undefined as number | undefined } = {}) =>
  at(day, { type: 'weighed', thing, grossG, densityGPerMl: 1, emptyG });

describe('what remains', () => {
  test('is as bought, then worked out from use, then weighed: the empty weight comes from the first weighing of a full one', () => {
    const log = [bought('b1')];
    expect(thingOf(log)).toMatchObject({ remaining: 50, basis: 'full' });
    log.push(weighed('b1', 92));
    expect(thingOf(log)).toMatchObject({ remaining: 50, basis: 'weighed', emptyG: 42 });
    log.push(used('b1', 12));
    expect(thingOf(log)).toMatchObject({ remaining: 38, basis: 'reckoned', openedMs: MS_PER_DAY });
    log.push(weighed('b1', 75));
    expect(thingOf(log)).toMatchObject({ remaining: 33, basis: 'weighed', overdrawn: 0 });
    log.push(at(3, { type: 'counted', thing: 'b1', remaining: 30 }));
    expect(thingOf(log)).toMatchObject({ remaining: 30, basis: 'counted' });
  });

  test('a tin is weighed in grams; density counts for what is poured', () => {
    const heavy = [bought('b', { emptyG: 40 }), at(1, { type: 'weighed', thing: 'b', grossG: 88, densityGPerMl: 1.2 })];
    expect(thingOf(heavy)!.remaining).toBeCloseTo(40, 9);
    const tin = [bought('t', { unit: 'g', size: 200, emptyG: 60 }), weighed('t', 160)];
    expect(thingOf(tin)!.remaining).toBe(100);
  });

  test('is never less than nothing, and says how much more was laid', () => {
    const thing = thingOf([bought('b1'), used('b1', 40), used('b1', 25)])!;
    expect(thing).toMatchObject({ remaining: 0, overdrawn: 15 });
  });

  test('an undone entry counts for nothing, an undone undo counts again', () => {
    const draw = used('b1', 20);
    const undo = at(2, { type: 'undo', thing: 'b1', entry: draw.id });
    const redo = at(3, { type: 'undo', thing: 'b1', entry: undo.id });
    expect(thingOf([bought('b1'), draw, undo])!.remaining).toBe(50);
    expect(thingOf([bought('b1'), draw, undo, redo])!.remaining).toBe(30);
  });

  test('law: whatever happens to it, there is never less than nothing in it nor more than it holds', () => {
    const amount = fc.double({ min: 0, max: 80, noNaN: true });
    const any = fc.array(
      fc.oneof(
        amount.map((n) => used('b', n)),
        amount.map((n) => at(1, { type: 'counted', thing: 'b', remaining: n })),
        amount.map((n) => weighed('b', n + 30)),
        fc.constant(at(1, { type: 'taken', thing: 'b', job: 'x' })),
        fc.constant(at(1, { type: 'thrown-away', thing: 'b', reason: 'empty' })),
      ),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(any, (entries) => {
        const log: LoggedStock[] = [bought('b')];
        for (const logged of entries) {
          if (stockFault(thingOf(log), log, logged.entry) === undefined) log.push(logged);
          const { remaining, overdrawn } = thingOf(log)!;
          expect(remaining).toBeGreaterThanOrEqual(0);
          expect(remaining).toBeLessThanOrEqual(50 * 1.05);
          expect(overdrawn).toBeGreaterThanOrEqual(0);
        }
        // A book kept entry by entry says what reading the whole log says, and what was laid adds up.
        const book = new StockBook();
        log.forEach((each) => book.add(each));
        expect(book.thing('b')).toEqual(thingOf(log));
      }),
    );
  });
});

describe('what cannot be true is refused with its remedy', () => {
  const fault = (log: LoggedStock[], entry: StockEntry) => stockFault(thingOf(log), log, entry);
  test('a bottle is in one place at a time', () => {
    const log = [bought('b1'), at(1, { type: 'taken', thing: 'b1', job: 'hatchback' })];
    expect(fault(log, { type: 'taken', thing: 'b1', job: 'tourer' })).toMatch(/another job: put it back/);
    log.push(at(1, { type: 'put-back', thing: 'b1' }));
    expect(fault(log, { type: 'taken', thing: 'b1', job: 'tourer' })).toBeUndefined();
    expect(fault(log, { type: 'put-back', thing: 'b1' })).toMatch(/nobody/);
  });
  test('what left the stock is thrown away once', () => {
    const gone: StockEntry = { type: 'thrown-away', thing: 'b1', reason: 'empty' };
    expect(fault([bought('b1'), at(1, gone)], gone)).toMatch(/left the stock already/);
    expect(fault([], gone)).toMatch(/take it in first/);
    // What was laid from it is on record all the same.
    expect(fault([bought('b1'), at(1, gone)], used('b1', 3).entry)).toBeUndefined();
  });
  test('a scale that tells nonsense', () => {
    const log = [bought('b1', { emptyG: 42 })];
    expect(fault(log, weighed('b1', 30).entry)).toMatch(/42 g empty/);
    expect(fault(log, weighed('b1', 300).entry)).toMatch(/more than the 50 ml/);
    expect(fault(log, weighed('b1', 70).entry)).toBeUndefined();
    expect(fault([bought('b1'), used('b1', 4)], weighed('b1', 70).entry)).toMatch(/weighs empty/);
    expect(fault([bought('r', { unit: 'm2' })], weighed('r', 70).entry)).toMatch(/count it/);
    expect(fault(log, { type: 'counted', thing: 'b1', remaining: 500 })).toMatch(/holds only 50 ml/);
  });
  test('buying is undone only while nothing has come of it', () => {
    const first = bought('b1');
    const undo: StockEntry = { type: 'undo', thing: 'b1', entry: first.id };
    expect(fault([first], undo)).toBeUndefined();
    expect(fault([first, used('b1', 3)], undo)).toMatch(/throw it away/);
    expect(fault([first], { type: 'undo', thing: 'b1', entry: 'no-such' })).toMatch(/nothing that stands/);
    expect(fault([first], first.entry)).toMatch(/in stock already/);
  });
});

describe('what is taken first', () => {
  const life = { closed: 24, open: 6 };
  test('keeps as long as is printed on it, or its sheet says closed and open', () => {
    const months = (ms: number) => ms / (30.4375 * MS_PER_DAY);
    expect(months(goodUntilMs({ boughtMs: 0 }, life))).toBeCloseTo(24, 9);
    expect(months(goodUntilMs({ boughtMs: 0, openedMs: 0 }, life))).toBeCloseTo(6, 9);
    expect(goodUntilMs({ boughtMs: 0, useByMs: 5 }, life)).toBe(5);
    expect(goodUntilMs({ boughtMs: 0 })).toBe(Infinity);
  });
  test('open before closed, first to go off first, the emptier before the fuller; what is past is left out', () => {
    const things = [
      [bought('closed-late', {}, 30)],
      [bought('closed-soon', {}, 10)],
      [bought('open-fuller'), used('open-fuller', 5, { day: 100 })],
      [bought('open-emptier'), used('open-emptier', 30, { day: 100 })],
      [bought('open-older'), used('open-older', 5, { day: 90 })],
      [bought('open-past'), used('open-past', 5, { day: 1 })],
      [bought('empty'), used('empty', 50, { day: 100 })],
    ].map((log) => thingOf(log)!);
    expect(takingOrder(things, life, 200 * MS_PER_DAY).map(({ id }) => id)).toEqual([
      'open-older',
      'open-emptier',
      'open-fuller',
      'closed-soon',
      'closed-late',
    ]);
  });
});

describe('set aside for jobs', () => {
  const things = [thingOf([bought('old'), used('old', 30)])!, thingOf([bought('new')])!];
  const demand = (job: string, day: number, amount: number) => ({
    job,
    startMs: day * MS_PER_DAY,
    amounts: new Map([['mainstay', amount]]),
  });
  test('the earliest job first, from the half-empty bottle first; what is short is told on its day', () => {
    const reserved = reserve([demand('later', 9, 40), demand('sooner', 3, 30)], things, () => undefined);
    expect(reserved.map(({ job, from, short }) => [job, from, short])).toEqual([
      [
        'sooner',
        [
          { thing: 'old', amount: 20 },
          { thing: 'new', amount: 10 },
        ],
        0,
      ],
      ['later', [{ thing: 'new', amount: 40 }], 0],
    ]);
    const [, , third] = reserve([demand('a', 1, 40), demand('b', 2, 20), demand('c', 20, 83)], things, () => undefined);
    expect(third).toMatchObject({ job: 'c', short: 73, startMs: 20 * MS_PER_DAY });
    const packs = [
      { size: 15, price: 2500 },
      { size: 30, price: 4200 },
      { size: 50, price: 6100 },
    ];
    const [line] = reorderList([third!], () => ({ packs, deliveryDays: 4 }));
    expect(line).toMatchObject({ of: 'mainstay', amount: 73, orderByMs: 16 * MS_PER_DAY, jobs: ['c'], cost: 10300 });
    expect(line!.packs).toEqual([
      { size: 30, count: 1 },
      { size: 50, count: 1 },
    ]);
  });
  test('what will be past its time on the day does not count', () => {
    const life = () => ({ open: 1 });
    const [now, then] = reserve([demand('now', 2, 5), demand('then', 90, 60)], things, life);
    expect(now!.short).toBe(0);
    expect(then).toMatchObject({ short: 10, from: [{ thing: 'new', amount: 50 }] });
  });
  test('law: nothing is set aside twice, and what is set aside and what is short make up what is wanted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(30), fc.double({ min: 0.1, max: 60, noNaN: true })), { maxLength: 12 }),
        (jobs) => {
          const reserved = reserve(
            jobs.map(([day, amount], i) => demand(`j${i}`, day, amount)),
            things,
            () => undefined,
          );
          const taken = new Map<string, number>();
          for (const { amount, from, short } of reserved) {
            for (const { thing, amount: part } of from) taken.set(thing, (taken.get(thing) ?? 0) + part);
            expect(from.reduce((sum, { amount: part }) => sum + part, short)).toBeCloseTo(amount, 6);
          }
          for (const { id, remaining } of things) expect(taken.get(id) ?? 0).toBeLessThanOrEqual(remaining + 1e-9);
        },
      ),
    );
  });
});

describe('what weighings teach', () => {
  const log = () => [
    bought('b1', { emptyG: 42 }),
    used('b1', 10),
    used('b1', 5),
    weighed('b1', 74),
    used('b1', 6, { by: 'Bram' }),
    weighed('b1', 68, { day: 4 }),
  ];
  test('used against predicted since the amount was last certain: prior 0.15, observation 0.10', () => {
    const lessons = lessonsOf(log());
    expect(lessons.map(({ used: really, predicted, by }) => [really, predicted, by])).toEqual([
      [18, 15, 'Odile'],
      [6, 6, 'Bram'],
    ]);
    expect(lessons[0]).toMatchObject({ ratio: 1.2, method: 'small-block' });
    const { usageFactor, usageSigma } = usageOf(lessons.slice(0, 1));
    // ln 1.2 weighed 100 against 44.4 of the prior.
    expect(usageFactor).toBeCloseTo(Math.exp((Math.log(1.2) * 100) / (100 + 1 / 0.15 ** 2)), 9);
    expect(usageSigma).toBeCloseTo(Math.hypot(Math.sqrt(1 / (100 + 1 / 0.15 ** 2)), 0.1), 9);
    expect(usageOf([])).toEqual({ usageFactor: 1, usageSigma: 0.15 });
  });
  test('taken back at will; a typed amount teaches nothing, and nothing is learned over it', () => {
    const all = log();
    const taught = lessonsOf(all)[0]!;
    all.push(at(5, { type: 'untaught', thing: 'b1', entry: taught.entry }));
    const after = lessonsOf(all);
    expect(after[0]!.untaught).toBe(true);
    expect(usageOf(after)).toEqual(usageOf(lessonsOf(log()).slice(1)));
    const typed = [bought('b', { emptyG: 42 }), used('b', 9), at(2, { type: 'counted', thing: 'b', remaining: 12 })];
    expect(lessonsOf([...typed, used('b', 4), weighed('b', 48)])).toEqual([]);
  });
  test('the factor it was predicted with is not learned a second time', () => {
    const draw = used('b1', 12);
    const known = { ...draw, entry: { ...draw.entry, factor: 1.2 } as StockEntry };
    const [lesson] = lessonsOf([bought('b1', { emptyG: 42 }), known, weighed('b1', 80)]);
    expect(lesson!.ratio).toBeCloseTo(1.2, 9);
  });
});

test('a batch is recalled after a year: every thing of it, every panel, however it is typed', () => {
  const book = new StockBook([
    bought('b1'),
    bought('b2', { batch: 'L-9' }),
    used('b1', 4, { day: 3, surface: 'bonnet' }),
    used('b1', 3, { day: 4, surface: 'bonnet' }),
    used('b1', 2, { day: 400, job: 'tourer', surface: 'tank' }),
    used('b2', 2),
    at(401, { type: 'thrown-away', thing: 'b1', reason: 'empty' }),
  ]);
  const [found, ...more] = recall(book.all(), ' k-117');
  expect(more).toEqual([]);
  expect(found!.thing.gone).toMatchObject({ reason: 'empty' });
  expect(found!.on).toEqual([
    { job: 'hatchback', surface: 'bonnet', amount: 7, firstMs: 3 * MS_PER_DAY, lastMs: 4 * MS_PER_DAY },
    { job: 'tourer', surface: 'tank', amount: 2, firstMs: 400 * MS_PER_DAY, lastMs: 400 * MS_PER_DAY },
  ]);
  expect(recall(book.all(), 'no-such')).toEqual([]);
});

test('a job costs what was drawn at what was paid, and what was thrown away there', () => {
  const book = new StockBook([
    bought('b1'),
    used('b1', 10),
    used('b1', 5, { surface: 'roof' }),
    used('b1', 5, { job: 'tourer' }),
    at(3, { type: 'thrown-away', thing: 'b1', reason: 'spoiled', job: 'hatchback' }),
    bought('b2', { paid: undefined }),
    used('b2', 5),
  ]);
  const { bySurface, laid, thrownAway, unpriced } = materialCost(book.all(), 'hatchback');
  expect([...bySurface]).toEqual([
    ['bonnet', 1220],
    ['roof', 610],
  ]);
  expect([laid, thrownAway, unpriced]).toEqual([1830, 3660, 1]);
});

test('the stock is asked for as it was on any day', () => {
  const book = new StockBook([bought('b1'), used('b1', 10, { day: 5 }), bought('b2', {}, 7)]);
  expect(book.asOf(3 * MS_PER_DAY)).toMatchObject([{ id: 'b1', remaining: 50 }]);
  expect(book.asOf(6 * MS_PER_DAY)).toMatchObject([{ remaining: 40 }]);
  expect(book.asOf(7 * MS_PER_DAY)).toHaveLength(2);
  expect(book.asOf(-1)).toEqual([]);
});

describe('a roll of film', () => {
  const ROLL: Partial<BoughtThing> = { size: 15.24, unit: 'm2', rollMm: 1524 };
  const cut = (amount: number, day = 2) =>
    at(day, { type: 'used', thing: 'r', job: 'saloon', surface: 'bonnet', amount, factor: 1, patch: cutKey('film') });
  const flawed = (fromMm: number, toMm: number, day = 1) =>
    at(day, { type: 'flawed', thing: 'r', fromMm, toMm, lowMm: 100, highMm: 400 });

  test('its flaws come nearer as it is cut, and are gone with what was cut; what is laid moves none', () => {
    const log = [bought('r', ROLL), flawed(500, 700), flawed(3000, 3100), cut(0.6 * 1.524)];
    expect(thingOf(log)!.flaws!.map(({ fromMm, toMm }) => [fromMm, Math.round(toMm)])).toEqual([
      [0, 100],
      [2400, 2500],
    ]);
    expect(thingOf([...log, cut(0.2 * 1.524)])!.flaws).toHaveLength(1);
    expect(thingOf([...log.slice(0, 3), used('r', 1)])!.flaws).toHaveLength(2);
    expect(thingOf(log)!.remaining).toBeCloseTo(15.24 - 0.6 * 1.524, 9);
  });
  test('a flaw that cannot be is refused with what to do', () => {
    const log = [bought('r', ROLL)];
    const fault = (more: object) => stockFault(thingOf(log), log, { ...flawed(500, 700).entry, ...more }) ?? 'none';
    expect(fault({})).toBe('none');
    expect(fault({ toMm: 400 })).toContain('ends after it begins');
    expect(fault({ highMm: 1600 })).toContain('only 1524 mm wide');
    expect(fault({ fromMm: 12_000, toMm: 12_100 })).toContain('only 10000 mm are left');
    const bottle = [bought('b')];
    expect(stockFault(thingOf(bottle), bottle, flawed(1, 2).entry)).toContain('known width');
  });
});
