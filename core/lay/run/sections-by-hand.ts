import { patchKey } from './patch';
import type { SheetPatch } from './sheet';

/** Nobody works one copy of a panel in more sections by hand. */
const MOST_SECTIONS = 40;

/** Whether a copy may still be cut otherwise: nothing of this coat of it is begun. */
export const mayBeCut = (current: SheetPatch, patches: readonly SheetPatch[]): boolean =>
  current.state === 'todo' &&
  !patches.some(
    ({ patch, record }) => record && patchKey({ ...patch, section: 0 }) === patchKey({ ...current.patch, section: 0 }),
  );

/**
 * The first section of a copy with the whole of it cut into another number of sections: what the person at the panel
 * says comes before what the sheet worked out.
 * @param sections a whole number; held to 1 to 40
 */
export function cutInto(first: SheetPatch, sections: number): SheetPatch {
  const into = Math.min(MOST_SECTIONS, Math.max(1, Math.round(sections)));
  const by = first.sections / into;
  return {
    ...first,
    sections: into,
    patch: { ...first.patch, section: 1 },
    areaM2: first.areaM2 * by,
    amount: first.amount * by,
  };
}

/** Whether a section is larger than can be laid and levelled within its window in this air. */
export const isTooLarge = ({ areaM2, laid: { maxSectionM2 } }: SheetPatch): boolean =>
  maxSectionM2 !== null && areaM2 > maxSectionM2 * (1 + 1e-9);
