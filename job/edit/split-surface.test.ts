import fc from 'fast-check';
import { shapeAreaM2 } from '#core/item/geometry';
import { templateById } from '#core/item/nets';
import { type JobDraft, readJob } from '#formats/job';
import { plainJob } from '../testing/plain-job';
import { splitSurface } from './split-surface';
import { templateSurfaces } from './template-surfaces';

const template = templateById('hatchback')!;
const draft = plainJob({
  surfaces: templateSurfaces(template.unfold(template.usual)).map((surface) =>
    surface.id === 'front-door-left'
      ? {
          ...surface,
          readingsUm: [110, 112],
          marks: [
            { id: 'low', kind: 'chip', severity: 'light', at: [0.5, 0.1] },
            { id: 'high', kind: 'swirls', severity: 'heavy', at: [0.5, 0.9] },
          ],
        }
      : surface,
  ),
  item: { name: 'Hatchback', template: { id: 'hatchback', ...template.usual } },
});
const areaOf = ({ document: { surfaces } }: JobDraft) =>
  surfaces.reduce((sum, { shape }) => sum + shapeAreaM2(shape), 0);

test('any panel along any line keeps the total area, and the job can still be read', () => {
  const share = fc.double({ min: 0.02, max: 0.98, noNaN: true });
  const id = fc.constantFrom(...draft.document.surfaces.map((surface) => surface.id));
  fc.assert(
    fc.property(id, share, share, share, share, (panel, a, b, c, d) => {
      const after = splitSurface(draft, panel, [a, b], [c, d]);
      expect(areaOf(after)).toBeCloseTo(areaOf(draft), 6);
      expect(readJob(JSON.parse(JSON.stringify(after.document))).surfaces).toHaveLength(after.document.surfaces.length);
    }),
    { numRuns: 150 },
  );
});

test('pieces keep what was said of the whole, marks go where they lie, readings to the largest', () => {
  const { surfaces } = splitSurface(draft, 'front-door-left', [0.02, 0.6], [0.98, 0.6]).document;
  const pieces = surfaces.filter(({ id }) => /^front-door-[ab]-left$/.test(id));
  expect(pieces.map(({ name, substrate, readingsUm }) => [name, substrate, readingsUm.length])).toEqual([
    ['Front door a, left', 'clear-gloss', 2],
    ['Front door b, left', 'clear-gloss', 0],
  ]);
  expect(pieces.map(({ marks }) => marks!.map(({ id }) => id))).toEqual([['low'], ['high']]);
  for (const { at } of pieces.flatMap(({ marks }) => marks!))
    expect(at.every((share) => share >= 0 && share <= 1)).toBe(true);
});

test('a line beside the panel, a dot, and what has no outline leave all as it was', () => {
  expect(splitSurface(draft, 'bonnet', [0.5, 0.5], [0.5, 0.5])).toBe(draft);
  expect(splitSurface(draft, 'nobody', [0, 0], [1, 1])).toBe(draft);
});
