import type { SheetPatch } from '#core/lay/run';
import type { JobView } from '../../job/useJobView';

/** Which part of a panel a patch is: its section, piece and coat, where there are several; empty for a whole one. */
export function partOf({ document }: Pick<JobView, 'document'>, { patch, sections }: SheetPatch): string {
  const surface = document.surfaces.find(({ id }) => id === patch.surface);
  return [
    sections > 1 && `section ${patch.section} of ${sections}`,
    surface && surface.count > 1 && `piece ${patch.copy} of ${surface.count}`,
    surface?.layers.some(({ coats }) => coats > 1) && `coat ${patch.coat}`,
  ]
    .filter(Boolean)
    .join(', ');
}
