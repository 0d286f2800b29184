import type { Surface } from '#formats/job';
import { kindOf, KINDS } from '../../../net/fills';
import type { LegendEntry, PanelPaint } from '../../../net/paint';

/** Panels by what they are made of. */
export function kindLens(surfaces: readonly Pick<Surface, 'id' | 'substrate'>[], caption?: (id: string) => string) {
  const substrates = new Map(surfaces.map(({ id, substrate }) => [id, substrate]));
  return (id: string): PanelPaint => ({
    fill: KINDS[kindOf(substrates.get(id) ?? 'clear-gloss')].fill,
    caption: caption?.(id),
  });
}

export const kindLegend: readonly LegendEntry[] = Object.values(KINDS).map(({ name, fill }) => ({ fill, text: name }));
