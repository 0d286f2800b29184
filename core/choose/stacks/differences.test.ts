import fc from 'fast-check';
import { differencesBetween, type Stacked } from './differences';
import { sameLayers } from './stacks';

const one = (product: string, coats = 1) => [{ product, coats }];

test('each exchange once, on most surfaces first; what is alike is not told, what is not named is bare', () => {
  const from: Stacked[] = [
    { id: 'roof', layers: one('keel') },
    { id: 'bonnet', layers: one('keel') },
    { id: 'glass', layers: one('pane') },
    { id: 'wheel', layers: one('rim') },
  ];
  const to: Stacked[] = [
    { id: 'glass', layers: [] },
    { id: 'roof', layers: one('keel', 2) },
    { id: 'bonnet', layers: one('keel', 2) },
    { id: 'wheel', layers: one('rim') },
    { id: 'sill', layers: one('film') },
  ];
  expect(differencesBetween(from, to)).toEqual([
    { from: one('keel'), to: one('keel', 2), surfaces: ['roof', 'bonnet'] },
    { from: one('pane'), to: [], surfaces: ['glass'] },
    { from: [], to: one('film'), surfaces: ['sill'] },
  ]);
});

test('laws: nothing against itself; there and back are the same surfaces; every difference is one', () => {
  const stacks = fc.uniqueArray(
    fc.record({
      id: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
      layers: fc.array(fc.record({ product: fc.constantFrom('x', 'y'), coats: fc.integer({ min: 1, max: 2 }) }), {
        maxLength: 2,
      }),
    }),
    { selector: ({ id }) => id },
  );
  fc.assert(
    fc.property(stacks, stacks, (from, to) => {
      expect(differencesBetween(from, from)).toEqual([]);
      const there = differencesBetween(from, to);
      const back = differencesBetween(to, from);
      const surfaces = (all: typeof there) => all.flatMap((each) => each.surfaces).sort();
      expect(surfaces(back)).toEqual(surfaces(there));
      expect(new Set(surfaces(there)).size).toBe(surfaces(there).length);
      for (const each of there) expect(sameLayers(each.from, each.to)).toBe(false);
    }),
  );
});
