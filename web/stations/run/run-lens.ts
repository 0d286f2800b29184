import type { Polygon } from '#core/item/geometry';
import type { Arrangement } from '#core/item/nets';
import type { RunSheet, SheetPatch } from '#core/work/run';
import { sectionsOf } from '#core/work/section-map';
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

/**
 * Panels by the state of their patches. A panel shows the coat that is being worked: the last one begun, or
 * its first.
 */
export function runLens({ patches }: RunSheet, { panels, linework }: Arrangement, current: SheetPatch | undefined) {
  const strips = new Map<string, readonly Polygon[]>();
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
    const cut = `${id}/${copy.length}`;
    if (outline && copy.length > 1 && !strips.has(cut)) {
      const { laid, areaM2 } = shown;
      const whole = {
        outline,
        sections: copy.length,
        maxM2: laid.maxSectionM2,
        areaM2: areaM2 * copy.length,
        count: 1,
      };
      strips.set(cut, sectionsOf(whole, linework));
    }
    paints.set(id, {
      fill: copy.length === 1 ? FILLS[copy[0]!.state] : 'blank',
      parts: strips.get(cut)?.map((strip, index) => ({ outline: strip, fill: FILLS[copy[index]!.state] })),
      caption: all || done === 0 ? undefined : done < coat.length ? `${done} of ${coat.length}` : 'more to come',
      sign: all ? 'done' : undefined,
    });
  }
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'cross', caption: undefined };
}
