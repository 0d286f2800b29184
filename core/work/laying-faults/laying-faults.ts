import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

/** Faults seen while laying or just after, in the trade's own words. */
const TABLE = {
  'high-spot': 'High spot',
  streaks: 'Streaks, grabbing',
  'missed-patch': 'Missed patch',
  patchy: 'Dry or patchy',
  haze: 'Haze, smear',
  'drip-mark': 'Water drip mark',
  dust: 'Dust or lint',
  marring: 'Marring',
} as const;

export type LayingFault = keyof typeof TABLE;
export const LAYING_FAULTS: Readonly<Record<LayingFault, string>> = TABLE;
export const LAYING_FAULT_IDS = Object.keys(TABLE) as [LayingFault, ...LayingFault[]];

/** How far the patch has set: re-wetting still helps, or it is too late for that. */
export type PatchAge = 'rewettable' | 'set';

const REWET = 'Fresh product on the applicator over the patch, and wipe at once.';
const POLISH = 'Polish the patch by hand or machine, panel wipe, lay it again.';
const MATTE_TOO_LATE = 'Matte cannot be polished: there is no safe remedy now. Leave it and tell the owner.';
const BY_KIND: Readonly<Partial<Record<LayingFault, string>>> = {
  haze: 'Clean towel, a damp wipe with distilled water, then buff dry.',
  'drip-mark': 'Level it at once, then dry the gap it came from.',
};

/** What to do about a fault now. Before `rewetBy` most are mended wet; later gloss is polished, matte is not. */
export function faultRemedy(fault: LayingFault, substrate: SubstrateId, age: PatchAge): string {
  if (age === 'rewettable')
    return BY_KIND[fault] ?? (fault === 'patchy' ? `Re-wet the whole panel now. ${REWET}` : REWET);
  if (SUBSTRATES[substrate].matte) return MATTE_TOO_LATE;
  if (fault === 'missed-patch') return 'Once it may get wet: find it wet, dry it, panel wipe, lay that patch.';
  return fault === 'haze' ? BY_KIND.haze! : POLISH;
}
