import { FAMILIES, type FamilyId } from '../families';

export const PARKING_IDS = ['indoor', 'covered', 'street', 'coastal'] as const;
export type Parking = (typeof PARKING_IDS)[number];
export const WASH_IDS = ['hand', 'rinseless', 'touchless', 'brush'] as const;
export type Wash = (typeof WASH_IDS)[number];

/** Where an item stands and how it is washed. Unknown is taken as covered and by hand. */
export interface Exposure {
  readonly parking?: Parking | undefined;
  readonly wash?: Wash | undefined;
}

/** Factors on the rated life of a coating. Engineering defaults: sun, salt and brushes, a factor of two either way at most. */
const PARKING_FACTOR: Readonly<Record<Parking, number>> = { indoor: 1, covered: 0.92, street: 0.78, coastal: 0.68 };
const WASH_FACTOR: Readonly<Record<Wash, number>> = { hand: 1, rinseless: 0.98, touchless: 0.85, brush: 0.6 };
/** What a laboratory's months are worth outdoors under good care. */
const LABORATORY_FACTOR = 0.85;
/** Log-sigma of real lives around the expected one. */
const LIFE_SIGMA = 0.28;
const TENTH = 1.2816;
/** Shape of the decline: little at first, then quickly; half is left at the end of the expected life. */
const DECLINE_EXPONENT = 2.2;

export interface LifeEstimate {
  /** Expected months, and the range to plan for; the upper end is never above the rating. */
  readonly months: number;
  readonly lowMonths: number;
  readonly highMonths: number;
  readonly ratedMonths: number;
  /** Whether the rating is the sheet's own or the family's usual. */
  readonly ratedBy: 'sheet' | 'family';
}

/** How long a layer serves, from its rating, its family's sensitivity and how the item lives. */
export function expectedLife(family: FamilyId, ratedMonths: number | undefined, exposure: Exposure): LifeEstimate {
  const { usualLifeMonths, exposureSensitivity } = FAMILIES[family];
  const rated = ratedMonths ?? usualLifeMonths;
  const outdoors = PARKING_FACTOR[exposure.parking ?? 'covered'] * WASH_FACTOR[exposure.wash ?? 'hand'];
  const months = rated * LABORATORY_FACTOR * outdoors ** exposureSensitivity;
  return {
    months,
    lowMonths: months * Math.exp(-TENTH * LIFE_SIGMA),
    highMonths: Math.min(rated, months * Math.exp(TENTH * LIFE_SIGMA)),
    ratedMonths: rated,
    ratedBy: ratedMonths === undefined ? 'family' : 'sheet',
  };
}

/** Condition left, 1 to 0, of a layer `ageMonths` old whose expected life is `lifeMonths`. */
export function conditionLeft(ageMonths: number, lifeMonths: number): number {
  return Math.exp(-Math.LN2 * (Math.max(0, ageMonths) / lifeMonths) ** DECLINE_EXPONENT);
}
