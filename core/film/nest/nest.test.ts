import { Clipper, EndType, JoinType } from 'clipper2-ts';
import fc from 'fast-check';
import {
  boundingBox,
  boxed,
  overlapM2,
  type Point,
  type Polygon,
  polygonAreaM2,
  splitAlong,
} from '#core/item/geometry';
import { seeded } from '#core/measures';
import { templateById } from '#core/item/nets';
import { convexParts } from './convex-parts';
import { notClear } from './by-hand';
import { nest, type NestCase, type Nested, nesting } from './nest';
import { NoFit } from './no-fit';
import { type NestPiece, pieceKey, pieceKeys, turned } from './pieces';
import { lyingElsewhere, nestOnRolls } from './rolls';

const box = (w: number, h: number): Polygon => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];
const ELL: Polygon = [
  [0, 0],
  [600, 0],
  [600, 200],
  [200, 200],
  [200, 500],
  [0, 500],
];
const piece = (id: string, outline: Polygon, more: Partial<NestPiece> = {}): NestPiece => ({
  id,
  outline,
  count: 1,
  turns: [0, 180],
  ...more,
});
const job = (pieces: readonly NestPiece[], more: Partial<NestCase> = {}): NestCase => ({
  rollWidthMm: 1524,
  gapMm: 0,
  pieces,
  blocked: [],
  seed: 1,
  ...more,
});
const steps = (most: number) => {
  let left = most;
  return () => left-- <= 0;
};

/** Where a piece lies, worked out by nothing of the nesting itself. */
const lies = ({ pieces }: NestCase, { placements }: Nested): Polygon[] =>
  placements.map(({ id, turn, xMm, yMm }) =>
    turned(pieces.find((each) => each.id === id)!.outline, turn).map(([x, y]): Point => [x + xMm, y + yMm]),
  );

/** Nothing overlaps by more than 0.1 mm along its edges, nothing leaves the roll, everything is there once. */
function expectSound(asked: NestCase, nested: Nested): void {
  const outlines = lies(asked, nested);
  const drawn = outlines.map((outline) => boxed(outline));
  for (const [index, outline] of outlines.entries()) {
    const { minX, minY, maxX, maxY } = boundingBox(outline);
    expect([minX >= -0.1, minY >= -0.1, maxY <= asked.rollWidthMm + 0.1, maxX <= nested.lengthMm + 0.1]).toEqual([
      true,
      true,
      true,
      true,
    ]);
    for (const other of drawn.slice(index + 1)) {
      const edgeM = 4e-3 * Math.max(maxX - minX, maxY - minY);
      expect(overlapM2(drawn[index]!, other)).toBeLessThanOrEqual(1e-4 * edgeM);
    }
    for (const flaw of asked.blocked) expect(overlapM2(drawn[index]!, boxed(flaw))).toBeLessThanOrEqual(1e-6);
  }
  const asMany = asked.pieces.reduce((sum, { count }) => sum + count, 0);
  expect(nested.placements.length + nested.unplaced.length).toBe(asMany);
  expect(new Set(nested.placements.map(({ id, copy }) => `${id}/${copy}`)).size).toBe(nested.placements.length);
  expect(nested.boundMm).toBeLessThanOrEqual(nested.lengthMm + 0.1);
  const areaMm2 = 1e6 * outlines.reduce((sum, outline) => sum + polygonAreaM2(outline), 0);
  if (nested.placements.length > 0)
    expect(nested.usedShare).toBeCloseTo(areaMm2 / (asked.rollWidthMm * nested.lengthMm), 9);
}

/** A full sheet cut by straight lines: the best layout is known, it has no waste. */
function jigsaw(count: number, seed: number): NestPiece[] {
  const random = seeded(seed);
  const parts: Polygon[] = [
    [
      [0, 0],
      [3000, 0],
      [3000, 1524],
      [0, 1524],
    ],
  ];
  while (parts.length < count) {
    parts.sort((a, b) => polygonAreaM2(b) - polygonAreaM2(a));
    const whole = parts.shift()!;
    const [x, y] = whole.reduce(([sx, sy], [px, py]) => [sx + px / whole.length, sy + py / whole.length], [0, 0]);
    const angle = random() * Math.PI;
    const halves = splitAlong(whole, [x, y], [x + 100 * Math.cos(angle), y + 100 * Math.sin(angle)]);
    parts.push(...(halves.length === 2 ? halves : [whole]));
  }
  return parts.map((outline, index) =>
    piece(
      `p${index}`,
      outline.map(([x, y]): Point => [x - outline[0]![0], y - outline[0]![1]]),
    ),
  );
}

/** A convex outline with each edge moved inwards. */
function smaller(outline: Polygon, byMm: number): Polygon {
  const [path] = Clipper.inflatePathsD(
    [outline.map(([x, y]) => ({ x, y }))],
    -byMm,
    JoinType.Miter,
    EndType.Polygon,
    20,
    4,
  );
  return path!.map(({ x, y }): Point => [x, y]);
}

