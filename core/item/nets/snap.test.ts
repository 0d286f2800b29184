import type { Polygon } from '#core/item/geometry';
import { claims } from './claims';
import { snap } from './snap';

const DOOR: Polygon = [
  [0, 0],
  [1000, 0],
  [1000, 800],
  [0, 800],
];

test('a point is drawn to a corner before an edge, to an edge before a level, and not further than its reach', () => {
  const near = (x: number, y: number) => snap([x, y], { outlines: [DOOR], from: [1500, 300], reachMm: 50 });
  expect(near(970, 20)).toEqual({ point: [1000, 0], to: 'corner' });
  expect(near(400, 20)).toEqual({ point: [400, 0], to: 'edge' });
  expect(near(1300, 310)).toEqual({ point: [1300, 300], to: 'level' });
  expect(near(1490, 600)).toEqual({ point: [1500, 600], to: 'upright' });
  expect(near(1300, 500)).toEqual({ point: [1300, 500] });
});

test('two panels that claim one area are told with how much; what is kept clear may lie in another', () => {
  const lid: Polygon = [
    [900, 100],
    [1200, 100],
    [1200, 300],
    [900, 300],
  ];
  const panel = (id: string, outline: Polygon, substrate: 'clear-gloss' | 'sensor' = 'clear-gloss') => ({
    id,
    outline,
    substrate,
  });
  expect(claims([panel('door', DOOR), panel('lid', lid)])).toEqual([
    { a: 'door', b: 'lid', areaM2: expect.closeTo(0.02, 9) },
  ]);
  expect(claims([panel('door', DOOR), panel('eye', lid, 'sensor')])).toEqual([]);
});
