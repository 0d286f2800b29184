import type { Person } from '#core/plan/crew';
import { coatsOf, type PlanInput } from '#core/plan/job';
import { job, product, surface } from '../../testing/samples';
import { type Bay, type BegunCoat, begunKey, FROM_THE_START, openBay, type SheetFrom } from './bay';
import { entriesOf } from './history';
import { lay, layingOf, nextLaying } from './lay';
import { level, nextLevelling, planWet } from './level';
import { settle } from './settle';
import type { Strategy } from './strategy';
import { wake } from './wake';

const STRATEGY: Strategy = {
  ahead: 'quick',
  ofWindow: Infinity,
  mostMin: Infinity,
  followed: true,
  first: 'lower',
  alone: false,
};
const one: Person = { id: '1', layM2PerMin: 0.5, levelM2PerMin: 0.5, does: ['lay', 'level'] };
const opened = (planned: PlanInput, people: readonly Person[] = [one], from: SheetFrom = FROM_THE_START) =>
  openBay(coatsOf(planned), people, STRATEGY, from);
const allSettled = (bay: Bay): Bay => [...bay.copies.keys()].reduce(settle, bay);
const square = (id: string, changes: Parameters<typeof surface>[0] = {}) =>
  surface({ id, shape: { kind: 'area', areaM2: 0.5 }, ...changes });
const base = (milestones: Record<string, number>) =>
  product({
    over: ['bare', 'self'],
    milestones: Object.entries(milestones).map(([name, min]) => ({
      name: name as 'levelFrom',
      clock: name.startsWith('level') ? ('flash' as const) : ('set' as const),
      min,
    })),
  });
/** Freezes a value through and through: a step that changed it in place would throw. */
const frozen = <T>(value: T): T => {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    Object.values(value).forEach(frozen);
  }
  return value;
};

test('no step changes the bay it is given', () => {
  const bay = frozen(allSettled(opened(job({ surfaces: [square('a'), square('b', { count: 2 })] }))));
  const laid = frozen(lay(bay, nextLaying(bay, 0, 0)!));
  const levelled = level(laid, nextLevelling(laid, 0)!);
  expect([bay, laid, levelled].map(({ done }) => entriesOf(done.actions).length)).toEqual([0, 1, 2]);
  expect(bay.copies[0]!.inHand).toBeUndefined();
});

describe('settle', () => {
  const twice = [{ product: 'base', coats: 2, method: 'small-block' as const }];

  test('a first coat may start at once, the next once the one below lets it', () => {
    const planned = job({ products: [base({ recoatFrom: 30 })], surfaces: [square('a', { layers: twice })] });
    const first = allSettled(opened(planned));
    expect(first.copies[0]!.eligibleMin).toBe(0);
    const laid = lay(first, layingOf(first, 0, 0, 0)!);
    const { copies, queue } = level(laid, nextLevelling(laid, 0)!);
    // One minute to lay, one to level, then thirty.
    expect(copies[0]!.eligibleMin).toBeCloseTo(32, 9);
    expect(queue.waiting).toMatchObject([{ places: [0], coat: { coat: 2 } }]);
  });

  test('what the rules refuse is passed over and told, with why', () => {
    const planned = job({ products: [product()], surfaces: [square('a', { existing: ['paste-wax'] })] });
    const { copies, done, queue } = allSettled(opened(planned));
    expect(entriesOf(done.refused)).toMatchObject([{ code: 'bond', copy: 1 }]);
    expect([copies[0]!.next, queue.waiting]).toEqual([1, []]);
  });

  test('what is started is gone on with, though the rules refuse it since', () => {
    const planned = job({ products: [product()], surfaces: [square('a', { existing: ['paste-wax'] })] });
    const begun: BegunCoat = { sections: 1, done: new Set([1]), wet: [], startMin: -9, endMin: -3 };
    const from = { nowMin: 0, begun: new Map([[begunKey('a', 0, 1, 1), begun]]) };
    const { done } = allSettled(opened(planned, [one], from));
    expect(entriesOf(done.refused)).toEqual([]);
    expect(entriesOf(done.laid)).toMatchObject([{ startMin: -9, endMin: -3 }]);
  });

  test('a panel that follows waits for every copy of what it follows', () => {
    const surfaces = [square('roof', { count: 2 }), square('bonnet', { follows: ['roof'] })];
    let bay = allSettled(opened(job({ products: [base({})], surfaces })));
    const ends = [0, 2].map((atMin) => {
      bay = lay(bay, nextLaying(bay, 0, atMin)!);
      bay = level(bay, nextLevelling(bay, 0)!);
      return bay.copies[2]!.eligibleMin;
    });
    expect(ends).toEqual([undefined, 4]);
  });

  test('a coat moved behind another waits until that one is laid, not until it is levelled', () => {
    const coats = coatsOf(job({ products: [base({ levelFrom: 10 })], surfaces: [square('a'), square('b')] }));
    const moved = { surface: 'a', layer: 0, coat: 1, after: { surface: 'b', layer: 0, coat: 1 } };
    const bay = allSettled(openBay([[{ ...coats[0]![0]!, moved }], coats[1]!], [one], STRATEGY, FROM_THE_START));
    expect(bay.copies[0]!.eligibleMin).toBeUndefined();
    expect(lay(bay, nextLaying(bay, 0, 0)!).copies[0]!.eligibleMin).toBe(1);
  });
});

