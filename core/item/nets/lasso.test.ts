import fc from 'fast-check';
import type { Polygon } from '#core/item/geometry';
import { drawnRound } from './lasso';
import { templateById } from './templates';

const square = (id: string, x: number, y: number, side = 100) => ({
  id,
  outline: [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
  ] as Polygon,
});
const ids = (panels: readonly { id: string }[]) => panels.map(({ id }) => id);

test('what lies mostly inside is taken in, what is only brushed is not', () => {
  const row = [square('a', 0, 0), square('b', 100, 0), square('c', 200, 0)];
  const upTo = (x: number): Polygon => [
    [-10, -10],
    [x, -10],
    [x, 110],
    [-10, 110],
  ];
  expect(ids(drawnRound(row, upTo(140)))).toEqual(['a']);
  expect(ids(drawnRound(row, upTo(170)))).toEqual(['a', 'b']);
  expect(ids(drawnRound(row, upTo(400)))).toEqual(['a', 'b', 'c']);
  expect(drawnRound(row, upTo(400).slice(0, 2))).toEqual([]);
});

test('a sliver too thin for any point of the grid is still taken in, and a line that crosses itself does not throw', () => {
  const sliver = {
    id: 's',
    outline: [
      [0, 0],
      [1000, 1000],
      [1000, 1000.001],
    ] as Polygon,
  };
  const round: Polygon = [
    [-1, -1],
    [1100, -1],
    [1100, 1100],
    [-1, 1100],
  ];
  expect(ids(drawnRound([sliver], round))).toEqual(['s']);
  const point = fc.tuple(
    fc.double({ min: -500, max: 500, noNaN: true }),
    fc.double({ min: -500, max: 500, noNaN: true }),
  );
  fc.assert(
    fc.property(fc.array(point, { maxLength: 40 }), (line) => {
      expect(drawnRound([square('a', 0, 0)], line).length).toBeLessThanOrEqual(1);
    }),
  );
});

test('round a whole net: all of it; round nothing: none', () => {
  const hatchback = templateById('hatchback')!;
  const panels = hatchback.unfold(hatchback.usual).panels.map(({ outlineMm }) => ({ outline: outlineMm }));
  const far: Polygon = [
    [-1e5, -1e5],
    [1e5, -1e5],
    [1e5, 1e5],
    [-1e5, 1e5],
  ];
  expect(drawnRound(panels, far)).toHaveLength(panels.length);
  expect(
    drawnRound(
      panels,
      far.map(([x, y]) => [x + 1e6, y] as const),
    ),
  ).toEqual([]);
});
