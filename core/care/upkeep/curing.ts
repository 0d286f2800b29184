import { MINUTES_PER_DAY } from '#core/measures';
import { FAMILIES } from '#core/products/families';
import type { Product } from '#core/products/sheets';
import { type CoatMilestones, type PlanInput, readyBySheet } from '#core/plan/job';

/** Where a date after laying comes from. */
export type DatedBy =
  /** The maker's time on the data sheet, counted in the air it really cures in. */
  | 'sheet'
  /** The maker's time on the data sheet, kept exactly, whatever the air. */
  | 'sheet-days'
  /** The data sheet says nothing: usual for the product family. */
  | 'family'
  /** The workshop's own rule, which is later than the sheet or takes its place. */
  | 'workshop'
  /** The data sheet says nothing, nor does the family: usual in the trade. */
  | 'usual';

/** A date after laying with its source. Minutes of the job; null: never in this air. */
export interface DatedCare {
  readonly atMin: number | null;
  readonly by: DatedBy;
}

/** How a workshop counts what comes after laying. */
export type CareRules = Pick<PlanInput, 'firstWashDays' | 'makersDays'>;

interface Laid {
  readonly product: Product;
  readonly milestones: CoatMilestones;
  readonly endMin: number;
}

/** Reference hardening where a sheet names no `fullCure`, days. Engineering default: weeks, not hours. */
export const USUAL_FULL_CURE_DAYS = 14;

/**
 * When a coat may first be washed with care: as its sheet says, else the family's usual days after it may be handed over,
 * and not before the workshop's own days.
 */
export function firstWashOf(
  { product, milestones, endMin }: Laid,
  { firstWashDays, makersDays }: CareRules,
): DatedCare {
  const { washOk } = milestones;
  const ready = readyBySheet(milestones);
  if (washOk === null || ready === null) return { atMin: null, by: washOk === undefined ? 'family' : 'sheet' };
  const after = (days: number) => (ready ?? endMin) + days * MINUTES_PER_DAY;
  if (washOk === undefined)
    return firstWashDays === undefined
      ? { atMin: after(FAMILIES[product.family].firstWashDays), by: 'family' }
      : { atMin: after(firstWashDays), by: 'workshop' };
  const said = bySheet({ product, endMin }, 'washOk', washOk, makersDays);
  const own = firstWashDays === undefined ? -Infinity : after(firstWashDays);
  return own > said.atMin ? { atMin: own, by: 'workshop' } : said;
}

/** When a coat is fully hard, as its owner is told. */
export function hardOf({ product, milestones, endMin }: Laid, { makersDays }: CareRules): DatedCare {
  const { fullCure } = milestones;
  if (fullCure === null) return { atMin: null, by: 'sheet' };
  if (fullCure === undefined) return { atMin: endMin + USUAL_FULL_CURE_DAYS * MINUTES_PER_DAY, by: 'usual' };
  return bySheet({ product, endMin }, 'fullCure', fullCure, makersDays);
}

/** A time of the sheet as it comes to in this air, or kept to the minute from the last stroke on. */
function bySheet(
  { product, endMin }: Omit<Laid, 'milestones'>,
  name: 'washOk' | 'fullCure',
  inAirMin: number,
  makersDays: CareRules['makersDays'],
): { readonly atMin: number; readonly by: DatedBy } {
  const said = product.milestones.find((milestone) => milestone.name === name);
  return makersDays === 'exact' && said
    ? { atMin: endMin + said.min, by: 'sheet-days' }
    : { atMin: inAirMin, by: 'sheet' };
}

/** The latest of some dates, and where it comes from; null where one never comes, undefined where there are none. */
export function latestDated<D extends DatedCare>(dates: readonly D[]): D | undefined {
  return dates.reduce<D | undefined>((latest, each) => {
    if (latest === undefined || each.atMin === null) return each;
    return latest.atMin !== null && each.atMin > latest.atMin ? each : latest;
  }, undefined);
}
