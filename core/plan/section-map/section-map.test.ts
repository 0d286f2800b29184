import fc from 'fast-check';
import {
  boundingBox,
  containsPoint,
  overlapM2,
  boxed,
  type Point,
  type Polygon,
  polygonAreaM2,
} from '#core/item/geometry';
import { arrange, TEMPLATES } from '#core/item/nets';
import { cutPanel } from './cut-panel';
import { inWorkOrder } from './work-order';
import { type PanelOnSheet, workPatches } from './work-patches';

const box = (x: number, y: number, w: number, h: number): Polygon => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const panel = (surface: string, outline: Polygon, more: Partial<PanelOnSheet> = {}): PanelOnSheet => ({
  surface,
  outline,
  sections: 1,
  maxM2: 1,
  areaM2: polygonAreaM2(outline),
  count: 1,
  amount: 10 * polygonAreaM2(outline),
  onePiece: false,
  startMin: 0,
  zone: 'left',
  ...more,
});

describe('a panel is cut', () => {
  const roof = box(0, 0, 2000, 1000);
  test('across its longer side, and not through its middle where the limit leaves room', () => {
    const tight = cutPanel(roof, 2, 0.5, []);
    expect(tight.places[0]).toBeCloseTo(1000, 3);
    const [place] = cutPanel(roof, 2, 0.65, []).places;
    expect(Math.abs(place! - 1000)).toBeCloseTo(240, 3);
    // Three sections have no seam in the middle.
    expect(cutPanel(roof, 3, 0.4, []).places.map(Math.round)).toEqual([667, 1333]);
  });
  test('on a body line that runs there, as long as no section is over the limit', () => {
    const crease: Point[] = [
      [1180, 20],
      [1200, 980],
    ];
    expect(cutPanel(roof, 2, 0.65, [crease])).toMatchObject({ places: [1190], onCreases: 1 });
    expect(cutPanel(roof, 2, 0.55, [crease]).onCreases).toBe(0);
    // A line that is short, or runs another way, is none.
    expect(
      cutPanel(roof, 2, 0.65, [
        [
          [1200, 20],
          [1200, 300],
        ],
      ]).onCreases,
    ).toBe(0);
    expect(
      cutPanel(roof, 3, 0.65, [
        [
          [100, 500],
          [1900, 500],
        ],
      ]).onCreases,
    ).toBe(0);
  });
  test('lengthwise along a line that runs along it, where two sections do', () => {
    const along: Point[] = [
      [30, 400],
      [1970, 410],
    ];
    expect(cutPanel(roof, 2, 0.65, [along])).toMatchObject({ axis: 1, places: [405] });
  });
});

test('law: the sections of every panel of every template lie inside it, cover it exactly once, and keep the limit', () => {
  for (const template of TEMPLATES) {
    const { panels, linework } = arrange({
      surfaces: template.unfold(template.usual).panels.map(({ id, outlineMm }) => ({
        id,
        shape: { kind: 'polygon', pointsMm: outlineMm },
        count: 1,
        measuredBy: 'template',
        onSheet: true,
      })),
      item: { template: { id: template.id, ...template.usual } },
    });
    for (const [nth, { id, outline }] of panels.entries()) {
      const whole = polygonAreaM2(outline);
      for (const sections of [2, [3, 5][nth % 2]!]) {
        const most = 1.2 / sections;
        const { pieces } = cutPanel(outline, sections, most, linework);
        const areas = pieces.map(polygonAreaM2);
        expect([template.id, id, pieces.length]).toEqual([template.id, id, sections]);
        expect(areas.reduce((sum, area) => sum + area, 0)).toBeCloseTo(whole, 6);
        expect(Math.max(...areas)).toBeLessThanOrEqual(whole * most + 1e-6);
        const [outer, all] = [boundingBox(outline), boundingBox(pieces.flat())];
        expect(all.minX).toBeGreaterThanOrEqual(outer.minX - 1e-6);
        expect(all.maxY).toBeLessThanOrEqual(outer.maxY + 1e-6);
        const drawn = pieces.map((piece) => boxed(piece));
        const overlaps = drawn.flatMap((piece, index) =>
          drawn.slice(index + 1).map((other) => overlapM2(piece, other)),
        );
        expect(Math.max(...overlaps)).toBeLessThan(1e-4);
      }
    }
  }
});

