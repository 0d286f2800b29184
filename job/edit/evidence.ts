import { twinOf } from '#core/survey/condition';
import { gaugeReads } from '#core/survey/paint';
import { SUBSTRATES, type SubstrateId } from '#core/item/substrates';
import { takesPolish } from '#core/prepare/steps';
import type { Surface } from '#formats/job';
import { changeSurfaces, type Edit } from './edits';

/** What is found out about panels and can hold for many of them at once. */
export type SharedEvidence = Pick<Surface, 'touch' | 'iron' | 'water' | 'existing' | 'hardness' | 'paint' | 'clearUm'>;
export type EvidenceName = keyof SharedEvidence;

/** Evidence that only paint can give. */
const OF_PAINT: readonly EvidenceName[] = ['hardness', 'paint', 'clearUm'];

/** Whether a kind of evidence can be found on a surface at all. */
export const gives = (surface: Surface, name: EvidenceName): boolean =>
  !OF_PAINT.includes(name) || takesPolish(surface.substrate) || gaugeReads(surface);

/** Surfaces that evidence may be entered for at once: all of them, a side, or all of one material. */
export interface EvidenceScope {
  readonly id: 'all' | 'left' | 'right' | SubstrateId;
  readonly name: string;
  readonly surfaces: readonly Surface[];
}

/** The scopes of an item; a side or a material of one surface alone is none, it is entered there. */
export function evidenceScopes(surfaces: readonly Surface[]): EvidenceScope[] {
  const ids = new Set(surfaces.map(({ id }) => id));
  const side = (word: 'left' | 'right') => surfaces.filter(({ id }) => id.includes(word) && ids.has(twinOf(id) ?? ''));
  const materials = [...new Set(surfaces.map(({ substrate }) => substrate))];
  const scopes: EvidenceScope[] = [
    { id: 'all', name: 'Whole item', surfaces },
    { id: 'left', name: 'Left side', surfaces: side('left') },
    { id: 'right', name: 'Right side', surfaces: side('right') },
    ...materials.map((substrate) => ({
      id: substrate,
      name: SUBSTRATES[substrate].name,
      surfaces: surfaces.filter((surface) => surface.substrate === substrate),
    })),
  ];
  return scopes.filter(({ id, surfaces: own }) => id === 'all' || (own.length > 1 && own.length < surfaces.length));
}

/** Enters one piece of evidence for many surfaces; those that cannot give it stay as they are. */
export const enterEvidence =
  <Name extends EvidenceName>(ids: readonly string[], name: Name, value: SharedEvidence[Name]): Edit =>
  (draft) => {
    const able = draft.document.surfaces.filter((surface) => ids.includes(surface.id) && gives(surface, name));
    const changes: Partial<Surface> = { [name]: value };
    return changeSurfaces(
      able.map(({ id }) => id),
      changes,
    )(draft);
  };
