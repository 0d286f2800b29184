import fc from 'fast-check';
import { boundingBox, boxed, overlapM2, type Point, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import { templateById } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { blanksOf, type FilmPanel, SPLIT_OVERLAP_MM, TRIM_MM, WRAP_MM } from './blanks';
import { edgesOf } from './edges';

const box = (w: number, h: number, x = 0, y = 0): Polygon => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const panel = (outline: Polygon, more: Partial<FilmPanel> = {}): FilmPanel => ({
  id: 'door',
  name: 'Door',
  outline,
  substrate: 'clear-gloss',
  curvature: 1,
  count: 1,
  ...more,
});
const BARE = (
  [
    [0.5, 0],
    [1, 0.5],
    [0.5, 1],
    [0, 0.5],
  ] as const
).map((at) => ({ at, wraps: false }));
const ROLL = { rollWidthMm: 1524, stretchPct: 45 };
const ALONE = { neighbours: [], linework: [] };
const one = (...args: Parameters<typeof blanksOf>) => blanksOf(...args)[0]!;

describe('edges', () => {
  test('run from corner to corner, whatever the steps between', () => {
    const many: Polygon = box(800, 600).flatMap(([x, y], index, all): Point[] => {
      const [nx, ny] = all[(index + 1) % 4]!;
      return [0, 0.25, 0.5, 0.75].map((share): Point => [x + share * (nx - x), y + share * (ny - y)]);
    });
    expect(edgesOf(many).map(({ points }) => points.length)).toEqual([5, 5, 5, 5]);
    const round: Polygon = Array.from({ length: 40 }, (_, nth): Point => [
      300 * Math.cos((nth * Math.PI) / 20),
      300 * Math.sin((nth * Math.PI) / 20),
    ]);
    expect(edgesOf(round)).toHaveLength(1);
  });
  test('law: every edge of every template’s panels is there once and they close the outline', () => {
    const template = templateById('hatchback')!;
    const usual = template.unfold(template.usual).panels;
    usual.forEach(({ outlineMm }) => {
      const edges = edgesOf(outlineMm);
      edges.forEach(({ points }, index) => {
        expect(points.at(-1)).toEqual(edges[(index + 1) % edges.length]!.points[0]);
      });
      expect(edges.reduce((sum, { points }) => sum + points.length - 1, 0)).toBe(outlineMm.length);
    });
  });
});

describe('a blank', () => {
  test('of a flat door alone is the door with its wrap: relieved at its four corners', () => {
    const blank = one(panel(box(800, 600)), ROLL, 'kit', ALONE);
    expect(boundingBox(blank.outline)).toEqual({
      minX: -WRAP_MM,
      minY: -WRAP_MM,
      maxX: 800 + WRAP_MM,
      maxY: 600 + WRAP_MM,
    });
    expect(blank.reliefs).toHaveLength(4);
    expect(blank.areaM2).toBeCloseTo(((800 + 2 * WRAP_MM) * (600 + 2 * WRAP_MM)) / 1e6, 4);
  });
  test('corners over ninety degrees are relieved, from just before the corner to the blank’s edge', () => {
    const sharp: Polygon = [
      [0, 0],
      [900, 0],
      [0, 500],
    ];
    const { reliefs } = one(panel(sharp), ROLL, 'kit', ALONE);
    expect(reliefs.length).toBeGreaterThanOrEqual(2);
    for (const [from, to] of reliefs) expect(Math.hypot(to[0] - from[0], to[1] - from[1])).toBeGreaterThan(WRAP_MM / 2);
  });
  test('no wrap where glass begins, and one’s own word goes before', () => {
    const glass = { id: 'glass', outline: box(800, 300, 0, 606), substrate: 'glass' } as const;
    const around = { neighbours: [glass], linework: [] };
    expect(boundingBox(one(panel(box(800, 600)), ROLL, 'kit', around).outline).maxY).toBeCloseTo(600, 6);
    const own = boundingBox(
      one(panel(box(800, 600), { edges: [...BARE, { at: [0.5, 1], wraps: true }] }), ROLL, 'kit', around).outline,
    );
    expect([own.minY, own.maxY]).toEqual([0, 600 + WRAP_MM]);
  });
  test('bulk leaves room to trim all round, a kit none', () => {
    expect(boundingBox(one(panel(box(800, 600), { edges: BARE }), ROLL, 'kit', ALONE).outline).maxX).toBe(800);
    expect(boundingBox(one(panel(box(800, 600), { edges: BARE }), ROLL, 'bulk', ALONE).outline).maxX).toBeCloseTo(
      800 + TRIM_MM,
    );
  });
  test('is open over what is let in, wider over a sensor; what lies beside it cuts nothing', () => {
    const neighbours = [
      { id: 'sensor', outline: box(22, 22, 300, 300), substrate: 'sensor', keepClear: true },
      { id: 'badge', outline: box(60, 30, 100, 100), substrate: 'chrome' },
      { id: 'wing', outline: box(500, 600, 804, 0), substrate: 'clear-gloss' },
    ] as const;
    const handle: Polygon = [...box(180, 40, 500, 400), [500, 400]];
    const { cutOuts } = one(panel(box(800, 600)), ROLL, 'kit', { neighbours, linework: [handle] });
    const sizes = cutOuts.map((each) => Math.round(boundingBox(each).maxX - boundingBox(each).minX));
    expect(sizes).toEqual([22 + 12, 60 + 4, 180 + 4]);
  });
  test('wider than the roll: in two that lie over each other, cut where a body line hides it', () => {
    const narrow = { ...ROLL, rollWidthMm: 610 };
    const blanks = blanksOf(panel(box(1500, 900)), narrow, 'kit', {
      neighbours: [],
      linework: [
        [
          [100, 520],
          [1400, 525],
        ],
      ],
    });
    expect(blanks).toHaveLength(2);
    const [lower, upper] = blanks.map(({ outline }) => boundingBox(outline));
    expect(lower!.maxY - upper!.minY).toBeCloseTo(SPLIT_OVERLAP_MM, 3);
    expect((lower!.maxY + upper!.minY) / 2).toBeCloseTo(522.5, 0);
    for (const { outline } of blanks)
      expect(boundingBox(outline).maxY - boundingBox(outline).minY).toBeLessThanOrEqual(610);
  });
  test('up is towards the roof on either side, towards the tail on the bonnet', () => {
    const ups = (['left', 'right', 'top', 'rear'] as const).map(
      (zone) => one(panel(box(9, 9), { zone }), ROLL, 'kit', ALONE).up,
    );
    expect(ups).toEqual([
      [0, -1],
      [0, 1],
      [1, 0],
      [-1, 0],
    ]);
  });
  test('stretch beyond what the film has in hand is flagged: a mirror, not a door', () => {
    expect(one(panel(box(200, 150), { curvature: 1.5 }), ROLL, 'kit', ALONE).stretch).toMatchObject({
      neededPct: 50,
      inHandPct: 22.5,
      isTooMuch: true,
    });
    expect(one(panel(box(800, 600), { curvature: 1.06 }), ROLL, 'kit', ALONE).stretch.isTooMuch).toBe(false);
  });
  test('law: the blanks of any panel cover it, fit the roll or are split, and left is not right', () => {
    const template = templateById('hatchback')!;
    const { panels, linework } = template.unfold(template.usual);
    const neighbours = panels.map(({ id, outlineMm, substrate }) => ({ id, outline: outlineMm, substrate }));
    const painted = panels.filter(({ substrate }) => SUBSTRATES[substrate].gaugeReads);
    fc.assert(
      fc.property(
        fc.constantFrom(...painted),
        fc.constantFrom('kit', 'bulk'),
        fc.constantFrom(305, 610, 1524),
        ({ id, name, outlineMm, substrate }, school, rollWidthMm) => {
          const asked = panel(outlineMm, { id, name, substrate });
          const blanks = blanksOf(asked, { ...ROLL, rollWidthMm }, school, { neighbours, linework });
          const covered = blanks.reduce((sum, { outline }) => sum + overlapM2(boxed(outline), boxed(outlineMm)), 0);
          expect(covered).toBeGreaterThanOrEqual(polygonAreaM2(outlineMm) * 0.999);
          for (const { outline } of blanks) {
            const { minX, maxX, minY, maxY } = boundingBox(outline);
            expect(Math.min(maxX - minX, maxY - minY)).toBeLessThanOrEqual(rollWidthMm + 1e-6);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