describe('patches of work', () => {
  const wing = panel('wing', box(0, 0, 500, 400), { startMin: 5 });
  const mirror = panel('mirror', box(520, 0, 200, 150), { startMin: 8 });
  const door = panel('door', box(730, 0, 1100, 900), { startMin: 12, sections: 2, maxM2: 0.6 });
  test('are numbered in the order of work; neighbours share one where the tighter limit holds for all of it', () => {
    const patches = workPatches([door, mirror, wing], []);
    expect(
      patches.map(({ number, pieces }) => [number, pieces.map(({ surface, section }) => `${surface} ${section}`)]),
    ).toEqual([
      [1, ['wing 1', 'mirror 1']],
      [2, ['door 1']],
      [3, ['door 2']],
    ]);
    expect(patches[0]!.amount).toBeCloseTo(wing.amount + mirror.amount, 9);
  });
  test('not where the limit is tighter for one, another zone lies between, one goes in one piece, or they lie apart', () => {
    const numbers = (...panels: PanelOnSheet[]) => workPatches(panels, []).length;
    expect(numbers(wing, mirror)).toBe(1);
    expect(numbers({ ...wing, maxM2: 0.21 }, mirror)).toBe(2);
    expect(numbers(wing, { ...mirror, zone: 'top' })).toBe(2);
    expect(numbers({ ...wing, onePiece: true }, mirror)).toBe(2);
    expect(numbers(wing, { ...mirror, outline: box(900, 0, 200, 150) })).toBe(2);
    expect(numbers(wing, { ...mirror, count: 2 })).toBe(2);
  });
  test('what goes in one piece whatever its size says so, and that it is too large today', () => {
    const [tank] = workPatches([panel('tank', box(0, 0, 900, 700), { onePiece: true, maxM2: 0.3 })], []);
    expect(tank).toMatchObject({ onePiece: true, tooLarge: true });
  });
  test('law: every square metre and every drop stands in one patch', () => {
    const some = fc.array(
      fc.record({
        w: fc.integer({ min: 50, max: 2500 }),
        h: fc.integer({ min: 50, max: 1500 }),
        at: fc.integer({ min: 0, max: 60 }),
        sections: fc.integer({ min: 1, max: 6 }),
      }),
      { minLength: 1, maxLength: 25 },
    );
    fc.assert(
      fc.property(some, (sizes) => {
        const panels = sizes.map(({ w, h, at, sections }, index) => {
          const outline = box(index * 2600, 0, w, h);
          return panel(`p${index}`, outline, {
            startMin: at,
            sections,
            maxM2: (1.1 * polygonAreaM2(outline)) / sections,
          });
        });
        const patches = workPatches(panels, []);
        const sum = (of: (patch: (typeof patches)[number]) => number) =>
          patches.reduce((total, patch) => total + of(patch), 0);
        expect(sum(({ areaM2 }) => areaM2)).toBeCloseTo(
          panels.reduce((total, { areaM2 }) => total + areaM2, 0),
          6,
        );
        expect(sum(({ amount }) => amount)).toBeCloseTo(
          panels.reduce((total, { amount }) => total + amount, 0),
          5,
        );
        expect(patches.every(({ tooLarge }) => !tooLarge)).toBe(true);
        for (const { pieces } of patches) {
          for (const { surface, outline } of pieces) {
            const [x, y] = outline.reduce(
              ([sx, sy], [px, py]) => [sx + px / outline.length, sy + py / outline.length],
              [0, 0],
            );
            expect(containsPoint(panels.find((each) => each.surface === surface)!.outline, [x, y])).toBe(true);
          }
        }
      }),
    );
  });
});

describe('ways round an item', () => {
  const at = (id: string, zone: string, x: number, y: number, substrate = 'clear-gloss' as const) => ({
    id,
    zone,
    substrate,
    outline: box(x, y, 100, 100),
  });
  const car = [
    at('sill-left', 'left', 1000, 0),
    at('door-left', 'left', 1000, 400),
    at('roof', 'top', 1000, 700),
    at('door-right', 'right', 1000, 1400),
    at('nose', 'front', 0, 700),
    at('tail', 'rear', 2000, 700),
    { ...at('screen', 'top', 700, 700), substrate: 'windscreen' as const },
    { id: 'badge', substrate: 'clear-gloss' as const },
  ];
  test('top down: the roof before the sides, each side from its upper edge', () => {
    expect(inWorkOrder(car, 'top-down', false)).toEqual([
      'roof',
      'screen',
      'door-left',
      'sill-left',
      'door-right',
      'nose',
      'tail',
      'badge',
    ]);
  });
  test('once round from the nose, the roof first or last, glass last', () => {
    const round = inWorkOrder(car, 'clockwise', true);
    expect(round).toEqual(['roof', 'nose', 'sill-left', 'door-left', 'tail', 'door-right', 'badge', 'screen']);
    expect(inWorkOrder(car, 'roof-last', false).slice(-3)).toEqual(['screen', 'roof', 'badge']);
  });
  test('law: every panel once, whatever the school', () => {
    for (const school of ['top-down', 'clockwise', 'roof-last'] as const)
      for (const glass of [false, true])
        expect(inWorkOrder(car, school, glass).toSorted()).toEqual(car.map(({ id }) => id).toSorted());
  });
});
