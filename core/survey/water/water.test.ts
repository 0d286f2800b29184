/** Reading water: a drop from its side, and a wet picture laid over the sheet. */
import fc from 'fast-check';
import type { Point } from '#core/item/geometry';
import { angleFromTouches, besideBare, contactAngleDeg, matchPicture, moved, turnedBack, type Laying } from '.';

test('a drop 2.1 mm high on a base of 3.4 mm stands at 102.0°; a half ball at 90°, a flat film near nothing', () => {
  expect(contactAngleDeg(2.1, 3.4)).toBeCloseTo(102.0, 1);
  expect(contactAngleDeg(1, 2)).toBeCloseTo(90, 10);
  expect(contactAngleDeg(0.01, 10)).toBeLessThan(0.3);
  for (const [h, w] of [
    [0, 1],
    [1, 0],
    [-1, 2],
    [NaN, 1],
  ])
    expect(() => contactAngleDeg(h!, w!)).toThrow(RangeError);
});

const aPoint = fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 }));

test('the angle is the same however the picture is turned or enlarged, and surer the larger the drop is in it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 4, noNaN: true }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      fc.double({ min: 20, max: 900, noNaN: true }),
      aPoint,
      (h, turn, scale, [ox, oy]) => {
        const at = (x: number, y: number): Point => [
          ox + scale * (x * Math.cos(turn) - y * Math.sin(turn)),
          oy + scale * (x * Math.sin(turn) + y * Math.cos(turn)),
        ];
        const read = angleFromTouches(at(-1, 0), at(1, 0), at(0.1, -h), 2)!;
        expect(read.deg).toBeCloseTo(contactAngleDeg(h, 2), 6);
        const closer = angleFromTouches(at(-2, 0), at(2, 0), at(0.2, -2 * h), 2)!;
        expect(closer.sigmaDeg).toBeLessThan(read.sigmaDeg);
      },
    ),
  );
  expect(angleFromTouches([0, 0], [0, 0], [1, 1], 1)).toBeUndefined();
  expect(angleFromTouches([0, 0], [4, 0], [2, 0], 1)).toBeUndefined();
});

test('its error is that of many touches that each miss by as much', () => {
  // A fixed sequence, so that it never fails by chance.
  let seed = 7;
  const uniform = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const miss = () => 2 * Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
  const off = ([x, y]: Point): Point => [x + miss(), y + miss()];
  const [left, right, top]: readonly Point[] = [
    [0, 0],
    [170, 0],
    [85, -105],
  ];
  const reads = Array.from({ length: 4000 }, () => angleFromTouches(off(left!), off(right!), off(top!), 2)!.deg);
  const mean = reads.reduce((sum, deg) => sum + deg, 0) / reads.length;
  const sigma = Math.sqrt(reads.reduce((sum, deg) => sum + (deg - mean) ** 2, 0) / reads.length);
  expect(sigma / angleFromTouches(left!, right!, top!, 2)!.sigmaDeg).toBeCloseTo(1, 1);
});

test('a coat is told from bare paint only as far as the readings are sure', () => {
  const at = (deg: number, sigmaDeg: number) => ({ deg, sigmaDeg });
  expect([
    besideBare(at(104, 3), at(70, 3)),
    besideBare(at(72, 3), at(70, 3)),
    besideBare(at(104, 12), at(70, 12)),
  ]).toEqual(['stands', 'like-bare', 'unsure']);
});

/** How a picture may lie: turned, scaled, held at a slant, put somewhere. */
const aLaying = fc
  .tuple(
    fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
    fc.double({ min: 0.3, max: 3, noNaN: true }),
    fc.double({ min: 0.3, max: 1.5, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
    aPoint,
  )
  .map(([turn, across, down, slant, [e, f]]): Laying => {
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    return [across * cos, across * sin, slant * cos - down * sin, slant * sin + down * cos, e, f];
  });

/** Not on one line, which would only say how it is turned. */
const SPREAD: readonly Point[] = [
  [0, 0],
  [90, 10],
  [20, 70],
];

test('a picture is laid by its points as it was taken, back and forth, whatever its slant', () => {
  fc.assert(
    fc.property(aLaying, fc.array(aPoint, { maxLength: 5 }), (laying, more) => {
      const places = [...SPREAD, ...more];
      const match = matchPicture(places.map((place) => ({ picture: place, sheet: moved(laying, place) })))!;
      expect(match.offMm).toBeLessThan(1e-6);
      const place: Point = [31, -17];
      const there = moved(match.toSheet, place);
      expect(Math.hypot(there[0] - moved(laying, place)[0], there[1] - moved(laying, place)[1])).toBeLessThan(1e-6);
      const back = moved(turnedBack(match.toSheet), there);
      expect(Math.hypot(back[0] - 31, back[1] + 17)).toBeLessThan(1e-6);
    }),
  );
});

test('two points turn and scale it, a third says where it was held at a slant, one too many how far off it is', () => {
  const of = (...pairs: readonly [number, number, number, number][]) =>
    matchPicture(pairs.map(([x, y, u, v]) => ({ picture: [x, y], sheet: [u, v] })));
  const two = of([0, 0, 100, 100], [10, 0, 100, 300])!;
  expect([moved(two.toSheet, [0, 5]).map(Math.round), two.offMm]).toEqual([[0, 100], 0]);
  const three = of([0, 0, 0, 0], [10, 0, 100, 0], [0, 10, 0, 50])!;
  expect(moved(three.toSheet, [5, 5]).map(Math.round)).toEqual([50, 25]);
  expect(of([0, 0, 0, 0], [10, 0, 100, 0], [0, 10, 0, 50], [10, 10, 140, 90])!.offMm).toBeGreaterThan(10);
  expect([of([0, 0, 1, 1]), of([3, 3, 0, 0], [3, 3, 9, 9]), of([0, 0, 5, 5], [9, 9, 5, 5])]).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
  // Three on one line: turned and scaled as two would be.
  expect(moved(of([0, 0, 0, 0], [5, 0, 50, 0], [10, 0, 100, 0])!.toSheet, [0, 1]).map(Math.round)).toEqual([0, 10]);
});
