import fc from 'fast-check';
import { boundingBox, firstSelfCrossing, type Point, polygonAreaM2 } from '#core/item/geometry';
import { SUBSTRATES } from '#core/item/substrates';
import type { Net } from './net';
import { pathPoints } from './path';
import type { Sizes } from './sizes';
import { SizeError, sizeFaults } from './template';
import { templateById, TEMPLATES } from './templates';

const hatchback = templateById('hatchback')!;
const PAINTED = ['clear-gloss', 'single-stage', 'gelcoat', 'aircraft-paint', 'wood'];
const areaOf = (net: Net, only: readonly string[] = []) =>
  net.panels
    .filter(({ substrate }) => only.length === 0 || only.includes(substrate))
    .reduce((sum, { outlineMm, curvature }) => sum + polygonAreaM2(outlineMm) * curvature, 0);

const scaled = (sizes: Sizes, k: number): Sizes =>
  Object.fromEntries(Object.entries(sizes).map(([key, mm = 0]) => [key, mm * k]));

function contains(outline: readonly Point[], [x, y]: Point): boolean {
  let inside = false;
  for (const [index, [ax, ay]] of outline.entries()) {
    const [bx, by] = outline[(index + 1) % outline.length]!;
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside;
  }
  return inside;
}

/** Outside painted, moulded or varnished area of each class, without glass, m². */
const PAINTED_M2: Readonly<Record<string, readonly [low: number, high: number]>> = {
  hatchback: [7, 9.5],
  saloon: [9, 11.5],
  estate: [9, 12],
  'off-roader': [12, 15],
  'high-van': [20, 27],
  'pick-up': [10, 13.5],
  minibus: [17, 25],
  classic: [7, 9.5],
  motorcycle: [1.8, 3.2],
  launch: [24, 36],
  caravan: [32, 44],
  aeroplane: [38, 52],
  table: [3.5, 6],
  'flat-panel': [3.2, 4],
};

describe.each(TEMPLATES.map((template) => [template.id, template] as const))('the net of the %s', (id, template) => {
  const net = template.unfold(template.usual);

  test('has a plausible painted area for its class', () => {
    const [low, high] = PAINTED_M2[id]!;
    expect(areaOf(net, PAINTED)).toBeGreaterThan(low);
    expect(areaOf(net, PAINTED)).toBeLessThan(high);
  });

  test('has a simple outline for every panel, each under its own name', () => {
    for (const panel of net.panels) {
      expect([panel.id, firstSelfCrossing(panel.outlineMm)]).toEqual([panel.id, null]);
      expect(panel.outlineMm.every((p) => p.every(Number.isFinite))).toBe(true);
    }
    expect(new Set(net.panels.map(({ id }) => id)).size).toBe(net.panels.length);
  });

  test('gives no place to two panels; what is kept clear may lie in one', () => {
    const { minX, minY, maxX, maxY } = boundingBox(net.panels.flatMap(({ outlineMm }) => outlineMm));
    const clashes: string[] = [];
    const boxed = net.panels
      .filter(({ substrate }) => !SUBSTRATES[substrate].keepClear)
      .map((panel) => ({ ...panel, box: boundingBox(panel.outlineMm) }));
    for (let x = minX; x < maxX; x += 17) {
      const near = boxed.filter(({ box }) => box.minX <= x && x <= box.maxX);
      for (let y = minY; y < maxY; y += 17) {
        const owners = near.filter(
          ({ box, outlineMm }) => box.minY <= y && y <= box.maxY && contains(outlineMm, [x, y]),
        );
        if (owners.length > 1) clashes.push(owners.map(({ id }) => id).join(' + '));
      }
    }
    expect([...new Set(clashes)]).toEqual([]);
  });

  test('has left and right alike', () => {
    for (const left of net.panels.filter(({ zone }) => zone === 'left')) {
      const right = net.panels.find(({ id }) => id === left.id.replace(/-left$/, '-right'))!;
      // The door of a caravan stands on one side.
      if (id === 'caravan' && left.id.startsWith('side-')) continue;
      expect(polygonAreaM2(right.outlineMm)).toBeCloseTo(polygonAreaM2(left.outlineMm), 9);
    }
  });

  test('keeps wheels round at any size', () => {
    const { lengthMm = 0, wheelbaseMm } = template.usual;
    const long = template.unfold({
      ...template.usual,
      lengthMm: lengthMm * 1.05,
      ...(wheelbaseMm && { wheelbaseMm: wheelbaseMm * 1.06 }),
    });
    for (const { outlineMm } of long.panels.filter(({ id }) => /wheel-(left|right)$/.test(id))) {
      const wheel = boundingBox(outlineMm);
      expect(wheel.maxX - wheel.minX).toBeCloseTo(wheel.maxY - wheel.minY, 6);
    }
  });

  test('grows with the square of its size', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.93, max: 1.1, noNaN: true }), (k) => {
        expect(areaOf(template.unfold(scaled(template.usual, k))) / areaOf(net)).toBeCloseTo(k * k, 9);
      }),
    );
  });
});

describe('stretching', () => {
  const net = hatchback.unfold(hatchback.usual);

  test('a higher item has taller doors and longer screens, a wider one a wider bonnet', () => {
    const panel = (n: Net, id: string) => polygonAreaM2(n.panels.find((p) => p.id === id)!.outlineMm);
    const taller = hatchback.unfold({ ...hatchback.usual, heightMm: 1600 });
    expect(panel(taller, 'front-door-left')).toBeGreaterThan(panel(net, 'front-door-left'));
    expect(panel(taller, 'windscreen')).toBeGreaterThan(panel(net, 'windscreen'));
    const wider = hatchback.unfold({ ...hatchback.usual, widthMm: 1800 });
    expect(panel(wider, 'bonnet') / panel(net, 'bonnet')).toBeCloseTo(1800 / hatchback.usual.widthMm!, 9);
    expect(panel(wider, 'front-door-left')).toBeCloseTo(panel(net, 'front-door-left'), 9);
  });
});

describe('dimensions', () => {
  test('a slip of unit is caught with what was probably meant', () => {
    const inCm = sizeFaults(hatchback, { ...hatchback.usual, lengthMm: 388 });
    expect(inCm[0]!.message).toContain('if that was in centimetres, it is 3880 mm');
    const inInches = sizeFaults(hatchback, { ...hatchback.usual, widthMm: 66.5 });
    expect(inInches[0]!.message).toContain('in inches');
  });

  test('all are told at once, and an impossible wheelbase is refused', () => {
    expect(sizeFaults(hatchback, { lengthMm: 1, widthMm: 1, heightMm: 1, wheelbaseMm: 1 })).toHaveLength(4);
    expect(() => hatchback.unfold({ ...hatchback.usual, lengthMm: 3200, wheelbaseMm: 2900 })).toThrow(SizeError);
  });
});

test('a path that cannot be read is refused', () => {
  expect(() => pathPoints('M0 0 L5')).toThrow();
  expect(pathPoints('M0 0 H10 V10 H0 L0 0 Z')).toHaveLength(4);
});
