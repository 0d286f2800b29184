import { type Surface, surfaceName } from '#formats/job';
import { splitFault, splitSurface } from '#job/edit';
import type { JobView } from '../../../job/useJobView';
import type { PanelPaint, Place } from '../../../net/paint';

/** A panel about to be split: nothing, or the first end of the line. */
export interface Cut {
  readonly first?: { readonly panel: string; readonly at: Place } | undefined;
  /** Why the last try did nothing. */
  readonly said?: string | undefined;
}

/** Takes the next tap: the first end of the line, or the second, which cuts. */
export function cutFurther(
  { first }: Cut,
  surface: Surface,
  at: Place,
  job: Pick<JobView, 'document' | 'draft' | 'edit' | 'laid'>,
): Cut {
  const why = splitFault(surface);
  if (why) return { said: `${surfaceName(surface)} cannot be split: ${why}.` };
  if (job.laid.has(surface.id)) {
    return { said: `${surfaceName(surface)} cannot be split: work has been logged on it.` };
  }
  if (first?.panel !== surface.id) return { first: { panel: surface.id, at } };
  const before = job.document.surfaces.length;
  const after = splitSurface(job.draft, surface.id, first.at, at);
  if (after.document.surfaces.length === before) return { said: 'The line misses the panel; begin again.' };
  job.edit((draft) => splitSurface(draft, surface.id, first.at, at));
  return {
    said: `${surfaceName(surface)} is in ${after.document.surfaces.length - before + 1} pieces; Undo joins them again.`,
  };
}

/** The lens with the first end of the line on it. */
export function withCutMark(lens: (id: string) => PanelPaint, { first }: Cut) {
  return (id: string): PanelPaint =>
    first?.panel === id ? { ...lens(id), spots: [{ key: 'cut', at: first.at, sign: '1', size: 'small' }] } : lens(id);
}
