import { twinOf } from '#core/survey/condition';
import { gaugeReads } from '#core/survey/paint';
import { SUBSTRATES, type SubstrateId } from '#core/item/substrates';
import { takesPolish } from '#core/prepare/steps';
import type { Surface } from '#formats/job';
import { changeSurfaces, type Edit } from './edits';

/** What is found out about panels and can hold for many of them at once. */
export type SharedEvidence = Partial<
  Pick<Surface, 'touch' | 'iron' | 'water' | 'existing' | 'hardness' | 'paint' | 'clearUm'>
>;
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

/** Enters evidence for many surfaces; those that cannot give it stay as they are. */
export const enterEvidence =
  (ids: readonly string[], evidence: SharedEvidence): Edit =>
  (draft) => {
    const names = Object.keys(evidence) as EvidenceName[];
    const able = draft.document.surfaces.filter(
      (surface) => ids.includes(surface.id) && names.every((name) => gives(surface, name)),
    );
    return changeSurfaces(
      able.map(({ id }) => id),
      evidence,
    )(draft);
  };
