import { clearEstimateUm, judgeReadings, type PaintTold, reserveOf } from './readings';

const panel = (readingsUm: number[], substrate: 'clear-gloss' | 'gelcoat' = 'clear-gloss') => ({
  substrate,
  readingsUm,
});

test('each panel is judged against the item', () => {
  const verdicts = judgeReadings([
    panel([118, 120, 122, 121, 119, 120, 121, 120, 119]),
    panel([119, 121, 120, 120, 122, 118]),
    panel([150, 152, 149]),
    panel([104, 103, 105]),
    panel([420, 460, 430]),
    panel([]),
    panel([800], 'gelcoat'),
  ]).map(({ verdict }) => verdict);
  expect(verdicts).toEqual(['usual', 'usual', 'refinished', 'thin', 'filler', 'usual', 'not-readable']);
});

test('absolute bounds hold on a single panel, and a composite gives no number', () => {
  expect(judgeReadings([panel([79])])[0]!.verdict).toBe('thin');
  expect(judgeReadings([panel([181])])[0]!.verdict).toBe('refinished');
  expect(judgeReadings([panel([300], 'gelcoat')])[0]).toEqual({ verdict: 'not-readable', count: 1 });
});

test('clear: told, else 40 % of a factory total up to 50, half of a single stage, else unknown', () => {
  const estimate = (told: Omit<PaintTold, 'paint'> & Partial<PaintTold>, medianUm?: number) =>
    clearEstimateUm(
      { paint: 'factory', substrate: 'clear-gloss', ...told },
      { verdict: 'usual', ...(medianUm !== undefined && { medianUm }) },
    );
  expect(estimate({ clearUm: 42 }, 120)).toBe(42);
  expect(estimate({}, 110)).toBeCloseTo(44, 9);
  expect(estimate({}, 160)).toBe(50);
  expect(estimate({ paint: 'single-stage' }, 90)).toBe(45);
  expect(estimate({})).toBeUndefined();
  // What was measured now stands before what the last visit left.
  expect(estimate({ clearBefore: { um: 38 } })).toBe(38);
  expect(estimate({ clearBefore: { um: 38 } }, 110)).toBeCloseTo(44, 9);
});

test('no clear is estimated over a refinish or filler; gelcoat and single stage have their own figures and reserves', () => {
  const gloss = { paint: 'factory', substrate: 'clear-gloss' } as const;
  expect(clearEstimateUm({ ...gloss, paint: 'refinished' }, { verdict: 'usual', medianUm: 150 })).toBeUndefined();
  for (const verdict of ['refinished', 'filler'] as const) {
    expect(clearEstimateUm(gloss, { verdict, medianUm: 300 })).toBeUndefined();
    expect(clearEstimateUm({ ...gloss, clearUm: 60 }, { verdict, medianUm: 300 })).toBe(60);
  }
  expect(clearEstimateUm({ ...gloss, substrate: 'gelcoat' }, { verdict: 'not-readable' })).toBe(350);
  expect(clearEstimateUm({ ...gloss, substrate: 'gelcoat', clearUm: 500 })).toBe(500);
  expect(clearEstimateUm({ ...gloss, substrate: 'carbon' }, { verdict: 'not-readable' })).toBeUndefined();
  expect(reserveOf(gloss)).toBe(25);
  expect(reserveOf({ ...gloss, substrate: 'gelcoat' })).toBe(150);
  expect(reserveOf({ ...gloss, paint: 'single-stage' })).toBeGreaterThan(25);
});

test('over two paints nothing is estimated: not at Prepare, not in the core sample, not when it comes off', () => {
  const blended = { substrate: 'clear-gloss' as const, readingsUm: [112, 115, 118, 230, 236] };
  const [paint] = judgeReadings([blended, { ...blended, readingsUm: [110, 112, 115] }]);
  expect(paint!.twofold).toBe(true);
  expect(clearEstimateUm({ ...blended, paint: 'factory' }, paint)).toBeUndefined();
  expect(clearEstimateUm({ ...blended, paint: 'factory', clearUm: 44 }, paint)).toBe(44);
});
