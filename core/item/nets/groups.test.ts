import fc from 'fast-check';
import { boundingBox, containsPoint, type Point, shapeAreaM2 } from '#core/item/geometry';
import { SUBSTRATES } from '#core/item/substrates';
import { type GroupId, SURFACE_GROUPS } from './groups';
import type { Sizes } from './sizes';
import { asksFor, type ItemTemplate, sizeFaults } from './template';
import { templateById, TEMPLATES } from './templates';

// Generous: the machine may be busy with a browser.

function sizes(template: ItemTemplate): fc.Arbitrary<Sizes> {
  const within = ([low, high]: readonly [number, number]) => fc.integer({ min: low, max: high });
  const each = Object.fromEntries(asksFor(template).map(({ key }) => [key, within(template.plausible[key]!)]));
  return fc.record(each).filter((size) => sizeFaults(template, size).length === 0);
}
const groupAt = (template: ItemTemplate, group: GroupId, size: Sizes) =>
  SURFACE_GROUPS[group].surfaces(template.unfold(size), size);
const areaOf = (template: ItemTemplate, group: GroupId, size: Sizes) =>
  groupAt(template, group, size).reduce((sum, { shape, count }) => sum + shapeAreaM2(shape) * count, 0);

describe.each(TEMPLATES.map((template) => [template.id, template] as const))('groups of the %s', (_, template) => {
  test('have surfaces of their own names, with an area, at any size', () => {
    fc.assert(
      fc.property(sizes(template), (size) => {
        const taken = new Set(template.unfold(size).panels.map(({ id }) => id));
        for (const group of template.groups) {
          for (const { id, shape, count } of groupAt(template, group, size)) {
            expect([id, taken.has(id)]).toEqual([id, false]);
            taken.add(id);
            expect(shapeAreaM2(shape)).toBeGreaterThan(0);
            expect(count).toBeGreaterThanOrEqual(1);
          }
        }
      }),
      { numRuns: 6 },
    );
  });
});

test.each(['hatchback', 'saloon', 'off-roader', 'high-van', 'pick-up', 'minibus'])(
  'cameras and sensors of the %s lie wholly in their panels at any size, and nothing may be laid on them',
  (id) => {
    const template = templateById(id)!;
    fc.assert(
      fc.property(sizes(template), (size) => {
        const { panels } = template.unfold(size);
        const sensors = groupAt(template, 'sensors', size);
        expect(sensors.length).toBeGreaterThanOrEqual(8);
        for (const { id: sensor, shape, substrate } of sensors) {
          expect([id, SUBSTRATES[substrate].keepClear === true]).toEqual([id, substrate !== 'camera-lens']);
          const { pointsMm } = shape as { pointsMm: readonly Point[] };
          const { minX, maxX, minY, maxY } = boundingBox(pointsMm);
          const host = panels.find((panel) => containsPoint(panel.outlineMm, [(minX + maxX) / 2, (minY + maxY) / 2]));
          expect([sensor, host && sensor.startsWith(host.id)]).toEqual([sensor, true]);
        }
      }),
      { numRuns: 10 },
    );
  },
);

test('a longer item has longer seals and jambs, a larger wheel a larger barrel', () => {
  const estate = templateById('estate')!;
  const longer = {
    ...estate.usual,
    lengthMm: estate.usual.lengthMm! + 300,
    wheelbaseMm: estate.usual.wheelbaseMm! + 200,
  };
  const taller = { ...estate.usual, heightMm: estate.usual.heightMm! + 80 };
  for (const group of ['seals', 'jambs'] as const) {
    expect(areaOf(estate, group, longer)).toBeGreaterThan(areaOf(estate, group, estate.usual));
  }
  expect(areaOf(estate, 'wheel-insides', taller)).toBeGreaterThan(areaOf(estate, 'wheel-insides', estate.usual));
});

test('a two-door item has no rear bench, a boat no wheels, and every group is offered by some template', () => {
  const classic = templateById('classic')!;
  expect(groupAt(classic, 'seats', classic.usual).map(({ id }) => id)).toEqual(['front-seat', 'carpets']);
  expect(templateById('launch')!.groups).toEqual([]);
  const offered = new Set(TEMPLATES.flatMap(({ groups }) => groups));
  expect([...offered].sort()).toEqual(Object.keys(SURFACE_GROUPS).sort());
});
