import { shapeAreaM2 } from '#core/item/geometry';
import { sizeFaults, TEMPLATES } from '#core/item/nets';
import type { JobDraft, Surface } from '#formats/job';
import { plainJob } from '../testing/plain-job';
import { splitSurface } from './split-surface';
import { groupsOf, stretchItem, switchGroup } from './stretch-item';
import { firstSurfaces } from './template-surfaces';

const pickUp = TEMPLATES.find(({ id }) => id === 'pick-up')!;
const draftOf = (template = pickUp): JobDraft =>
  plainJob({
    surfaces: firstSurfaces(template, template.usual),
    item: { name: 'Item', template: { id: template.id, ...template.usual } },
  });
const area = ({ document }: JobDraft, id: string) => shapeAreaM2(surfaceOf(document.surfaces, id).shape);
const surfaceOf = (surfaces: readonly Surface[], id: string) => surfaces.find((surface) => surface.id === id)!;

test.each(TEMPLATES.map((template) => [template.id, template] as const))(
  '%s measured anew is as one measured so from the first',
  (_, template) => {
    const sizes = Object.fromEntries(
      Object.entries(template.usual).map(([key, mm = 0]) => [key, Math.round(mm * 1.03)]),
    );
    expect(sizeFaults(template, sizes)).toEqual([]);
    const stretched = stretchItem(draftOf(template), sizes).document.surfaces;
    const fresh = firstSurfaces(template, sizes);
    for (const [index, surface] of stretched.entries()) {
      expect([surface.id, shapeAreaM2(surface.shape)]).toEqual([
        surface.id,
        expect.closeTo(shapeAreaM2(fresh[index]!.shape), 6),
      ]);
    }
  },
);

test('pieces of a cut panel stretch with it and still add up; what a tape measured stays', () => {
  const cut = splitSurface(draftOf(), 'bonnet', [0.5, 0], [0.5, 1]);
  const taped: JobDraft = {
    ...cut,
    document: {
      ...cut.document,
      surfaces: cut.document.surfaces.map((surface) =>
        surface.id === 'roof' ? { ...surface, measuredBy: 'tape', shape: { kind: 'area', areaM2: 1.5 } } : surface,
      ),
    },
  };
  const sizes = { ...pickUp.usual, widthMm: 2000, lengthMm: 5600 };
  const stretched = stretchItem(taped, sizes);
  const whole = stretchItem(draftOf(), sizes);
  expect(area(stretched, 'bonnet-a') + area(stretched, 'bonnet-b')).toBeCloseTo(area(whole, 'bonnet'), 6);
  expect(area(stretched, 'roof')).toBe(1.5);
});

test('a size that cannot be is not taken', () => {
  const draft = draftOf();
  expect(stretchItem(draft, { ...pickUp.usual, lengthMm: 533 })).toBe(draft);
});

test('groups are switched on and off whole, and switching on adds only what is missing', () => {
  const draft = draftOf();
  const usual = groupsOf(draft.document).filter(({ on }) => on);
  expect(usual.map(({ id }) => id)).toEqual(['wheel-insides', 'plates', 'seals', 'sensors']);
  const off = switchGroup(draft, 'sensors', false);
  expect(off.document.surfaces.some(({ substrate }) => substrate === 'sensor')).toBe(false);
  expect(switchGroup(off, 'sensors', true).document.surfaces).toHaveLength(draft.document.surfaces.length);
  expect(switchGroup(draft, 'sensors', true).document.surfaces).toEqual(draft.document.surfaces);
  const jambs = switchGroup(draft, 'jambs', true).document.surfaces;
  expect(surfaceOf(jambs, 'door-jambs').shape).toMatchObject({ kind: 'rectangle', bMm: 90 });
});