describe('parts and places', () => {
  test('any outline of the templates is covered by its convex parts, once', () => {
    const { panels } = templateById('hatchback')!.unfold(templateById('hatchback')!.usual);
    for (const { id, outlineMm } of [...panels, { id: 'ell', outlineMm: ELL }]) {
      const parts = convexParts(outlineMm);
      const sum = parts.reduce((total, part) => total + polygonAreaM2(part), 0);
      expect([id, Math.abs(sum - polygonAreaM2(outlineMm)) < 1e-4]).toEqual([id, true]);
    }
    expect(convexParts(box(3, 4))).toHaveLength(1);
    expect(convexParts(ELL).length).toBeLessThanOrEqual(3);
  });
  test('law: two pieces overlap just where the no-fit polygon says so, and pushed as deep they are clear', () => {
    const noFit = new NoFit(convexParts(ELL), convexParts(box(150, 90)));
    const place = fc.tuple(
      fc.double({ min: -200, max: 700, noNaN: true }),
      fc.double({ min: -150, max: 600, noNaN: true }),
    );
    fc.assert(
      fc.property(place, ([x, y]) => {
        const push = { depth: 0, nx: 0, ny: 0 };
        const depth = noFit.depthAt(x, y, push);
        const moved = box(150, 90).map(([px, py]): Point => [px + x, py + y]);
        const overlap = overlapM2(boxed(ELL), boxed(moved));
        if (depth === 0) expect(overlap).toBeLessThan(1e-6);
        else if (depth > 1) expect(overlap).toBeGreaterThan(0);
        expect(Math.hypot(push.nx, push.ny)).toBeCloseTo(depth > 0 ? 1 : 0, 6);
      }),
    );
  });
});

