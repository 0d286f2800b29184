import type { Blank } from '#core/film/blanks';
import { boundingBox, type Polygon } from '#core/item/geometry';
import { cutPlanOf } from './cut-plan';

const box = (w: number, h: number): Polygon => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];
const blank = (id: string, w: number, h: number, more: Partial<Blank> = {}): Blank => ({
  id,
  panel: id,
  name: id.toUpperCase(),
  part: 1,
  parts: 1,
  count: 1,
  outline: box(w, h),
  areaM2: (w * h) / 1e6,
  up: [0, 1],
  edges: [],
  cutOuts: [],
  reliefs: [],
  stretch: { neededPct: 0, inHandPct: 20, isTooMuch: false, along: 0 },
  ...more,
});
const at = (id: string, xMm: number, yMm: number, turn = 0) => ({ id, copy: 1, turn, xMm, yMm });

describe('a cut plan', () => {
  test('turns what belongs to a piece with it: cut-outs, reliefs, and which way is up', () => {
    const cutOut = box(10, 10).map(([x, y]): readonly [number, number] => [x + 90, y]);
    const own = blank('a', 200, 100, {
      cutOuts: [cutOut],
      reliefs: [
        [
          [0, 0],
          [5, 5],
        ],
      ],
    });
    const { pieces, lengthMm } = cutPlanOf([own], [at('a', 300, 400, 180)], 1524);
    const [piece] = pieces;
    expect(boundingBox(piece!.outline)).toEqual({ minX: 100, maxX: 300, minY: 300, maxY: 400 });
    expect(boundingBox(piece!.cutOuts[0]!)).toEqual({ minX: 200, maxX: 210, minY: 390, maxY: 400 });
    expect(piece!.reliefs).toEqual([
      [
        [300, 400],
        [295, 395],
      ],
    ]);
    expect(piece!.up[1]).toBeCloseTo(-1, 9);
    expect(lengthMm).toBe(300);
  });
  test('the knife goes along the roll and back no more than it must: a row of pieces is one way', () => {
    const blanks = [0, 1, 2, 3, 4].map((nth) => blank(`p${nth}`, 100, 100));
    const jumbled = [3, 0, 4, 1, 2].map((nth) => at(`p${nth}`, nth * 110, 0));
    const { pieces, idleMm } = cutPlanOf(blanks, jumbled, 300);
    expect(pieces.map(({ id }) => id)).toEqual(['p0', 'p1', 'p2', 'p3', 'p4']);
    expect(pieces.map(({ order }) => order)).toEqual([1, 2, 3, 4, 5]);
    expect(idleMm).toBeCloseTo(Math.hypot(50, 50) + 4 * 110, 6);
  });
  test('two parts and two copies are told apart by their labels', () => {
    const blanks = [blank('a.1', 50, 50, { name: 'Bonnet', parts: 2 }), blank('b', 50, 50, { name: 'Cap', count: 2 })];
    const { pieces } = cutPlanOf(blanks, [at('a.1', 0, 0), { ...at('b', 60, 0), copy: 2 }], 300);
    expect(pieces.map(({ label }) => label)).toEqual(['Bonnet 1/2', 'Cap, 2 of 2']);
    expect(() => cutPlanOf(blanks, [at('x', 0, 0)], 300)).toThrow('x is no blank');
  });
});
