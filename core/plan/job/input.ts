import type { AreaSource, Shape } from '#core/item/geometry';
import type { RemovalMethodId } from '#core/products/removal-methods';
import type { Tone } from '#core/survey/condition';
import type { Make } from '#core/item/make';
import type { PaintSystem } from '#core/survey/paint';
import type { MatteSchool, SubstrateId } from '#core/item/substrates';
import type { FoundId } from '#core/products/families';
import type { Overruled } from '#core/layers/rules';
import type { MethodId } from '#core/products/methods';
import type { LayingSchools } from '#core/products/schools';
import type { Product } from '#core/products/sheets';
import type { PurchaseInputs } from '#core/products/quantity';
import type { AmbientSeries } from '#core/time/air';
import type { Person } from '#core/plan/crew';
import type { CrewMode, Pace } from '#core/plan/sections';

export interface InputLayer {
  readonly product: string;
  readonly coats: number;
  readonly method: MethodId;
  /** Rules set aside for it by hand. */
  readonly overruled?: Overruled | undefined;
}

/** What is told of something found on a surface: by an earlier visit, or a passport. Absent: nobody knows. */
export interface KnownOfFound {
  /** Minutes from the start of laying of this job: negative for the past. */
  readonly laidMin?: number | undefined;
  readonly name?: string | undefined;
  readonly ratedMonths?: number | undefined;
  readonly meltsAtC?: number | undefined;
  readonly comesOffBy?: readonly RemovalMethodId[] | undefined;
  readonly careDays?: Product['careDays'];
  /** Methods it was tried with on a patch, and stood. */
  readonly resists?: readonly RemovalMethodId[] | undefined;
  /** Drops read on it at earlier visits, degrees with their standard error. */
  readonly drops?: readonly { readonly atMin: number; readonly deg: number; readonly sigmaDeg: number }[] | undefined;
}

/** A surface as it is planned. Times count in minutes from the start of laying. */
export interface InputSurface extends Make {
  readonly id: string;
  readonly name: string;
  readonly substrate: SubstrateId;
  /** It belongs to an aircraft. */
  readonly aircraft?: boolean | undefined;
  /** Its own paint is crazed, failing or burnt through. */
  readonly worn?: boolean | undefined;
  readonly shape: Shape;
  readonly count: number;
  readonly curvature: number;
  readonly onePiece: boolean;
  /** How dark its colour is; absent: nobody said. */
  readonly tone?: Tone | undefined;
  /** Measured; holds while laying and levelling. The air's where absent. */
  readonly surfaceC?: number | undefined;
  readonly existing: readonly FoundId[];
  /** What is told of each of them, in their order; null: nobody knows. */
  readonly existingTold?: readonly (KnownOfFound | null)[] | undefined;
  readonly readingsUm: readonly number[];
  readonly clearUm?: number | undefined;
  readonly clearBefore?: { readonly um: number } | undefined;
  readonly paint: PaintSystem;
  /** Local midnight that began the day of refinishing: negative for the past. */
  readonly refinishedAtMin?: number | undefined;
  readonly layers: readonly InputLayer[];
  /** Its n-th coat is not begun before the n-th coat of these, all copies, is levelled: access, dust, reach. */
  readonly follows?: readonly string[] | undefined;
  readonly measuredBy: AreaSource;
}

export interface Crew extends Pace {
  readonly mode: CrewMode;
  /** Sigmas of guard on either side of a window. */
  readonly guardSigma: number;
  /** Who there is; without it one or two alike, by the mode. The plan itself does not ask. */
  readonly people?: readonly Person[] | undefined;
  /** How far a person trusts themselves to work ahead; absent: whatever is shortest within the windows. */
  readonly ahead?: AheadSchool | undefined;
  /** No section is larger, m²: what an arm reaches. The plan itself does not ask. */
  readonly mostSectionM2?: number | undefined;
}

/** `safe`: nothing is begun that would keep hands from going back as soon as what is wet opens; `quick`: on until one more would make it late. */
export const AHEAD_SCHOOLS = ['safe', 'quick'] as const;
export type AheadSchool = (typeof AHEAD_SCHOOLS)[number];

/** How far a crew works ahead: where it does not say, whatever is shortest within the windows. */
export const aheadOf = ({ ahead = 'quick' }: Pick<Crew, 'ahead'>): AheadSchool => ahead;

export interface InputRoom {
  readonly volumeM3: number;
  readonly airChangesPerHour: number;
  readonly limitMgPerM3?: number | undefined;
}

/** A sheet, and what is cut of it where it is a film that was nested. */
export interface InputProduct extends Product {
  readonly cut?: PurchaseInputs['cut'];
}

/** A coat by where it is in its job. */
export interface CoatName {
  readonly surface: string;
  readonly layer: number;
  readonly coat: number;
}

export const coatKey = ({ surface, layer, coat }: CoatName): string => [surface, layer, coat].join('/');

/**
 * A coat that somebody moved on the run sheet: it is begun as soon as it may be once another has been laid, not before;
 * after null it is begun first of all. What is levelled when stays for the clocks to say.
 */
export interface Move extends CoatName {
  readonly after: CoatName | null;
  /** Who lays it; absent: whoever has their hands free. */
  readonly by?: string | undefined;
}

/** All that a plan is computed from. Every product a layer names is among the products. */
export interface PlanInput {
  readonly surfaces: readonly InputSurface[];
  readonly products: readonly InputProduct[];
  readonly ambient: AmbientSeries;
  readonly crew: Crew;
  readonly matteSchool: MatteSchool;
  /** When the workshop lets an item go, beside the makers' minimum; absent: at the minimum. */
  readonly handover?: { readonly school: LayingSchools['handover']; readonly startMinuteOfDay: number } | undefined;
  /** Days from when it may go to its first wash; absent: as usual for the family. */
  readonly firstWashDays?: number | undefined;
  /** The maker's days for first wash and full hardness: counted in the air, or kept exactly. */
  readonly makersDays?: 'by-air' | 'exact' | undefined;
  readonly room?: InputRoom | undefined;
  readonly needsByMin?: number | undefined;
  /** Moved by hand on the run sheet, what was moved last at the end. */
  readonly moves?: readonly Move[] | undefined;
}
