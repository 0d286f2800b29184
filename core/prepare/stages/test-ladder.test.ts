import fc from 'fast-check';
import { climbLadder, PAIR_IDS, type PairId, type SpotTest } from './test-ladder';

const result = (pair: PairId, gonePct: number): SpotTest => ({ pair, gonePct, hazePct: 5, minutes: 4 });

test('mildest first, or what worked before; stronger until the goal, then one milder', () => {
  expect(climbLadder([], 80).next).toBe('soft-finishing');
  expect(climbLadder([], 80, 'medium-onestep').next).toBe('medium-onestep');
  expect(climbLadder([result('soft-finishing', 20)], 80).next).toBe('medium-finishing');
  expect(climbLadder([result('medium-onestep', 85)], 80)).toMatchObject({
    next: 'medium-finishing',
    found: 'medium-onestep',
  });
  expect(climbLadder([result('medium-onestep', 85), result('medium-finishing', 60)], 80)).toEqual({
    found: 'medium-onestep',
    why: 'the mildest that takes 80 %',
  });
  expect(climbLadder([result('wool-compound', 40)], 80)).toEqual({ why: expect.stringContaining('painter') });
});

test('on any paint it ends, within the rungs there are, at the mildest that meets the goal', () => {
  const paint = fc.array(fc.integer({ min: 0, max: 100 }), { minLength: PAIR_IDS.length, maxLength: PAIR_IDS.length });
  fc.assert(
    fc.property(
      paint,
      fc.integer({ min: 1, max: 100 }),
      fc.constantFrom(...PAIR_IDS, undefined),
      (shares, goal, before) => {
        // A stronger pair never takes less.
        const truth = [...shares].sort((a, b) => a - b);
        const tests: SpotTest[] = [];
        let answer = climbLadder(tests, goal, before);
        while (answer.next) {
          expect(tests.some(({ pair }) => pair === answer.next)).toBe(false);
          tests.push(result(answer.next, truth[PAIR_IDS.indexOf(answer.next)]!));
          answer = climbLadder(tests, goal, before);
        }
        const mildest = PAIR_IDS.find((_, index) => truth[index]! >= goal);
        if (mildest === undefined) expect(answer.found).toBeUndefined();
        else expect(PAIR_IDS.indexOf(answer.found!)).toBeGreaterThanOrEqual(PAIR_IDS.indexOf(mildest));
        if (before === undefined && mildest !== undefined) expect(answer.found).toBe(mildest);
      },
    ),
  );
});
