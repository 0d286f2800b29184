import fc from 'fast-check';
import { boxed, joined, overlapM2, partedAlongEdge, without } from './boolean';
import { firstSelfCrossing } from './crossing';
import { type Polygon, polygonAreaM2 } from './polygon';
import { splitAlong } from './split';

const box = (x: number, y: number, w: number, h: number): Polygon => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const overlap = (a: Polygon, b: Polygon): number => overlapM2(boxed(a), boxed(b));
const areaOf = (pieces: readonly Polygon[]) => pieces.reduce((sum, piece) => sum + polygonAreaM2(piece), 0);

test('two outlines have in common what lies in both, whichever way round they are drawn', () => {
  expect(overlap(box(0, 0, 1000, 1000), box(600, 500, 1000, 1000))).toBeCloseTo(0.2, 9);
  expect(overlap(box(0, 0, 1000, 1000), box(600, 500, 1000, 1000).toReversed())).toBeCloseTo(0.2, 9);
  expect(overlap(box(0, 0, 1000, 1000), box(1000, 0, 500, 500))).toBe(0);
  expect(overlap(box(0, 0, 1000, 1000), box(200, 200, 100, 100))).toBeCloseTo(0.01, 9);
});

test('panels are joined over their shut line, which is taken in; far ones are not', () => {
  const whole = joined(box(0, 0, 1000, 800), box(1012, 0, 700, 800), 30)!;
  expect(polygonAreaM2(whole)).toBeCloseTo((1712 * 800) / 1e6, 6);
  expect(whole).toHaveLength(4);
  expect(joined(box(0, 0, 1000, 800), box(1100, 0, 700, 800), 30)).toBeUndefined();
});

test('what a line has parted is joined again to what it was', () => {
  const outline: Polygon = [
    [0, 0],
    [1400, 100],
    [1300, 900],
    [700, 1000],
    [100, 800],
  ];
  fc.assert(
    fc.property(fc.integer({ min: 200, max: 1200 }), fc.integer({ min: 200, max: 1200 }), (top, bottom) => {
      const pieces = splitAlong(outline, [bottom, 0], [top, 1000]);
      fc.pre(pieces.length === 2);
      const whole = joined(pieces[0]!, pieces[1]!, 1)!;
      expect(polygonAreaM2(whole)).toBeCloseTo(polygonAreaM2(outline), 4);
    }),
  );
});

test('cutting out leaves pieces without holes that add up with what was cut', () => {
  const range = fc.integer({ min: 0, max: 900 });
  const cut = fc.tuple(range, range, fc.integer({ min: 60, max: 500 }), fc.integer({ min: 60, max: 500 }));
  fc.assert(
    fc.property(cut, ([x, y, w, h]) => {
      const outline = box(0, 0, 1000, 1000);
      const hole = box(x, y, w, h);
      const pieces = without(outline, [hole]);
      expect(areaOf(pieces) + overlap(outline, hole)).toBeCloseTo(1, 5);
      for (const piece of pieces) {
        expect(firstSelfCrossing(piece)).toBeNull();
        expect(overlap(piece, hole)).toBeLessThan(1e-6);
      }
    }),
  );
});

test('a strip along an edge and what is left of the panel add up to it; too deep a strip is refused', () => {
  const door = box(0, 0, 1000, 800);
  const right = [
    [1000, 0],
    [1000, 800],
  ] as const;
  const { strip, rest } = partedAlongEdge(door, right, 25)!;
  expect(polygonAreaM2(strip)).toBeCloseTo(0.02, 9);
  expect(polygonAreaM2(rest)).toBeCloseTo(0.78, 9);
  expect(partedAlongEdge(door, right, 2000)).toBeUndefined();
});
