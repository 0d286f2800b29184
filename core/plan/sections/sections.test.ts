import fc from 'fast-check';
import { whatWouldFit } from './fit';
import { maxSectionM2, sectionCount, sectionTiming } from './section';

const pace = { layM2PerMin: 0.25, levelM2PerMin: 0.2 };

describe('the largest section', () => {
  test.each([
    ['solo', 2, 5, 1],
    ['solo', 0, 1, 0.2],
    ['pair', 2, 5, 3],
    ['pair', 0, 1, 1],
  ] as const)('%s, window %d to %d min: %d m²', (mode, fromMin, byMin, m2) => {
    expect(maxSectionM2({ fromMin, byMin }, pace, mode)).toBeCloseTo(m2, 9);
  });

  test('has no limit without a closing time, nor for a pair at equal pace', () => {
    expect(maxSectionM2({ fromMin: 2, byMin: null }, pace, 'solo')).toBeNull();
    expect(maxSectionM2({ fromMin: 2, byMin: 5 }, { layM2PerMin: 0.3, levelM2PerMin: 0.3 }, 'pair')).toBeNull();
  });

  const positive = (max: number) => fc.double({ min: 0.05, max, noNaN: true });
  test('keeps the age of every point inside the window, and anything larger does not', () => {
    fc.assert(
      fc.property(
        positive(10),
        positive(20),
        positive(2),
        positive(2),
        fc.constantFrom('solo' as const, 'pair' as const),
        (fromMin, width, lay, level, mode) => {
          const window = { fromMin, byMin: fromMin + width };
          const hands = { layM2PerMin: lay, levelM2PerMin: level };
          const max = maxSectionM2(window, hands, mode);
          fc.pre(max !== null && max > 1e-3 && max < 1e4);
          const ages = (areaM2: number) => {
            const { layMin, waitMin, levelMin } = sectionTiming(areaM2, window, hands, mode);
            const first = mode === 'solo' ? layMin + waitMin : waitMin;
            return [first, first + levelMin - layMin];
          };
          for (const age of ages(max)) {
            expect(age).toBeGreaterThanOrEqual(window.fromMin - 1e-6);
            expect(age).toBeLessThanOrEqual(window.byMin + 1e-6);
          }
          expect(Math.max(...ages(max * 1.01))).toBeGreaterThan(window.byMin);
        },
      ),
    );
  });

  test('counts sections without rounding one up', () => {
    expect(sectionCount(3, 1, false)).toBe(3);
    expect(sectionCount(3.01, 1, false)).toBe(4);
    expect(sectionCount(3, 1, true)).toBe(1);
    expect(sectionCount(3, null, false)).toBe(1);
  });
});

describe('what would make a large panel fit', () => {
  const question = {
    areaM2: 2,
    window: { fromMin: 2, byMin: 5 },
    pace,
    mode: 'solo' as const,
    method: 'small-block' as const,
    airC: 24,
    windowAt: (airC: number) => ({ fromMin: 2 * 1.06 ** (24 - airC), byMin: 5 * 1.06 ** (24 - airC) }),
    airLimitsC: [5, 30] as const,
  };

  test('every answer does make it fit, by itself, and only just', () => {
    const options = whatWouldFit(question);
    expect(options.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['second-person', 'pace', 'air', 'longer-window']),
    );
    for (const option of options) {
      if (option.kind === 'air') {
        expect(option.airC).toBeLessThan(24);
        expect(maxSectionM2(question.windowAt(option.airC), pace, 'solo')).toBeCloseTo(2, 3);
      }
      if (option.kind === 'longer-window') expect(option.factor).toBeCloseTo(2, 3);
      if (option.kind === 'pace') expect(maxSectionM2(question.window, option.pace, 'solo')).toBeCloseTo(2, 3);
    }
  });

  test('says nothing where it fits already', () => {
    expect(whatWouldFit({ ...question, areaM2: 0.9 })).toEqual([]);
  });
});
