/** What is kept of a cut: rectangles no piece lies on, found cell by cell. */
import fc from 'fast-check';
import { lain } from '#core/film/nest';
import { boundingBox, boxed, overlapM2, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import { offcutsOf, STEP_MM, takenCells } from './offcuts';

const box = (w: number, h: number, x = 0, y = 0): Polygon => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const planOf = (outlines: readonly Polygon[], widthMm: number) => ({
  widthMm,
  lengthMm: Math.max(...outlines.map((outline) => boundingBox(outline).maxX)),
  pieces: outlines.map((outline) => ({ outline }) as never),
});

test('what is left of a wide cut is kept, what is too narrow is not', () => {
  expect(offcutsOf(planOf([box(1000, 500)], 1500)).map(({ areaM2 }) => areaM2)).toEqual([1]);
  expect(offcutsOf(planOf([box(1000, 500)], 600))).toEqual([]);
});

test('a piece that ends on the line between two cells takes one of them, one that passes it by a hair takes both', () => {
  const taken = (outline: Polygon) =>
    takenCells([{ outline }], 4, 4)
      .map((column) => [...column].join(''))
      .join(' ');
  expect(taken(box(50, 25, 25, 25))).toBe('0000 0100 0100 0000');
  expect(taken(box(50.01, 25.01, 25, 25))).toBe('0000 0110 0110 0110');
  // A sliver that holds no corner and no middle of a cell is there all the same.
  expect(
    taken([
      [2, 10],
      [98, 14],
      [98, 16],
      [2, 12],
    ]),
  ).toBe('1000 1000 1000 1000');
  // Within a ring nothing lies but what is cut out of it: its middle is free.
  expect(
    taken([
      [0, 0],
      [100, 0],
      [100, 100],
      [0, 100],
      [0, 75],
      [75, 75],
      [75, 25],
      [0, 25],
    ]),
  ).toBe('1001 1001 1001 1111');
  // Beyond the cut, on either side, nothing is marked and nothing thrown.
  expect(taken(box(900, 900, -400, -400))).toBe('1111 1111 1111 1111');
  expect(taken(box(50, 50, 500, -300))).toBe('0000 0000 0000 0000');
});

/** Pieces of any shape: an angle of so much side and leg, turned anyhow. */
const aPiece = fc.record({
  w: fc.integer({ min: 40, max: 700 }),
  h: fc.integer({ min: 40, max: 700 }),
  leg: fc.double({ min: 0.1, max: 1, noNaN: true }),
  xMm: fc.double({ min: 0, max: 1500, noNaN: true }),
  yMm: fc.double({ min: 0, max: 1100, noNaN: true }),
  turn: fc.constantFrom(0, 17, 45, 90, 133),
});
const outlineOf = ({ w, h, leg, ...placed }: typeof aPiece extends fc.Arbitrary<infer T> ? T : never): Polygon =>
  lain(
    [
      [0, 0],
      [w, 0],
      [w, h * leg],
      [w * leg, h * leg],
      [w * leg, h],
      [0, h],
    ],
    { id: 'a', copy: 1, ...placed },
  );

test('law: a cell is taken just where a piece lies on some of it', () => {
  fc.assert(
    fc.property(aPiece, (piece) => {
      const outline = outlineOf(piece);
      const [columns, rows] = [100, 61];
      const taken = takenCells([{ outline }], columns, rows);
      const { minX, maxX, minY, maxY } = boundingBox(outline);
      for (let x = Math.max(0, Math.floor(minX / STEP_MM) - 1); x <= Math.min(columns - 1, maxX / STEP_MM + 1); x++)
        for (let y = Math.max(0, Math.floor(minY / STEP_MM) - 1); y <= Math.min(rows - 1, maxY / STEP_MM + 1); y++) {
          const cell = box(STEP_MM, STEP_MM, x * STEP_MM, y * STEP_MM);
          const m2 = overlapM2(boxed(cell), boxed(outline));
          // An edge may lie in a cell with too little beside it to measure.
          if (m2 > 1e-9) expect([x, y, taken[x]![y]]).toEqual([x, y, 1]);
          if (m2 === 0 && taken[x]![y]) expect(edgeRunsThrough(outline, cell)).toBe(true);
        }
    }),
    { numRuns: 30 },
  );
});

/** Whether any place on the outline lies in a cell, looked for millimetre by millimetre. */
function edgeRunsThrough(outline: Polygon, cell: Polygon): boolean {
  const { minX, maxX, minY, maxY } = boundingBox(cell);
  return outline.some(([ax, ay], index) => {
    const [bx, by] = outline[(index + 1) % outline.length]!;
    const steps = Math.ceil(Math.hypot(bx - ax, by - ay) * 10);
    return Array.from({ length: steps + 1 }, (_, nth) => nth / steps).some((share) => {
      const [px, py] = [ax + share * (bx - ax), ay + share * (by - ay)];
      return px >= minX - 0.1 && px <= maxX + 0.1 && py >= minY - 0.1 && py <= maxY + 0.1;
    });
  });
}

test('law: offcuts touch no piece, nor each other, and lie on what is cut', () => {
  fc.assert(
    fc.property(fc.array(aPiece, { minLength: 1, maxLength: 5 }), (pieces) => {
      const plan = planOf(pieces.map(outlineOf), 1524);
      const offcuts = offcutsOf(plan);
      for (const [index, { outline, areaM2 }] of offcuts.entries()) {
        const { minX, maxX, minY, maxY } = boundingBox(outline);
        expect(minX >= 0 && minY >= 0 && maxX <= plan.lengthMm && maxY <= plan.widthMm).toBe(true);
        expect(Math.min(maxX - minX, maxY - minY)).toBeGreaterThanOrEqual(150);
        expect(areaM2).toBeCloseTo(polygonAreaM2(outline), 9);
        for (const piece of plan.pieces as readonly { readonly outline: Polygon }[])
          expect(overlapM2(boxed(outline), boxed(piece.outline))).toBeLessThan(1e-8);
        for (const other of offcuts.slice(index + 1))
          expect(overlapM2(boxed(outline), boxed(other.outline))).toBeLessThan(1e-9);
      }
    }),
    { numRuns: 40 },
  );
});
