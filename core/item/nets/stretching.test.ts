import fc from 'fast-check';
import { boundingBox, firstSelfCrossing, type Point, polygonAreaM2 } from '#core/item/geometry';
import { SUBSTRATES } from '#core/item/substrates';
import type { Net } from './net';
import type { Sizes } from './sizes';
import { asksFor, type ItemTemplate, sizeFaults } from './template';
import { TEMPLATES } from './templates';

// Generous: the machine may be busy with a browser.

/** Any size a tape may plausibly read for a template, that leaves room for its arches. */
function sizes(template: ItemTemplate): fc.Arbitrary<Sizes> {
  const within = ([low, high]: readonly [number, number]) => fc.integer({ min: low, max: high });
  const each = Object.fromEntries(asksFor(template).map(({ key }) => [key, within(template.plausible[key]!)]));
  return fc.record(each).filter((size) => sizeFaults(template, size).length === 0);
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

/** Panels of one zone, two by two. */
const pairsOf = ({ panels }: Net) =>
  panels.flatMap((a, index) => panels.slice(index + 1).flatMap((b) => (a.zone === b.zone ? [[a, b] as const] : [])));

describe.each(TEMPLATES.map((template) => [template.id, template] as const))(
  '%s at any plausible size',
  (_, template) => {
    const drawn = template.unfold(template.usual);
    const outline = (net: Net, id: string) => net.panels.find((panel) => panel.id === id)!.outlineMm;

    test('every panel stays simple, has an area, and keeps its name', () => {
      fc.assert(
        fc.property(sizes(template), (size) => {
          const net = template.unfold(size);
          expect(net.panels.map(({ id }) => id)).toEqual(drawn.panels.map(({ id }) => id));
          for (const panel of net.panels) {
            expect([panel.id, firstSelfCrossing(panel.outlineMm)]).toEqual([panel.id, null]);
            expect(polygonAreaM2(panel.outlineMm)).toBeGreaterThan(0);
          }
        }),
        { numRuns: 6 },
      );
    });

    test('neighbours stay neighbours: panels keep their order along the item, and their shut lines', () => {
      const near = pairsOf(drawn).filter(([a, b]) => gapMm(a.outlineMm, b.outlineMm) < 22);
      expect(near.length).toBeGreaterThanOrEqual(template.groups.length > 3 ? 10 : 0);
      fc.assert(
        fc.property(sizes(template), (size) => {
          const net = template.unfold(size);
          // Views along the span and along the length stretch apart.
          if (!size.spanMm) expect(orderAlong(net, 'top')).toEqual(orderAlong(drawn, 'top'));
          // Parts drawn side by side in a view stand apart by so much more as it is stretched.
          const stretched = Math.max(
            1,
            ...Object.entries(size).map(([key, mm]) => mm! / template.usual[key as 'lengthMm']!),
          );
          for (const [a, b] of near) {
            const gap = gapMm(outline(net, a.id), outline(net, b.id));
            expect({ a: a.id, b: b.id, near: gap < 60 * stretched }).toEqual({ a: a.id, b: b.id, near: true });
          }
        }),
        { numRuns: 4 },
      );
    });

    test('it is as long as the tape says, both sides alike', () => {
      fc.assert(
        fc.property(sizes(template), (size) => {
          const net = template.unfold(size);
          const side = net.panels.filter(({ zone }) => zone === 'left').flatMap(({ outlineMm }) => outlineMm);
          const { minX, maxX } = boundingBox(side);
          expect(maxX - minX).toBeGreaterThan(size.lengthMm! * 0.93);
          expect(maxX - minX).toBeLessThan(size.lengthMm! * 1.02);
          for (const { id, outlineMm, zone } of net.panels) {
            const twin = net.panels.find((panel) => panel.id === id.replace(/left$/, 'right'));
            if (zone !== 'left' || !twin || (template.id === 'caravan' && id.startsWith('side-'))) continue;
            expect(polygonAreaM2(twin.outlineMm)).toBeCloseTo(polygonAreaM2(outlineMm), 9);
          }
          if (size.wheelbaseMm === undefined) return;
          const [front, rear] = ['front-wheel-left', 'rear-wheel-left'].map((id) => middle(outline(net, id))[0]);
          expect(rear! - front!).toBeCloseTo(size.wheelbaseMm, 3);
        }),
        { numRuns: 6 },
      );
    });

    test('what was drawn or cut by hand stretches along: every panel but a wheel goes where the net has it', () => {
      fc.assert(
        fc.property(sizes(template), sizes(template), (from, to) => {
          const [before, after] = [template.unfold(from), template.unfold(to)];
          const warp = template.warp(from, to);
          for (const [index, { id, outlineMm, substrate }] of before.panels.entries()) {
            if (/wheel|disc/.test(id) || SUBSTRATES[substrate].keepClear) continue;
            for (const [corner, point] of outlineMm.entries()) {
              const [x, y] = warp(point);
              const [wantedX, wantedY] = after.panels[index]!.outlineMm[corner]!;
              expect({ id, off: Math.hypot(x - wantedX, y - wantedY) < 0.01 }).toEqual({ id, off: true });
            }
          }
        }),
        { numRuns: 3 },
      );
    });
  },
);
