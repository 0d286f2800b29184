import fc from 'fast-check';
import { firstSelfCrossing } from './crossing';
import { type Point, polygonAreaM2 } from './polygon';
import { splitAlong } from './split';

const total = (pieces: readonly (readonly Point[])[]) => pieces.reduce((sum, piece) => sum + polygonAreaM2(piece), 0);

const square: Point[] = [
  [0, 0],
  [1000, 0],
  [1000, 1000],
  [0, 1000],
];

test('a square falls into two halves, also through its corners; a line beside it leaves it whole', () => {
  const halves = splitAlong(square, [500, -1], [500, 1]);
  expect(halves.map((piece) => Number(polygonAreaM2(piece).toFixed(9)))).toEqual([0.5, 0.5]);
  const triangles = splitAlong(square, [0, 0], [1000, 1000]);
  expect(triangles.map((piece) => Number(polygonAreaM2(piece).toFixed(3)))).toEqual([0.5, 0.5]);
  expect(splitAlong(square, [2000, 0], [2000, 1])).toEqual([square]);
  expect(() => splitAlong(square, [1, 1], [1, 1])).toThrow(RangeError);
});

test('a hollow outline, like a wing over its arch, falls into three', () => {
  const wing: Point[] = [
    [0, 0],
    [300, 0],
    [300, 400],
    [700, 400],
    [700, 0],
    [1000, 0],
    [1000, 800],
    [0, 800],
  ];
  const pieces = splitAlong(wing, [0, 200], [1000, 200]);
  expect(pieces).toHaveLength(3);
  expect(total(pieces)).toBeCloseTo(polygonAreaM2(wing), 6);
});

test('two cuts along one line do not count as a crossing', () => {
  const star: Point[] = [
    [100, 0],
    [17.36481776669304, 98.4807753012208],
    [-142.99999999999994, 247.68326548234947],
    [-147.53174146338762, 53.69716250213001],
    [-472.66538825531194, -172.03613209281133],
    [-50.00000000000004, -86.60254037844385],
  ];
  const pieces = splitAlong(star, [-687, -870], [-249, -115]);
  expect(pieces).toHaveLength(3);
  for (const piece of pieces) expect(firstSelfCrossing(piece)).toBeNull();
});

test('pieces of any outline are simple and add up to the whole', () => {
  const radius = fc.integer({ min: 100, max: 1000 });
  const star = fc.array(radius, { minLength: 3, maxLength: 24 }).map((radii) =>
    radii.map((r, index): Point => {
      const turn = (2 * Math.PI * index) / radii.length;
      return [r * Math.cos(turn), r * Math.sin(turn)];
    }),
  );
  const point = fc.tuple(fc.integer({ min: -900, max: 900 }), fc.integer({ min: -900, max: 900 }));
  fc.assert(
    fc.property(star, point, point, (outline, a, b) => {
      fc.pre(a[0] !== b[0] || a[1] !== b[1]);
      const pieces = splitAlong(outline, a, b);
      expect(total(pieces)).toBeCloseTo(polygonAreaM2(outline), 5);
      for (const piece of pieces) expect(firstSelfCrossing(piece)).toBeNull();
    }),
    { numRuns: 500 },
  );
});
