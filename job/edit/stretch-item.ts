import type { Point, Polygon } from '#core/item/geometry';
import {
  type GroupId,
  type ItemTemplate,
  type Net,
  sizeFaults,
  type Sizes,
  SURFACE_GROUPS,
  templateById,
} from '#core/item/nets';
import type { Job, JobDraft, Surface } from '#formats/job';
import { followersOf } from './following';
import { groupSurfaces } from './template-surfaces';

type MeasuredItem = Pick<Job, 'item' | 'surfaces'>;

/** The template a job's item was measured with and its sizes; undefined for one measured by tape alone. */
export function itemTemplate({ item }: Pick<Job, 'item'>): { template: ItemTemplate; sizes: Sizes } | undefined {
  const template = item?.template && templateById(item.template.id);
  if (!template || !item.template || sizeFaults(template, item.template).length > 0) return undefined;
  return { template, sizes: item.template };
}

const alike = (a: Polygon, b: Polygon) =>
  a.length === b.length && a.every(([x, y], index) => Math.hypot(x - b[index]![0], y - b[index]![1]) < 1);

const polygon = (points: readonly Point[]): Surface['shape'] => ({
  kind: 'polygon',
  pointsMm: points.map(([x, y]): [number, number] => [x, y]),
});

/**
 * Measures an item anew: what the template drew follows its stretch exactly, what was cut or drawn on the sheet
 * is carried along, and what a tape said of a surface stays.
 * @returns what was given where the template cannot be stretched to the sizes
 */
export function stretched<T extends MeasuredItem>(document: T, sizes: Sizes): T {
  const measured = itemTemplate(document);
  if (!measured || sizeFaults(measured.template, sizes).length > 0) return document;
  const { template } = measured;
  const [before, after] = [template.unfold(measured.sizes), template.unfold(sizes)];
  const warp = template.warp(measured.sizes, sizes);
  const parts = new Map(template.groups.flatMap((group) => groupSurfaces(group, after, sizes)).map((s) => [s.id, s]));
  const outlineOf = (net: Net, id: string) => net.panels.find((panel) => panel.id === id)?.outlineMm;
  const anew = (surface: Surface): Surface => {
    const { id, shape, measuredBy, onSheet } = surface;
    if (measuredBy !== 'template' && !onSheet) return surface;
    if (shape.kind !== 'polygon') return { ...surface, shape: parts.get(id)?.shape ?? shape };
    const [was, is] = [outlineOf(before, id), outlineOf(after, id)];
    const drawn = was && is && alike(shape.pointsMm, was) ? is : (polygonOf(parts.get(id)) ?? shape.pointsMm.map(warp));
    return { ...surface, shape: polygon(drawn) };
  };
  return {
    ...document,
    item: { ...document.item!, template: { ...sizes, id: template.id } },
    surfaces: document.surfaces.map(anew),
  };
}

export const stretchItem = (draft: JobDraft, sizes: Sizes): JobDraft => {
  const document = stretched(draft.document, sizes);
  return document === draft.document ? draft : { ...draft, document };
};

const polygonOf = (surface: Surface | undefined) =>
  surface?.shape.kind === 'polygon' ? surface.shape.pointsMm : undefined;

/** Switches a group of surfaces on, those of it that are missing, or off. */
export function switchGroup(draft: JobDraft, group: GroupId, on: boolean): JobDraft {
  const { document } = draft;
  const measured = itemTemplate(document);
  if (!measured) return draft;
  const own = groupSurfaces(group, measured.template.unfold(measured.sizes), measured.sizes);
  const ids = new Set(own.map(({ id }) => id));
  const there = new Set(document.surfaces.map(({ id }) => id));
  const surfaces = on
    ? [...document.surfaces, ...own.filter(({ id }) => !there.has(id))]
    : followersOf(
        document.surfaces.filter(({ id }) => !ids.has(id)),
        [...ids],
        [],
      );
  return { ...draft, document: { ...document, surfaces } };
}

/** The groups an item can have, and which of them are on. */
export function groupsOf(document: JobDraft['document']): { id: GroupId; name: string; ids: string[]; on: boolean }[] {
  const measured = itemTemplate(document);
  if (!measured) return [];
  const net = measured.template.unfold(measured.sizes);
  const there = new Set(document.surfaces.map(({ id }) => id));
  return measured.template.groups.flatMap((id) => {
    const ids = SURFACE_GROUPS[id].surfaces(net, measured.sizes).map((surface) => surface.id);
    return ids.length === 0
      ? []
      : [{ id, name: SURFACE_GROUPS[id].name, ids, on: ids.some((surface) => there.has(surface)) }];
  });
}
