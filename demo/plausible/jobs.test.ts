/** Twelve jobs against what the trade expects of them, figure by figure; the table in the documents is what the models say. */
import { readFileSync } from 'node:fs';
import { plausibleFigures } from './figures';
import { PLAUSIBLE_JOBS } from './jobs';
import { plausibleTable } from './table';

// Generous: the machine may be busy with a browser.

test.each(PLAUSIBLE_JOBS.map((job) => [job.item.name, job.offer, job] as const))(
  '%s, %s',
  (_, __, { item, offer, expects }) => {
    const figures = plausibleFigures(item, offer);
    for (const [key, [from, to]] of Object.entries(expects)) {
      const value = figures[key as keyof typeof expects];
      const [low, high] = typeof value === 'number' ? [value, value] : value;
      expect([key, low, low >= from]).toEqual([key, low, true]);
      expect([key, high, high <= to]).toEqual([key, high, true]);
    }
  },
);

test('more is more: a stronger offer takes longer and costs more on the same item', () => {
  for (const name of new Set(PLAUSIBLE_JOBS.map(({ item }) => item.name))) {
    const jobs = PLAUSIBLE_JOBS.filter(({ item }) => item.name === name);
    const prices = jobs.map(({ item, offer }) => plausibleFigures(item, offer).price);
    expect(prices).toEqual(prices.toSorted((a, b) => a - b));
  }
});

test('the table in the documents is what the models say now', () => {
  expect(readFileSync('docs/plausible-jobs.md', 'utf8')).toBe(plausibleTable());
});
