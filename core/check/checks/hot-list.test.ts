import fc from 'fast-check';
import type { Point, Polygon } from '#core/item/geometry';
import { type CheckPanel, inWalk, placesOfRecord, placesOnNet, type Side } from '.';

const box = (x: number, y: number, w = 1000, h = 800): Polygon => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const panel = (id: string, outline: Polygon, more: Partial<CheckPanel> = {}): CheckPanel => ({
  id,
  outline,
  laid: true,
  ...more,
});
const told = (places: ReturnType<typeof placesOnNet>) =>
  places.map(({ why, surface, beside }) => [why, surface, ...beside].join(' '));

test('neighbours meet once in a joint, three in a corner, and what stands apart does not meet', () => {
  const places = placesOnNet(
    [
      panel('door', box(0, 0)),
      panel('wing', box(1010, 0)),
      panel('sill', box(0, 810, 2010, 150)),
      panel('roof', box(0, 4000)),
    ],
    [],
  );
  expect(told(places).filter((each) => each.startsWith('joint'))).toEqual([
    'joint door wing',
    'joint door sill',
    'joint wing sill',
  ]);
  expect(told(places).filter((each) => each.startsWith('corner'))).toHaveLength(1);
  expect(told(places)).toContain('whole roof');
  const joint = places.find(({ key }) => key === 'joint:door:wing')!;
  expect(joint.at[0]).toBeCloseTo(1, 1);
  expect(joint.at[1]).toBeCloseTo(0.5, 1);
});

test('only what was laid is looked at; a bare lamp beside it has its edge looked at, a mirror its underside', () => {
  const lamp = panel('lamp', box(1010, 0, 300, 300), { laid: false, kind: 'lamp' });
  expect(told(placesOnNet([panel('wing', box(0, 0)), lamp], []))).toEqual(['lamp wing lamp']);
  expect(told(placesOnNet([panel('mirror-left', box(0, 0, 250, 150), { kind: 'mirror' })], []))).toEqual([
    'mirror mirror-left',
  ]);
  expect(placesOnNet([panel('wing', box(0, 0), { laid: false })], [])).toEqual([]);
});

test('a short line within a panel is a handle, a long one a crease, and one across its edge is neither', () => {
  const lines: Point[][] = [
    [
      [100, 100],
      [300, 100],
    ],
    [
      [100, 400],
      [900, 400],
    ],
    [
      [900, 600],
      [1200, 600],
    ],
  ];
  expect(told(placesOnNet([panel('door', box(0, 0))], lines))).toEqual(['handle door', 'crease door']);
});

test('a seam lies where two sections meet, and what was levelled late is looked at whatever the net says', () => {
  const roof = panel('roof', box(0, 0));
  const half = (section: number, lateMin: number) => ({
    key: `roof/${section}`,
    surface: 'roof',
    section,
    sections: 2,
    outline: box(500 * (section - 1), 0, 500),
    lateMin,
  });
  const places = placesOfRecord([roof], [half(1, 0), half(2, 3)]);
  expect(places.map(({ why, at }) => [why, at[0].toFixed(1)])).toEqual([
    ['seam', '0.5'],
    ['late', '0.8'],
  ]);
});

test('law: every laid panel is on the list, each place once and within its panel, whatever lies beside what', () => {
  const aPanel = fc.record({
    x: fc.integer({ min: 0, max: 4 }),
    y: fc.integer({ min: 0, max: 4 }),
    laid: fc.boolean(),
    side: fc.constantFrom<Side | undefined>('front', 'left', 'right', 'top', undefined),
  });
  fc.assert(
    fc.property(
      fc.uniqueArray(aPanel, { selector: ({ x, y }) => `${x}/${y}`, minLength: 1, maxLength: 12 }),
      (drawn) => {
        const panels = drawn.map(({ x, y, laid, side }, nth) =>
          panel(`p${nth}`, box(x * 1020, y * 820), { laid, side }),
        );
        const places = inWalk(placesOnNet(panels, []), panels);
        expect(new Set(places.map(({ key }) => key)).size).toBe(places.length);
        const laid = panels.filter((each) => each.laid).map(({ id }) => id);
        // A joint of two laid panels stands at one of them.
        const reached = new Set(places.flatMap(({ surface, beside }) => [surface, ...beside]));
        for (const id of laid) expect(reached).toContain(id);
        for (const { surface, at } of places) {
          expect(laid).toContain(surface);
          for (const share of at) expect(share >= 0 && share <= 1).toBe(true);
        }
        // The walk goes round once: a side that was left is not come back to.
        const sides = places.map(({ surface }) => panels.find(({ id }) => id === surface)!.side ?? 'apart');
        const turns = sides.filter((side, nth) => side !== sides[nth - 1]);
        expect(new Set(turns).size).toBe(turns.length);
      },
    ),
  );
});