describe('wake', () => {
  test('copies of a coat wait together by their place; whoever is idle later is asked now', () => {
    const bay = opened(job({ surfaces: [square('a', { count: 3 })] }));
    const idle: Bay = { ...bay, hands: { ...bay.hands, ask: [50] } };
    const { queue, hands } = wake(wake(idle, 2, 20), 0, 30);
    expect(queue.waiting.map(({ places }) => places)).toEqual([[0, 2]]);
    expect(hands.ask).toEqual([20]);
  });

  test('nobody is asked before their hands are free', () => {
    const bay = opened(job({ surfaces: [square('a')] }), [one], { ...FROM_THE_START, busyUntilMin: 12 });
    expect(wake(bay, 0, 5).hands.ask).toEqual([12]);
  });
});

describe('lay', () => {
  test('nothing is laid that would make what is wet too late', () => {
    const surfaces = [square('a'), square('b', { shape: { kind: 'area', areaM2: 3 }, onePiece: true })];
    const bay = allSettled(opened(job({ products: [base({ levelFrom: 3, levelBy: 6 })], surfaces })));
    const wet = lay(bay, layingOf(bay, 0, 0, 0)!);
    // Six minutes of laying would pass the end of what is open from the first section on.
    expect(layingOf(wet, 1, 0, 1)).toBeUndefined();
    expect(layingOf(wet, 1, 0, 1 + 1e6)).toBeUndefined();
  });

  test('a coat in hand is gone on with before another is started', () => {
    const surfaces = [square('a', { shape: { kind: 'area', areaM2: 2 } }), square('b')];
    const planned = job({ products: [base({ levelFrom: 1, levelBy: 3 })], surfaces });
    const bay = allSettled(opened(planned));
    const first = lay(bay, nextLaying(bay, 0, 0)!);
    expect(first.queue.inHand).toEqual([0]);
    const after = level(first, nextLevelling(first, 0)!);
    const again = nextLaying(after, 0, after.hands.free[0]!)!;
    expect([again.place, again.wet.section]).toEqual([0, 2]);
  });
});

describe('level', () => {
  const wetAt = (startMin: number): SheetFrom => {
    const begun: BegunCoat = {
      sections: 1,
      done: new Set(),
      wet: [{ section: 1, startMin, endMin: startMin + 1 }],
      startMin,
      endMin: startMin + 1,
    };
    return { nowMin: 0, begun: new Map([[begunKey('a', 0, 1, 1), begun]]) };
  };

  test('what is found wet is planned first, even where it is too late for its window', () => {
    const planned = job({ products: [base({ levelFrom: 2, levelBy: 5 })], surfaces: [square('a')] });
    for (const [startMin, levelsAt] of [
      [-1, 1.6],
      [-60, 0],
    ] as const) {
      const bay = planWet(allSettled(opened(planned, [one], wetAt(startMin))));
      expect(bay.wet.isUnplanned).toBe(false);
      expect(nextLevelling(bay, 0)!.startMin).toBeCloseTo(levelsAt, 1);
    }
  });

  test('the ages of both ends of its path are kept, and the coat is done', () => {
    const planned = job({ products: [base({ levelFrom: 2, levelBy: 5 })], surfaces: [square('a')] });
    const bay = allSettled(opened(planned));
    const laid = lay(bay, nextLaying(bay, 0, 0)!);
    const { done, wet } = level(laid, nextLevelling(laid, 0)!);
    const [, action] = entriesOf(done.actions);
    // Guarded: from 2 x e^(1.2816 x 0.2); as quick to level as to lay, so both ends are as old.
    expect(action!.ages!.map((age) => age.toFixed(2))).toEqual(['2.58', '2.58']);
    expect([wet.sections, entriesOf(done.laid).length]).toEqual([[], 1]);
  });
});
