import fc from 'fast-check';
import { containsPoint, type Point, type Shape } from '#core/item/geometry';
import { arrange } from './arrange';
import { labelSpot } from './label-spot';
import { templateById } from './templates';

const hatchback = templateById('hatchback')!;
const net = hatchback.unfold(hatchback.usual);
const onTemplate = {
  surfaces: net.panels.map(({ id, name, outlineMm }) => ({
    id,
    name,
    shape: { kind: 'polygon' as const, pointsMm: outlineMm },
    count: 1,
    measuredBy: 'template' as const,
  })),
  item: { template: { id: 'hatchback', ...hatchback.usual } },
};

describe('the sheet', () => {
  test('puts every panel of a template where the net has it, left and right mirrored', () => {
    const { panels } = arrange(onTemplate);
    expect(panels).toHaveLength(net.panels.length);
    const middle = (id: string) => {
      const ys = panels.find((panel) => panel.id === id)!.outline.map(([, y]) => y);
      return (Math.min(...ys) + Math.max(...ys)) / 2;
    };
    expect(middle('front-door-left')).toBeCloseTo(-middle('front-door-right'), 6);
  });

  test('lays what the tape measured beside it, nothing over anything', () => {
    const shapes: Shape[] = [
      { kind: 'rectangle', aMm: 1400, bMm: 980 },
      { kind: 'ring', outerMm: 440, innerMm: 120 },
      { kind: 'offsets', stationMm: 900, offsetsMm: [200, 740, 200] },
      { kind: 'area', areaM2: 0.5 },
    ];
    const tape = [1, 2, 4].flatMap((count) =>
      shapes.map((shape) => ({ id: `${shape.kind}-${count}`, shape, count, measuredBy: 'tape' as const })),
    );
    const { panels } = arrange({ ...onTemplate, surfaces: [...onTemplate.surfaces, ...tape] });
    expect(panels).toHaveLength(onTemplate.surfaces.length + tape.length);
    const boxes = panels
      .filter(({ lengths }) => lengths)
      .map(({ outline }) => {
        const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
        return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)] as const;
      });
    for (const [index, a] of boxes.entries()) {
      for (const b of boxes.slice(index + 1)) {
        expect(a[2] <= b[0] || b[2] <= a[0] || a[3] <= b[1] || b[3] <= a[1]).toBe(true);
      }
    }
  });

  test('a name stands inside its panel, with the room it is said to have', () => {
    for (const { outlineMm } of net.panels) {
      const { at, width } = labelSpot(outlineMm, 20);
      if (width === 0) continue;
      expect(containsPoint(outlineMm, at)).toBe(true);
      for (const share of [-0.49, 0.49]) expect(containsPoint(outlineMm, [at[0] + share * width, at[1]])).toBe(true);
    }
  });

  test('and so it does in any triangle that can hold it', () => {
    const coordinate = fc.integer({ min: 0, max: 1000 });
    fc.assert(
      fc.property(fc.tuple(coordinate, coordinate, coordinate, coordinate, coordinate, coordinate), (n) => {
        const triangle: Point[] = [
          [n[0], n[1]],
          [n[2], n[3]],
          [n[4], n[5]],
        ];
        const { at, width } = labelSpot(triangle, 1);
        if (width > 1) expect(containsPoint(triangle, at)).toBe(true);
      }),
    );
  });
});
