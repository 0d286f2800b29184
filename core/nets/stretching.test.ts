import fc from 'fast-check';
import { boundingBox, firstSelfCrossing, type Point, polygonAreaM2 } from '../geometry';
import { dimensionFaults, type Net, TEMPLATES, unfoldVehicle, type VehicleDimensions, type VehicleTemplate } from '.';

// Generous: the machine may be busy with a browser.
jest.setTimeout(30_000);

/** Any size a tape may plausibly read for a template, that leaves room for its arches. */
function sizes(template: VehicleTemplate): fc.Arbitrary<VehicleDimensions> {
  const within = ([low, high]: readonly [number, number]) => fc.integer({ min: low, max: high });
  const { lengthMm, widthMm, heightMm, wheelbaseMm } = template.plausible;
  return fc
    .record({
      lengthMm: within(lengthMm),
      widthMm: within(widthMm),
      heightMm: within(heightMm),
      wheelbaseMm: within(wheelbaseMm),
    })
    .filter((size) => dimensionFaults(template, size).length === 0);
}

const middle = (points: readonly Point[]): Point => {
  const { minX, maxX, minY, maxY } = boundingBox(points);
  return [(minX + maxX) / 2, (minY + maxY) / 2];
};

/** Which panels lie next to which along the item, from nose to tail, by the order of their middles. */
function orderAlong({ panels }: Net, zone: string): string[] {
  return panels
    .filter((panel) => panel.zone === zone)
    .map(({ id, outlineMm }) => ({ id, x: middle(outlineMm)[0] }))
    .sort((a, b) => a.x - b.x)
    .map(({ id }) => id);
}

/** Smallest gap between two panels' outlines, corner to corner. */
function gapMm(a: readonly Point[], b: readonly Point[]): number {
  return Math.min(...a.flatMap(([ax, ay]) => b.map(([bx, by]) => Math.hypot(ax - bx, ay - by))));
}

describe.each(TEMPLATES.map((template) => [template.id, template] as const))(
  '%s at any plausible size',
  (_, template) => {
    const drawn = unfoldVehicle(template, template.usual);
    const outline = (net: Net, id: string) => net.panels.find((panel) => panel.id === id)!.outlineMm;

    test('every panel stays simple, has an area, and keeps its name', () => {
      fc.assert(
        fc.property(sizes(template), (size) => {
          const net = unfoldVehicle(template, size);
          expect(net.panels.map(({ id }) => id)).toEqual(drawn.panels.map(({ id }) => id));
          for (const panel of net.panels) {
            expect([panel.id, firstSelfCrossing(panel.outlineMm)]).toEqual([panel.id, null]);
            expect(polygonAreaM2(panel.outlineMm)).toBeGreaterThan(0);
          }
        }),
        { numRuns: 12 },
      );
    });

    test('neighbours stay neighbours: panels keep their order along the item, and doors their shut line', () => {
      const doors = drawn.panels.filter(({ id }) => /door-left$|side-(fore|rear)-left$/.test(id)).map(({ id }) => id);
      expect(doors.length).toBeGreaterThanOrEqual(2);
      fc.assert(
        fc.property(sizes(template), (size) => {
          const net = unfoldVehicle(template, size);
          expect(orderAlong(net, 'top')).toEqual(orderAlong(drawn, 'top'));
          for (const [index, id] of doors.slice(1).entries()) {
            expect(gapMm(outline(net, doors[index]!), outline(net, id))).toBeLessThan(60);
          }
        }),
        { numRuns: 12 },
      );
    });

    test('it is as long as the tape says, both sides alike, and its wheels stand a wheelbase apart', () => {
      fc.assert(
        fc.property(sizes(template), (size) => {
          const net = unfoldVehicle(template, size);
          const side = net.panels.filter(({ zone }) => zone === 'left').flatMap(({ outlineMm }) => outlineMm);
          const { minX, maxX } = boundingBox(side);
          expect(maxX - minX).toBeGreaterThan(size.lengthMm * 0.94);
          expect(maxX - minX).toBeLessThan(size.lengthMm * 1.01);
          const [front, rear] = ['front-wheel-left', 'rear-wheel-left'].map((id) => middle(outline(net, id))[0]);
          expect(rear! - front!).toBeCloseTo(size.wheelbaseMm, 3);
          for (const { id, outlineMm, zone } of net.panels) {
            if (zone !== 'left') continue;
            const twin = outline(net, id.replace(/left$/, 'right'));
            expect(polygonAreaM2(twin)).toBeCloseTo(polygonAreaM2(outlineMm), 9);
          }
        }),
        { numRuns: 12 },
      );
    });
  },
);
