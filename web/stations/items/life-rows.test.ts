import type { ItemLife } from '#formats/job';
import { lifeRows, visitWords } from './life-rows';

const visit = (at: string, more: Partial<ItemLife['visits'][number]> = {}): ItemLife['visits'][number] => ({
  jobId: at,
  title: at,
  looked: true,
  inspectionDays: 365,
  warrantyNumber: null,
  at,
  layers: [],
  takenUm: null,
  clearLeftUm: null,
  repainted: [],
  ...more,
});
const laid = (product: string, from: string, renew: string) => ({
  product,
  family: 'sealant' as const,
  from,
  renew,
  ratedMonths: null,
  grantedMonths: null,
  panels: 3,
});

test('an item and its twins on one axis, each from its own first visit: products in rows, repairs told apart', () => {
  const life: ItemLife = {
    id: 'a',
    name: 'Hatchback',
    visits: [
      visit('2026-01-01T00:00:00Z', { layers: [laid('Seal', '2026-01-01T00:00:00Z', '2026-07-02T15:00:00Z')] }),
      visit('2027-01-01T06:00:00Z', { takenUm: 1.2, clearLeftUm: 41.4, repainted: ['Bonnet'] }),
    ],
    twins: [
      {
        id: 'b',
        name: 'Its twin',
        visits: [
          visit('2020-01-01T00:00:00Z', { layers: [laid('Wax', '2020-01-01T00:00:00Z', '2020-07-01T15:00:00Z')] }),
        ],
      },
    ],
  };
  const { names, bars, points, own, nowYears } = lifeRows(life, Date.parse('2028-01-01T12:00:00Z'));
  expect(names).toEqual(['Seal', 'Visits', 'Its twin']);
  expect([own, Math.round(nowYears * 100) / 100]).toEqual([2, 2]);
  expect(bars.map(({ row, from, until }) => [row, from, Math.round(until * 10) / 10])).toEqual([
    [0, 0, 0.5],
    [2, 0, 0.5],
  ]);
  expect(points.map(({ row, at, repaired }) => [row, Math.round(at * 100) / 100, repaired])).toEqual([
    [1, 0, false],
    [1, 1, true],
    [2, 0, false],
  ]);
  expect(visitWords(life.visits[1]!)).toBe('−1.2 µm, 41 left, Bonnet repainted');
  expect(visitWords(life.visits[0]!)).toBe('');
});