describe('a nest', () => {
  test('of rectangles that fill the roll is as short as its bound', () => {
    const asked = job([piece('half', box(500, 762), { count: 4 })]);
    const nested = nest(asked, steps(50));
    expect(nested.lengthMm).toBeCloseTo(1000, 3);
    expect(nested.boundMm).toBeCloseTo(1000, 6);
    expectSound(asked, nested);
  });
  test('turns what may be turned, and only as it may', () => {
    const long = piece('long', box(1800, 300), { turns: [0, 90] });
    expect(nest(job([long]), steps(20))).toMatchObject({ placements: [{ turn: 0 }] });
    const asked = job([piece('tall', box(200, 1500), { turns: [0, 90], count: 2 })]);
    expect(nest(asked, steps(20)).lengthMm).toBeCloseTo(400, 3);
    expect(
      nest(job([piece('one-way', box(300, 1000), { turns: [0], count: 3 })]), steps(20)).placements.every(
        ({ turn }) => turn === 0,
      ),
    ).toBe(true);
  });
  test('keeps its gap, its flaws and its roll; what fits no way is said', () => {
    const flaw: Polygon = [
      [0, 0],
      [400, 0],
      [400, 1524],
      [0, 1524],
    ];
    const asked = job([piece('a', ELL, { count: 3 }), piece('wide', box(2000, 2000))], {
      gapMm: 6,
      blocked: [flaw],
      rollLengthMm: 1600,
    });
    const nested = nest(asked, steps(400));
    expect(nested.unplaced).toContainEqual({ id: 'wide', copy: 1 });
    expectSound(asked, nested);
    for (const outline of lies(asked, nested)) expect(boundingBox(outline).minX).toBeGreaterThanOrEqual(400 + 6 - 0.1);
    const wide = nested.placements.map((_, index) => lies(asked, nested)[index]!);
    for (const [index, one] of wide.entries())
      for (const other of wide.slice(index + 1))
        for (const [x, y] of one)
          for (const [ox, oy] of other) expect(Math.hypot(x - ox, y - oy)).toBeGreaterThan(6 - 0.1);
    const tight = nest(job([piece('b', box(1000, 1500), { count: 3 })], { rollLengthMm: 2100 }), steps(50));
    expect([tight.placements.length, tight.unplaced.length]).toEqual([2, 1]);
  });
  test('is the same for the same seed and steps, and never worse than before', () => {
    const asked = job(jigsaw(12, 5));
    const lengths: number[] = [];
    const first = nest(asked, steps(250), ({ lengthMm }) => lengths.push(lengthMm));
    expect(nest(asked, steps(250))).toEqual(first);
    expect(lengths).toEqual(lengths.toSorted((a, b) => b - a));
    expectSound(asked, first);
  });
  test('law: whatever is asked, nothing overlaps, nothing leaves the roll, and the bound is never above a known answer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 9 }),
        fc.integer({ min: 1, max: 1e6 }),
        fc.constantFrom(0, 3),
        (count, seed, gapMm) => {
          const asked = job(jigsaw(count, seed), { gapMm, seed });
          const nested = nest(asked, steps(60));
          expectSound(asked, nested);
          expect(nested.boundMm).toBeLessThanOrEqual(3000 + 1e-6);
        },
      ),
      { numRuns: 15 },
    );
  });
  test.each([3, 4])('what was cut from one sheet finds its way back into it: pieces of seed %i', (seed) => {
    for (const gapMm of [0, 3]) {
      const whole = jigsaw(20, seed);
      const shrunk =
        gapMm === 0 ? whole : whole.map((each) => ({ ...each, outline: smaller(each.outline, gapMm / 2) }));
      const asked = job(shrunk, { gapMm });
      const nested = nest(asked, steps(6000));
      expectSound(asked, nested);
      expect(nested.lengthMm).toBeLessThan(3000 * 1.03);
    }
  });
  test('law: what is pinned stays, the rest lies clear of it, and no shorter nest is claimed than it allows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2000 }), fc.integer({ min: 0, max: 1000 }), (xMm, yMm) => {
        const pinned = [{ id: 'ell', copy: 1, turn: 0, xMm, yMm }];
        const asked = job([piece('ell', ELL, { count: 3 }), ...jigsaw(5, 8)], { pinned, gapMm: 2 });
        const nested = nest(asked, steps(80));
        expectSound(asked, nested);
        expect(nested.placements[0]).toEqual(pinned[0]);
        expect(nested.boundMm).toBeGreaterThanOrEqual(xMm + 600);
      }),
      { numRuns: 15 },
    );
    expect(() =>
      nest(job([piece('ell', ELL)], { pinned: [{ id: 'x', copy: 1, turn: 0, xMm: 0, yMm: 0 }] }), steps(1)),
    ).toThrow('x is no piece');
  });
  test('goes on from where it was: never longer than that, and what does not fit any more is laid anew', () => {
    const asked = job(jigsaw(12, 5));
    const first = nest(asked, steps(400));
    const on = nest({ ...asked, from: first.placements, seed: 9 }, steps(1));
    expect(on.lengthMm).toBeLessThanOrEqual(first.lengthMm + 1e-9);
    const narrower = { ...asked, rollWidthMm: 1400, from: first.placements };
    expectSound(narrower, nest(narrower, steps(30)));
  });
  test('the front of a hatchback takes less than its boxes would', () => {
    const { panels } = templateById('hatchback')!.unfold(templateById('hatchback')!.usual);
    const front = panels.filter(({ id }) => /^(bonnet|front-bumper|front-wing|mirror-|headlamp-|sill-)/.test(id));
    const pieces = front.map(({ id, outlineMm }) => piece(id, outlineMm, { turns: [0, 180] }));
    const asked = job(pieces, { gapMm: 4 });
    const nested = nest(asked, steps(60));
    expectSound({ ...asked, gapMm: 0 }, nested);
    const boxes = pieces.map(({ id, outline, turns }) => {
      const { minX, minY, maxX, maxY } = boundingBox(outline);
      return piece(id, box(maxX - minX, maxY - minY), { turns });
    });
    expect(front.length).toBeGreaterThan(5);
    expect(nested.lengthMm).toBeLessThan(0.97 * nest(job(boxes, { gapMm: 4 }), steps(60)).lengthMm);
  });
  test('a short roll takes as much film as it can, and law: over rolls in order every copy lies once, clear, where it was pinned', () => {
    // A large piece or two small ones: the large one is more film.
    const short = job([piece('large', box(900, 1400)), piece('small', box(900, 300), { count: 2 })], {
      rollLengthMm: 1000,
    });
    expect(nest(short, steps(200)).placements.map(({ id }) => id)).toEqual(['large']);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 60, max: 700 }), fc.integer({ min: 60, max: 700 })), {
          minLength: 1,
          maxLength: 9,
        }),
        fc.integer({ min: 1, max: 3 }),
        (sizes, copies) => {
          const pieces = sizes.map(([w, h], index) => piece(`p${index}`, box(w, h), { count: copies }));
          const pinned = { id: 'p0', copy: 1, turn: 0, xMm: 100, yMm: 0 };
          const rolls = [
            job(pieces, { rollWidthMm: 500, rollLengthMm: 700 }),
            job(pieces, { rollLengthMm: 900, pinned: [pinned] }),
            job(pieces),
          ];
          const found = nestOnRolls(rolls, () => true);
          const keys = found.flatMap(({ placements }) => placements.map(pieceKey));
          expect(keys.toSorted()).toEqual(pieceKeys(pieces).toSorted());
          expect(found[1]!.placements).toContainEqual(pinned);
          found.forEach((nested, index) => {
            const roll = {
              ...rolls[index]!,
              elsewhere: lyingElsewhere(
                found.map((each) => each.placements),
                index,
              ),
            };
            expect(notClear(roll, nested.placements)).toEqual([]);
            expect(nested.lengthMm).toBeLessThanOrEqual(roll.rollLengthMm ?? Infinity);
            expect(nested.boundMm).toBeLessThanOrEqual(nested.lengthMm + 0.1);
          });
        },
      ),
      { numRuns: 40 },
    );
  });
  test('nothing to nest is no length; one who asks may stop at any step', () => {
    expect([...nesting(job([]))].filter((each) => each)).toMatchObject([{ lengthMm: 0, placements: [] }]);
    expect(nest(job(jigsaw(6, 2)), () => true).placements).toHaveLength(6);
  });
});
