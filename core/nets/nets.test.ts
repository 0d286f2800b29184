import fc from 'fast-check';
import { boundingBox, firstSelfCrossing, type Point, polygonAreaM2 } from '../geometry';
import {
  dimensionFaults,
  DimensionError,
  type Net,
  pathPoints,
  templateById,
  TEMPLATES,
  unfoldVehicle,
  type VehicleDimensions,
} from '.';

const hatchback = templateById('hatchback')!;
const areaOf = (net: Net, only?: string) =>
  net.panels
    .filter(({ substrate }) => only === undefined || substrate === only)
    .reduce((sum, { outlineMm, curvature }) => sum + polygonAreaM2(outlineMm) * curvature, 0);

const scaled = (d: VehicleDimensions, k: number): VehicleDimensions => ({
  lengthMm: d.lengthMm * k,
  widthMm: d.widthMm * k,
  heightMm: d.heightMm * k,
  wheelbaseMm: d.wheelbaseMm * k,
});

function contains(outline: readonly Point[], [x, y]: Point): boolean {
  let inside = false;
  for (const [index, [ax, ay]] of outline.entries()) {
    const [bx, by] = outline[(index + 1) % outline.length]!;
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside;
  }
  return inside;
}

/** Outside painted area of each class, without glass, m². */
const PAINTED_M2: Readonly<Record<string, readonly [low: number, high: number]>> = {
  hatchback: [7, 9.5],
  saloon: [9, 11.5],
  estate: [9, 12],
  'off-roader': [12, 15],
  'high-van': [20, 27],
};

describe.each(TEMPLATES.map((template) => [template.id, template] as const))('the net of the %s', (id, template) => {
  const net = unfoldVehicle(template, template.usual);

  test('has a plausible painted area for its class', () => {
    const [low, high] = PAINTED_M2[id]!;
    expect(areaOf(net, 'clear-gloss')).toBeGreaterThan(low);
    expect(areaOf(net, 'clear-gloss')).toBeLessThan(high);
  });

  test('has a simple outline for every panel, each under its own name', () => {
    for (const panel of net.panels) {
      expect([panel.id, firstSelfCrossing(panel.outlineMm)]).toEqual([panel.id, null]);
      expect(panel.outlineMm.every((p) => p.every(Number.isFinite))).toBe(true);
    }
    expect(new Set(net.panels.map(({ id }) => id)).size).toBe(net.panels.length);
  });

  test('gives no place to two panels', () => {
    const { minX, minY, maxX, maxY } = boundingBox(net.panels.flatMap(({ outlineMm }) => outlineMm));
    const clashes: string[] = [];
    const boxed = net.panels.map((panel) => ({ ...panel, box: boundingBox(panel.outlineMm) }));
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
      expect(polygonAreaM2(right.outlineMm)).toBeCloseTo(polygonAreaM2(left.outlineMm), 9);
    }
  });

  test('keeps wheels round at any size', () => {
    const long = unfoldVehicle(template, {
      ...template.usual,
      lengthMm: template.usual.lengthMm * 1.05,
      wheelbaseMm: template.usual.wheelbaseMm * 1.06,
    });
    const wheel = boundingBox(long.panels.find(({ id }) => id === 'front-wheel-left')!.outlineMm);
    expect(wheel.maxX - wheel.minX).toBeCloseTo(wheel.maxY - wheel.minY, 6);
  });

  test('grows with the square of its size', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.93, max: 1.1, noNaN: true }), (k) => {
        expect(areaOf(unfoldVehicle(template, scaled(template.usual, k))) / areaOf(net)).toBeCloseTo(k * k, 9);
      }),
    );
  });
});

describe('stretching', () => {
  const net = unfoldVehicle(hatchback, hatchback.usual);

  test('a higher item has taller doors and longer screens, a wider one a wider bonnet', () => {
    const panel = (n: Net, id: string) => polygonAreaM2(n.panels.find((p) => p.id === id)!.outlineMm);
    const taller = unfoldVehicle(hatchback, { ...hatchback.usual, heightMm: 1600 });
    expect(panel(taller, 'front-door-left')).toBeGreaterThan(panel(net, 'front-door-left'));
    expect(panel(taller, 'windscreen')).toBeGreaterThan(panel(net, 'windscreen'));
    const wider = unfoldVehicle(hatchback, { ...hatchback.usual, widthMm: 1800 });
    expect(panel(wider, 'bonnet') / panel(net, 'bonnet')).toBeCloseTo(1800 / hatchback.usual.widthMm, 9);
    expect(panel(wider, 'front-door-left')).toBeCloseTo(panel(net, 'front-door-left'), 9);
  });
});

describe('dimensions', () => {
  test('a slip of unit is caught with what was probably meant', () => {
    const inCm = dimensionFaults(hatchback, { ...hatchback.usual, lengthMm: 388 });
    expect(inCm[0]!.message).toContain('if that was in centimetres, it is 3880 mm');
    const inInches = dimensionFaults(hatchback, { ...hatchback.usual, widthMm: 66.5 });
    expect(inInches[0]!.message).toContain('in inches');
  });

  test('all are told at once, and an impossible wheelbase is refused', () => {
    expect(dimensionFaults(hatchback, { lengthMm: 1, widthMm: 1, heightMm: 1, wheelbaseMm: 1 })).toHaveLength(4);
    expect(() => unfoldVehicle(hatchback, { ...hatchback.usual, lengthMm: 3200, wheelbaseMm: 2900 })).toThrow(
      DimensionError,
    );
  });
});

test('a path that cannot be read is refused', () => {
  expect(() => pathPoints('M0 0 L5')).toThrow();
  expect(pathPoints('M0 0 H10 V10 H0 L0 0 Z')).toHaveLength(4);
});
