/** What lies apart on the sheet: rows of what the tape measured, any shapes in any number. */
import fc from 'fast-check';
import { boundingBox, polygonAreaM2, type Shape, shapeAreaM2 } from '#core/item/geometry';
import { arrange, type PlacedPanel } from './arrange';

const mm = (max = 4000) => fc.integer({ min: 5, max });
const aShape: fc.Arbitrary<Shape> = fc.oneof(
  fc.record({ kind: fc.constant('rectangle' as const), aMm: mm(20_000), bMm: mm() }),
  fc.record({ kind: fc.constant('trapezoid' as const), aMm: mm(), bMm: mm(), hMm: mm() }),
  fc
    .record({ outerMm: fc.integer({ min: 100, max: 900 }), innerMm: fc.integer({ min: 0, max: 90 }) })
    .map((sizes): Shape => ({ kind: 'ring', ...sizes })),
  fc.record({ kind: fc.constant('cylinder' as const), diameterMm: mm(900), lengthMm: mm(2000) }),
  fc.record({ kind: fc.constant('area' as const), areaM2: fc.double({ min: 0.01, max: 12, noNaN: true }) }),
);
const surfaces = fc
  .array(fc.tuple(aShape, fc.integer({ min: 1, max: 6 })), { minLength: 1, maxLength: 25 })
  .map((shapes) =>
    shapes.map(([shape, count], index) => ({ id: `s${index}`, shape, count, measuredBy: 'tape' as const })),
  );
const boxOf = ({ outline }: PlacedPanel) => boundingBox(outline);

test('every surface has one place, in its order, and none lies on another', () => {
  fc.assert(
    fc.property(surfaces, (all) => {
      const { panels } = arrange({ surfaces: all });
      expect(panels.map(({ id, copies }) => [id, copies])).toEqual(all.map(({ id, count }) => [id, count]));
      for (const [index, panel] of panels.entries()) {
        const a = boxOf(panel);
        for (const other of panels.slice(index + 1)) {
          const b = boxOf(other);
          expect(a.maxX <= b.minX || b.maxX <= a.minX || a.maxY <= b.minY || b.maxY <= a.minY).toBe(true);
        }
      }
    }),
  );
});

test('the sheet holds all of them and is no larger than they need', () => {
  fc.assert(
    fc.property(surfaces, (all) => {
      const { panels, box } = arrange({ surfaces: all });
      const boxes = panels.map(boxOf);
      expect(box.minX).toBeCloseTo(Math.min(...boxes.map(({ minX }) => minX)), 6);
      expect(box.maxX).toBeCloseTo(Math.max(...boxes.map(({ maxX }) => maxX)), 6);
      expect(box.minY).toBeCloseTo(Math.min(...boxes.map(({ minY }) => minY)), 6);
      expect(box.maxY).toBeCloseTo(Math.max(...boxes.map(({ maxY }) => maxY)), 6);
    }),
  );
});

test('a surface is drawn as large as it is, save a long thin strip, which is folded and says its length', () => {
  fc.assert(
    fc.property(surfaces, (all) => {
      for (const [index, panel] of arrange({ surfaces: all }).panels.entries()) {
        const { shape } = all[index]!;
        const { minX, maxX, minY, maxY } = boxOf(panel);
        const [across, up] = [maxX - minX, maxY - minY];
        expect(panel.lengths!.across).not.toBe('');
        if (panel.folded) {
          expect(Math.max(across, up)).toBeCloseTo(1100, 6);
          expect(Math.min(across, up)).toBeGreaterThan(39.999);
          if (shape.kind === 'rectangle') {
            expect([panel.lengths!.across, panel.lengths!.up]).toContain(`${Math.max(shape.aMm, shape.bMm)}`);
            expect(Math.max(shape.aMm, shape.bMm)).toBeGreaterThanOrEqual(20 * Math.min(shape.aMm, shape.bMm));
          }
        } else if (shape.kind === 'rectangle' || shape.kind === 'trapezoid' || shape.kind === 'cylinder') {
          expect(polygonAreaM2(panel.outline)).toBeCloseTo(shapeAreaM2(shape), 6);
        }
      }
    }),
  );
});

test('they are read as they are listed: from left to right, row by row downwards', () => {
  fc.assert(
    fc.property(surfaces, (all) => {
      const boxes = arrange({ surfaces: all }).panels.map(boxOf);
      for (const [index, box] of boxes.slice(1).entries()) {
        const before = boxes[index]!;
        const isSameRow = Math.abs(box.minY - before.minY) < 1e-6;
        if (isSameRow) expect(box.minX).toBeGreaterThan(before.maxX);
        else expect(box.minY).toBeGreaterThan(before.maxY);
      }
    }),
  );
});

test('nothing to lay out is an empty sheet, not a fault', () => {
  expect(arrange({ surfaces: [] })).toMatchObject({ panels: [], box: { minX: 0, minY: 0, maxX: 1000, maxY: 700 } });
});
