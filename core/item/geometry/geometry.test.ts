import fc from 'fast-check';
import { areaRange, totalArea } from './area-spread';
import { firstSelfCrossing, segmentsMeet } from './crossing';
import { cutsAt, type Point, type Polygon, polygonAreaM2, stripsBetween } from './polygon';
import { type Shape, shapeAreaM2, shapeOutline, shapeShortSideM, simpson } from './shapes';

describe('areas of taped shapes', () => {
  test('offsets at equal stations by Simpson’s rule: 4.626 m²', () => {
    const offsetsMm = [200, 740, 980, 1060, 1020, 860, 580];
    expect(shapeAreaM2({ kind: 'offsets', stationMm: 900, offsetsMm })).toBeCloseTo(4.626, 9);
  });

  test('an even number of stations is asked for one more', () => {
    expect(() => simpson([1, 2, 3, 4], 1)).toThrow(/odd number/);
  });

  test.each<[Shape, number, number]>([
    [{ kind: 'rectangle', aMm: 1400, bMm: 980 }, 1.372, 0.98],
    [{ kind: 'trapezoid', aMm: 1000, bMm: 1400, hMm: 500 }, 0.6, 0.5],
    [
      {
        kind: 'polygon',
        pointsMm: [
          [0, 0],
          [2000, 0],
          [0, 1000],
        ],
      },
      1,
      1,
    ],
    [{ kind: 'ring', outerMm: 1000, innerMm: 500 }, (Math.PI * 0.75) / 4, Math.sqrt((Math.PI * 0.75) / 4)],
    [{ kind: 'cylinder', diameterMm: 500, lengthMm: 200 }, Math.PI * 0.1, Math.sqrt(Math.PI * 0.1)],
    [{ kind: 'area', areaM2: 2.25 }, 2.25, 1.5],
  ])('%j', (shape, areaM2, shortSideM) => {
    expect(shapeAreaM2(shape)).toBeCloseTo(areaM2, 9);
    expect(shapeShortSideM(shape, areaM2)).toBeCloseTo(shortSideM, 9);
  });

  test('what is drawn encloses what is measured', () => {
    const exact: Shape[] = [
      { kind: 'rectangle', aMm: 1400, bMm: 980 },
      { kind: 'trapezoid', aMm: 1000, bMm: 1400, hMm: 500 },
      { kind: 'cylinder', diameterMm: 500, lengthMm: 200 },
      { kind: 'area', areaM2: 2.25 },
    ];
    for (const shape of exact) expect(polygonAreaM2(shapeOutline(shape))).toBeCloseTo(shapeAreaM2(shape), 9);
  });
});

describe('outlines', () => {
  const arch: Polygon = [
    [0, 0],
    [300, 0],
    [400, 200],
    [600, 200],
    [700, 0],
    [1000, 0],
    [1000, 600],
    [0, 600],
  ];

  test('a crossing is found with its place, a touching corner too', () => {
    expect(
      firstSelfCrossing([
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ]),
    ).toEqual([0, 2]);
    expect(
      firstSelfCrossing([
        [0, 0],
        [10, 0],
        [10, 10],
        [5, 0],
        [0, 10],
      ]),
    ).not.toBeNull();
    expect(firstSelfCrossing(arch)).toBeNull();
  });

  test('strips have the shares asked for and add up to the outline', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.constantFrom<0 | 1>(0, 1), (count, axis) => {
        const shares = Array.from({ length: count - 1 }, (_, index) => (index + 1) / count);
        const strips = stripsBetween(arch, axis, cutsAt(arch, axis, shares));
        for (const strip of strips) expect(polygonAreaM2(strip)).toBeCloseTo(polygonAreaM2(arch) / count, 6);
        expect(strips).toHaveLength(count);
      }),
    );
  });

  test('the area of a scaled outline grows with the square', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 10, noNaN: true }), (k) => {
        const scaled = arch.map(([x, y]): Point => [k * x, k * y]);
        expect(polygonAreaM2(scaled) / polygonAreaM2(arch)).toBeCloseTo(k * k, 9);
      }),
    );
  });
});

describe('spread of areas', () => {
  test('tape errors add in quadrature, a template’s linearly', () => {
    const two = (source: 'tape' | 'template') =>
      totalArea([
        { areaM2: 1, source },
        { areaM2: 1, source },
      ]).sigmaM2;
    expect(two('tape')).toBeCloseTo(0.03 * Math.SQRT2, 12);
    expect(two('template')).toBeCloseTo(0.16, 12);
    const [low, high] = areaRange({ areaM2: 2, sigmaM2: 0.16 });
    expect(low).toBeCloseTo(2 - 0.205, 3);
    expect(high).toBeCloseTo(2 + 0.205, 3);
  });

  test('areas add, whatever the source', () => {
    const part = fc.record({
      areaM2: fc.double({ min: 0.01, max: 20, noNaN: true }),
      source: fc.constantFrom('tape' as const, 'template' as const, 'trace' as const),
    });
    fc.assert(
      fc.property(fc.array(part), fc.array(part), (a, b) => {
        expect(totalArea([...a, ...b]).areaM2).toBeCloseTo(totalArea(a).areaM2 + totalArea(b).areaM2, 6);
        expect(totalArea([...a, ...b]).sigmaM2).toBeGreaterThanOrEqual(totalArea(a).sigmaM2 - 1e-12);
      }),
    );
  });
});

describe('crossings of an outline', () => {
  /** Every pair of edges in turn: what the grid has to agree with. */
  const slowly = (outline: Polygon): readonly [number, number] | null => {
    const { length } = outline;
    const edge = (index: number) => [outline[index]!, outline[(index + 1) % length]!] as const;
    for (let first = 0; first < length; first++) {
      for (let second = first + 2; second < length; second++) {
        if (first === 0 && second === length - 1) continue;
        if (segmentsMeet(edge(first), edge(second))) return [first, second];
      }
    }
    return null;
  };
  /** Millimetres to a thousandth, and small whole ones, so that edges touch and lie in one line. */
  const coordinate = fc.oneof(
    fc.integer({ min: -6, max: 6 }),
    fc.integer({ min: -1e7, max: 1e7 }).map((thousandths) => thousandths / 1000),
  );

  test('are the same as by comparing every edge with every other', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 24 }), (outline) => {
        expect(firstSelfCrossing(outline)).toEqual(slowly(outline));
      }),
      { numRuns: 2000 },
    );
  });

  test('are found in a hundred thousand corners without comparing them all', () => {
    const corners = 100_000;
    const round = Array.from({ length: corners }, (_, n): [number, number] => {
      const angle = (2 * Math.PI * n) / corners;
      return [1e6 * Math.cos(angle), 1e6 * Math.sin(angle)];
    });
    expect(firstSelfCrossing(round)).toBeNull();
    [round[4000], round[4001]] = [round[4001]!, round[4000]!];
    expect(firstSelfCrossing(round)).not.toBeNull();
  });
});
