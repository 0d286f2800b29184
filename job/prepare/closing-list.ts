import { SURFACE_GROUPS } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { type Job, surfaceName } from '#formats/job';
import { groupsOf } from '#job/edit';
import { excludedFrom } from '#job/terms';

/** Something small that is looked at last, before an item goes. */
export interface ClosingLine {
  readonly what: string;
  readonly state: 'not-in-this-job' | 'nothing-planned' | 'look';
}

/** Doors have recesses behind their handles, and badges have backs: looked at wherever there are any. */
const BEHIND: Readonly<Partial<Record<string, string>>> = { jambs: 'Recesses behind the handles, backs of the badges' };

/**
 * The small ends of an item, from its own net: tips, jambs, caps, cameras, plates, recesses. What was never surveyed, what
 * nothing is planned for, and what only wants a last look.
 */
export function closingList(job: Job): ClosingLine[] {
  const excluded = excludedFrom(job);
  return groupsOf(job).flatMap(({ id, on, ids }): ClosingLine[] => {
    const { name } = SURFACE_GROUPS[id];
    const behind: ClosingLine[] = BEHIND[id] ? [{ what: BEHIND[id], state: 'look' }] : [];
    if (!on) return [{ what: name, state: 'not-in-this-job' }, ...behind];
    const own = job.surfaces.filter((surface) => ids.includes(surface.id) && !excluded.has(surface.id));
    const lines = own.map((surface): ClosingLine => {
      const bare = surface.layers.length === 0 && !SUBSTRATES[surface.substrate].keepClear;
      return { what: surfaceName(surface), state: bare ? 'nothing-planned' : 'look' };
    });
    return [...lines, ...behind];
  });
}
