import type { Polygon } from '#core/item/geometry';
import type { Arrangement } from '#core/item/nets';
import type { RunSheet, SheetPatch } from '#core/lay/run';
import { sectionsOf } from '#core/plan/section-map';
import type { Fill } from '../../net/fills';
import type { LegendEntry, PanelPaint } from '../../net/paint';

const FILLS: Readonly<Record<SheetPatch['state'], Fill>> = {
  todo: 'blank',
  laying: 'tint-3',
  waiting: 'flash',
  levelling: 'tint-4',
  done: 'tint-2',
};

export const RUN_LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'To do' },
  { fill: 'tint-3', text: 'Being laid' },
  { fill: 'flash', text: 'In its flash' },
  { fill: 'tint-4', text: 'Being levelled' },
  { fill: 'tint-2', text: '✓ Done' },
  { fill: 'cross', text: 'Nothing to lay' },
];

/** How a panel was cut last, by its outline: a tap cuts none anew. */
const lastCut = new WeakMap<Polygon, { readonly as: string; readonly strips: readonly Polygon[] }>();

function stripsOf(
  outline: Polygon,
  sections: number,
  { laid: { maxSectionM2: maxM2 }, areaM2 }: SheetPatch,
  linework: Arrangement['linework'],
): readonly Polygon[] {
  const as = JSON.stringify([sections, maxM2, areaM2]);
  const last = lastCut.get(outline);
  if (last?.as === as) return last.strips;
  const strips = sectionsOf({ outline, sections, maxM2, areaM2: areaM2 * sections, count: 1 }, linework);
  lastCut.set(outline, { as, strips });
  return strips;
}

/**
 * Panels by the state of their patches. A panel shows the coat that is being worked: the last one begun, or
 * its first.
 */
export function runLens({ patches }: RunSheet, { panels, linework }: Arrangement, current: SheetPatch | undefined) {
  const outlines = new Map(panels.map(({ id, outline }) => [id, outline]));
  const paints = new Map<string, PanelPaint>();
  const bySurface = new Map<string, SheetPatch[]>();
  for (const patch of patches) {
    const own = bySurface.get(patch.patch.surface) ?? [];
    own.push(patch);
    bySurface.set(patch.patch.surface, own);
  }
  for (const [id, own] of bySurface) {
    const key = ({ patch }: SheetPatch) => `${patch.layer}/${patch.coat}`;
    const shown = current?.patch.surface === id ? current : (own.findLast(({ state }) => state !== 'todo') ?? own[0]!);
    const coat = own.filter((patch) => key(patch) === key(shown));
    const copy = coat.filter(({ patch }) => patch.copy === shown.patch.copy);
    const outline = outlines.get(id);
    const done = coat.filter(({ state }) => state === 'done').length;
    const all = own.every(({ state }) => state === 'done');
    const strips = outline && copy.length > 1 ? stripsOf(outline, copy.length, shown, linework) : undefined;
    paints.set(id, {
      fill: copy.length === 1 ? FILLS[copy[0]!.state] : 'blank',
      parts: strips?.map((strip, index) => ({ outline: strip, fill: FILLS[copy[index]!.state] })),
      caption: all || done === 0 ? undefined : done < coat.length ? `${done} of ${coat.length}` : 'more to come',
      sign: all ? 'done' : undefined,
    });
  }
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'cross', caption: undefined };
}
