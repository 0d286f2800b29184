import { expectedLife } from '#core/layers/life';
import { ENOUGH_CLEAR, planRemoval } from '#core/prepare/removal';
import { removalsToComeUm } from './removals';

const coating = { name: 'Coating', family: 'ceramic', ratedMonths: 36 } as const;
const wax = { name: 'Wax', family: 'paste-wax' } as const;

test('nothing laid, nothing to take off; a stack is taken off as often as its longest-lived layer ends', () => {
  expect(removalsToComeUm({ substrate: 'clear-gloss', layers: [], yearsPlanned: 10 })).toBe(0);
  const lifeMonths = expectedLife({ family: 'ceramic', ratedMonths: 36 }, {}).months;
  const { expectedClearUm } = planRemoval({
    substrate: 'clear-gloss',
    areaM2: 1,
    clearUm: ENOUGH_CLEAR,
    layers: [{ name: 'Coating', family: 'ceramic', ageMonths: lifeMonths, hard: true, lifeMonths }],
  });
  expect(expectedClearUm).toBeGreaterThan(0);
  const over = (yearsPlanned: number) =>
    removalsToComeUm({ substrate: 'clear-gloss', layers: [coating], yearsPlanned });
  expect(over(1)).toBe(0);
  expect(over((2.5 * lifeMonths) / 12)).toBeCloseTo(2 * expectedClearUm, 9);
});

test('a wax over a coating is renewed without touching the paint; longer plans never cost less', () => {
  const years = [1, 4, 8, 12, 20];
  const costs = years.map((yearsPlanned) =>
    removalsToComeUm({ substrate: 'clear-gloss', layers: [coating, wax], yearsPlanned }),
  );
  expect([...costs].sort((a, b) => a - b)).toEqual(costs);
  const alone = removalsToComeUm({ substrate: 'clear-gloss', layers: [wax], yearsPlanned: 20 });
  expect(costs.at(-1)).toBeGreaterThanOrEqual(0);
  expect(alone).toBeGreaterThanOrEqual(0);
});

test('on what is never polished nothing is taken', () => {
  expect(removalsToComeUm({ substrate: 'clear-matte', layers: [coating], yearsPlanned: 20 })).toBe(0);
});
