import type { FamilyId } from '#core/products/families';
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
  fingers: 'Fingers: dry ridges',
  bubbles: 'Bubbles of water',
  silvering: 'Silvering: grey, full of air',
  lift: 'Edge lifts',
  'dirt-under': 'Dirt under the film',
  'stretch-marks': 'Stretch marks',
} as const;

export type LayingFault = keyof typeof TABLE;
export const LAYING_FAULTS: Readonly<Record<LayingFault, string>> = TABLE;
export const LAYING_FAULT_IDS = Object.keys(TABLE) as [LayingFault, ...LayingFault[]];

const OF_FILM: ReadonlySet<LayingFault> = new Set([
  'fingers',
  'bubbles',
  'silvering',
  'lift',
  'dirt-under',
  'stretch-marks',
]);

/** What can go wrong with what is laid: film has faults of its own, and none of those of what is poured. */
export const faultsOf = (family: FamilyId): LayingFault[] =>
  LAYING_FAULT_IDS.filter((fault) => OF_FILM.has(fault) === (family === 'film'));

/** How far the patch has set: re-wetting still helps, or it is too late for that. */
export type PatchAge = 'rewettable' | 'set';

const REWET = 'Fresh product on the applicator over the patch, and wipe at once.';
const POLISH = 'Polish the patch by hand or machine, panel wipe, lay it again.';
const MATTE_TOO_LATE = 'Matte cannot be polished: there is no safe remedy now. Leave it and tell the owner.';
const BY_KIND: Readonly<Partial<Record<LayingFault, string>>> = {
  haze: 'Clean towel, a damp wipe with distilled water, then buff dry.',
  'drip-mark': 'Level it at once, then dry the gap it came from.',
};

/** Film while it still floats, and once its glue has taken. */
const FILM_REMEDIES: Readonly<Partial<Record<LayingFault, readonly [wet: string, set: string]>>> = {
  fingers: [
    'Lift it to the ridge, slip under it, lay it again with less pull.',
    'Warm it and work the ridge to the nearest edge; if it stays, replace the piece.',
  ],
  bubbles: [
    'Squeegee them to the nearest edge, firmer and slower.',
    'Water goes by itself in one to two weeks. Only air is pricked with a fine pin and pressed flat.',
  ],
  silvering: [
    'Lift it, more tack, squeegee harder while the glue grips.',
    'Warm it and press it again; silvering that stays two weeks is replaced.',
  ],
  lift: [
    'Dry the edge, tack, hold it, post-heat.',
    'Clean under it with alcohol, dry, warm and press; if it lifts again trim it back by two millimetres.',
  ],
  'dirt-under': [
    'Lift that corner, rinse both sides with slip, lay it again.',
    'It stays: a hair is drawn out only at an edge. Otherwise replace the piece, or agree it with the owner.',
  ],
  'stretch-marks': [
    'Lift it and let it shrink under gentle heat before it goes down again.',
    'Gentle heat over the whole of it; what stays is replaced.',
  ],
};

/** What to do about a fault now. Before `rewetBy` most are mended wet; later gloss is polished, matte is not. */
export function faultRemedy(fault: LayingFault, substrate: SubstrateId, age: PatchAge): string {
  const ofFilm = FILM_REMEDIES[fault];
  if (ofFilm) return ofFilm[age === 'rewettable' ? 0 : 1];
  if (age === 'rewettable')
    return BY_KIND[fault] ?? (fault === 'patchy' ? `Re-wet the whole panel now. ${REWET}` : REWET);
  if (SUBSTRATES[substrate].matte) return MATTE_TOO_LATE;
  if (fault === 'missed-patch') return 'Once it may get wet: find it wet, dry it, panel wipe, lay that patch.';
  return fault === 'haze' ? BY_KIND.haze! : POLISH;
}
