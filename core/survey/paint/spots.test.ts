import type { Polygon } from '#core/item/geometry';
import { judgeSpots } from './spots';

const DOOR: Polygon = [
  [0, 0],
  [1000, 0],
  [1000, 800],
  [0, 800],
];

test('a reading far from its panel’s own is an outlier, a thin one at the edge is a thin edge', () => {
  const verdicts = judgeSpots(
    [
      { um: 118, at: [0.5, 0.5] },
      { um: 121, at: [0.3, 0.4] },
      { um: 120, at: [0.6, 0.3] },
      { um: 119, at: [0.4, 0.6] },
      { um: 165, at: [0.5, 0.4] },
      { um: 84, at: [0.03, 0.5] },
      { um: 117, at: [0.98, 0.5] },
    ],
    DOOR,
  );
  expect(verdicts.map(({ outlying }) => outlying)).toEqual([false, false, false, false, true, true, false]);
  expect(verdicts.map(({ thinEdge }) => thinEdge)).toEqual([false, false, false, false, false, true, false]);
});

test('few readings, or none with a place, say nothing of edges', () => {
  expect(
    judgeSpots([{ um: 60, at: [0, 0] }, { um: 120 }], DOOR).some(({ outlying, thinEdge }) => outlying || thinEdge),
  ).toBe(false);
  expect(judgeSpots([{ um: 60 }, { um: 120 }, { um: 121 }, { um: 119 }, { um: 120 }], DOOR)[0]).toMatchObject({
    outlying: true,
    thinEdge: false,
  });
});
