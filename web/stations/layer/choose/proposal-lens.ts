import { sameLayers } from '#core/choose/stacks';
import type { ChoicePoint } from '#formats/choice';
import { familyFill } from '../../../core-sample/strata';
import type { JobView } from '../../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../../net/paint';
import { LEGEND } from '../ViewSwitch';

export const CHOICE_LEGEND: readonly LegendEntry[] = [
  ...LEGEND.filter(({ fill }) => fill !== 'stop'),
  { fill: 'blank', text: '» differs' },
];

/** What a choice lays, with a sign where it differs from another, or from what is planned. */
export function proposalLens(
  { document, shelf, productName }: Pick<JobView, 'document' | 'productName' | 'shelf'>,
  point: ChoicePoint | undefined,
  against: ChoicePoint | undefined,
) {
  const families = new Map([...document.products, ...shelf].map(({ id, family }) => [id, family]));
  const stacks = new Map(point?.surfaces.map(({ id, layers, testSpot }) => [id, { layers, testSpot }]));
  const planned = new Map(document.surfaces.map(({ id, layers }) => [id, layers]));
  const there = against ? new Map(against.surfaces.map(({ id, layers }) => [id, layers])) : planned;
  return (id: string): PanelPaint => {
    const proposed = stacks.get(id);
    const layers = point ? (proposed?.layers ?? []) : (planned.get(id) ?? []);
    const top = layers.at(-1);
    const differs = point !== undefined && !sameLayers(layers, there.get(id) ?? []);
    const sign = proposed?.testSpot ? 'test' : differs ? 'differs' : undefined;
    if (!top) return { fill: 'blank', sign, caption: differs ? 'bare' : undefined };
    return {
      fill: familyFill(families.get(top.product) ?? 'ceramic'),
      sign,
      caption: productName(top.product),
    };
  };
}

export function changesOf({ document, laid }: Pick<JobView, 'document' | 'laid'>, point: ChoicePoint): number {
  const planned = new Map(document.surfaces.map(({ id, layers }) => [id, layers]));
  return point.surfaces.filter(({ id, layers }) => !laid.has(id) && !sameLayers(layers, planned.get(id) ?? [])).length;
}
