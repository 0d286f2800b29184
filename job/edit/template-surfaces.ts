import { type GroupId, type ItemTemplate, type Net, type Sizes, SURFACE_GROUPS } from '#core/item/nets';
import type { Surface } from '#formats/job';

/** A surface nothing has been said of yet. */
export function blankSurface(
  known: Pick<Surface, 'id' | 'substrate' | 'shape' | 'measuredBy'> & Partial<Surface>,
): Surface {
  return { count: 1, onePiece: false, existing: [], readingsUm: [], paint: 'factory', layers: [], ...known };
}

/** The panels of an unfolded template as surfaces of a job: the same polygons are map, area and sections. */
export function templateSurfaces({ panels }: Net): Surface[] {
  return panels.map(({ outlineMm, ...panel }) =>
    blankSurface({
      ...panel,
      shape: { kind: 'polygon', pointsMm: outlineMm.map(([x, y]): [number, number] => [x, y]) },
      measuredBy: 'template',
    }),
  );
}

/** The surfaces of a group, at an item's own size. */
export function groupSurfaces(group: GroupId, net: Net, sizes: Sizes): Surface[] {
  return SURFACE_GROUPS[group].surfaces(net, sizes).map(({ shape, ...surface }) =>
    blankSurface({
      ...surface,
      // The schema's lists may be written to, the core's may not.
      shape:
        shape.kind === 'polygon'
          ? { kind: 'polygon', pointsMm: shape.pointsMm.map(([x, y]) => [x, y]) }
          : shapeOf(shape),
      measuredBy: 'template',
    }),
  );
}

const shapeOf = (shape: object) => shape as Surface['shape'];

/** What a new survey of an item begins with: its outside, and the groups that are usually looked at. */
export function firstSurfaces(template: ItemTemplate, sizes: Sizes): Surface[] {
  const net = template.unfold(sizes);
  const usual = template.groups.filter((group) => SURFACE_GROUPS[group].usual);
  return [...templateSurfaces(net), ...usual.flatMap((group) => groupSurfaces(group, net, sizes))];
}

/** An id made of the name, with a number where that is taken. */
export function freeId(name: string, surfaces: readonly Surface[]): string {
  const base =
    name
      .trim()
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '') || 'surface';
  const taken = new Set(surfaces.map(({ id }) => id));
  if (!taken.has(base)) return base;
  let number = 2;
  while (taken.has(`${base}-${number}`)) number += 1;
  return `${base}-${number}`;
}
