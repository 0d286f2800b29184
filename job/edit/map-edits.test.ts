import fc from 'fast-check';
import { type Polygon, shapeAreaM2 } from '#core/item/geometry';
import { TEMPLATES } from '#core/item/nets';
import { type JobDraft, readJob, type Surface } from '#formats/job';
import { plainJob } from '../testing/plain-job';
import { addReadings } from './edits';
import { addDrawn, claimsOf, cutOut, mergeFault, mergeSurfaces, outlineFault, reshape } from './map-edits';
import { splitSurface } from './split-surface';
import { blankSurface, firstSurfaces } from './template-surfaces';

const panel = TEMPLATES.find(({ id }) => id === 'flat-panel')!;
const door = plainJob({
  surfaces: firstSurfaces(panel, panel.usual),
  item: { name: 'Door', template: { id: panel.id, ...panel.usual } },
});
const surfaceOf = ({ document }: JobDraft, id: string) => document.surfaces.find((surface) => surface.id === id)!;
const areaOf = (surfaces: readonly Surface[], name: RegExp) =>
  surfaces.filter((surface) => name.test(surface.id)).reduce((sum, { shape }) => sum + shapeAreaM2(shape), 0);
/** The face on the sheet: y grows downwards there. */
const face = surfaceOf(door, 'face').shape as Extract<Surface['shape'], { kind: 'polygon' }>;
const [x0, y0] = [Math.min(...face.pointsMm.map(([x]) => x)), Math.min(...face.pointsMm.map(([, y]) => -y))];
const box = (x: number, y: number, w: number, h: number): Polygon => [
  [x0 + x, y0 + y],
  [x0 + x + w, y0 + y],
  [x0 + x + w, y0 + y + h],
  [x0 + x, y0 + y + h],
];
const plate = { name: 'Plate', substrate: 'bare-metal', measuredBy: 'tape' } as const;

test('drawn over a panel it is claimed twice; cut out of it no area is lost and none counted twice', () => {
  const place = fc.tuple(
    fc.integer({ min: 0, max: 1500 }),
    fc.integer({ min: 0, max: 600 }),
    fc.integer({ min: 100, max: 500 }),
    fc.integer({ min: 100, max: 250 }),
  );
  fc.assert(
    fc.property(place, ([x, y, w, h]) => {
      const outline = box(x, y, w, h);
      expect(claimsOf(door, outline).map(({ a }) => a)).toEqual(['face']);
      const over = addDrawn(door, { ...plate, outline });
      expect(claimsOf(over)).toMatchObject([{ a: 'face', b: 'plate' }]);
      const cut = addDrawn(cutOut(door, ['face'], outline), { ...plate, outline });
      expect(claimsOf(cut)).toEqual([]);
      expect(areaOf(cut.document.surfaces, /^(face|plate)/)).toBeCloseTo(areaOf(door.document.surfaces, /^face/), 4);
      // And it can still be written and read.
      expect(readJob(JSON.parse(JSON.stringify(cut.document))).surfaces).toHaveLength(cut.document.surfaces.length);
    }),
    { numRuns: 40 },
  );
});

test('a panel split and joined again has its area, its marks where they were, and all its readings', () => {
  const marked: JobDraft = {
    ...door,
    document: {
      ...door.document,
      surfaces: door.document.surfaces.map((surface) =>
        surface.id === 'face'
          ? {
              ...surface,
              readingsUm: [1, 2, 3],
              marks: [{ id: 'm', kind: 'chip', severity: 'light', at: [0.8, 0.25] }],
            }
          : surface,
      ),
    },
  };
  const split = splitSurface(marked, 'face', [0.4, 0], [0.6, 1]);
  expect(split.document.surfaces).toHaveLength(door.document.surfaces.length + 1);
  const whole = mergeSurfaces(split, 'face-a', 'face-b');
  const joined = surfaceOf(whole, 'face-a');
  expect(shapeAreaM2(joined.shape)).toBeCloseTo(shapeAreaM2(face), 4);
  expect(joined.readingsUm).toEqual([1, 2, 3]);
  expect(joined.marks).toMatchObject([{ id: 'm', at: [expect.closeTo(0.8, 3), expect.closeTo(0.25, 3)] }]);
});

test('what cannot be joined says why', () => {
  const fault = (a: string, b: string) => mergeFault(surfaceOf(door, a), surfaceOf(door, b));
  expect(fault('face', 'face')).toBe('that is one panel');
  expect(fault('face', 'back')).toBe('they do not lie side by side');
  const taped = blankSurface({ id: 'x', substrate: 'wood', shape: { kind: 'area', areaM2: 1 }, measuredBy: 'tape' });
  expect(mergeFault(surfaceOf(door, 'face'), taped)).toContain('an outline of their own');
  const coated = { ...surfaceOf(door, 'back'), layers: [{ product: 'oil', coats: 1, method: 'small-block' as const }] };
  expect(mergeFault(surfaceOf(door, 'face'), coated)).toContain('different layers');
});

test('an outline that crosses itself or encloses nothing is not taken, and changes nothing', () => {
  const bow: Polygon = [
    [0, 0],
    [100, 100],
    [100, 0],
    [0, 100],
  ];
  expect(outlineFault(bow)).toBe('the edge from corner 1 crosses the edge from corner 3');
  expect(outlineFault(bow.slice(0, 2))).toContain('three corners');
  expect(reshape(door, 'face', bow)).toBe(door);
  const shorter = reshape(door, 'face', box(0, 0, 1000, 850));
  expect(shapeAreaM2(surfaceOf(shorter, 'face').shape)).toBeCloseTo(0.85, 6);
});

test('ten thousand readings go to their panels', () => {
  const readings = Array.from({ length: 10_000 }, (_, index) => ({
    surface: index % 2 === 0 ? 'face' : 'back',
    um: 100 + (index % 7),
    ...(index % 4 === 0 && { at: [0.5, 0.5] as const }),
  }));
  const read = addReadings(readings)(door);
  expect(surfaceOf(read, 'face').readingsUm).toHaveLength(5000);
  expect(surfaceOf(read, 'face').readingsAt?.filter((at) => at !== null)).toHaveLength(2500);
  expect(surfaceOf(read, 'back').readingsAt).toBeUndefined();
  expect(readJob(JSON.parse(JSON.stringify(read.document)))).toEqual(read.document);
});
