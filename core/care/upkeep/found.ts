import { expectedLife, type Exposure, type Lasting, type LifeEstimate, type ObservedLife } from '#core/layers/life';
import { type RemovalMethodId } from '#core/products/removal-methods';
import { type AgedLayer, foundLayer } from '#core/prepare/removal';
import { MINUTES_PER_MONTH } from '#core/measures';
import type { FoundId } from '#core/products/families';
import type { KnownOfFound, InputSurface } from '#core/plan/job';
import type { StepKindId } from '#core/prepare/steps';

/** A layer that wears, since its last coat was done. Minutes on the scale of the job. */
export interface Wearing {
  readonly endMin: number;
  readonly life: LifeEstimate;
  /** The same pulled by what water did on it since; absent: no drop says anything. */
  readonly byWater?: ObservedLife;
  /** When it wants renewing: expected, and the ends of the range. */
  readonly renewMin: number;
  readonly renewRangeMin: readonly [number, number];
}

/** A layer that was there before this visit. */
export interface FoundLayer {
  readonly family: FoundId;
  /** What its sheet calls it; absent: nobody knows. */
  readonly name?: string | undefined;
  readonly comesOffBy?: readonly RemovalMethodId[] | undefined;
  /** What it was tried with on a patch, and stood. */
  readonly resists?: readonly RemovalMethodId[] | undefined;
  /** How often it is looked after by its sheet, days. */
  readonly careDays?: KnownOfFound['careDays'];
  /** Known where somebody told when it was laid, and what it is. */
  readonly wears?: Wearing;
  /** Drops read on it at earlier visits. */
  readonly drops: NonNullable<KnownOfFound['drops']>;
}

/** Stages after which a panel is clean enough to judge, and those that take what washing leaves off it. */
export const WASHING: readonly StepKindId[] = ['wash', 'rinseless'];
export const DECONTAMINATING: readonly StepKindId[] = ['iron', 'tar', 'clay'];

/** A life and when it ends, from when the layer was done. */
export function wearing(endMin: number, life: LifeEstimate): Wearing {
  const after = (months: number) => endMin + months * MINUTES_PER_MONTH;
  return {
    endMin,
    life,
    renewMin: after(life.months),
    renewRangeMin: [after(life.lowMonths), after(life.highMonths)],
  };
}

/** What is found on a surface, bottom first, and how it wears where its age is told. */
export function foundOn(
  { existing, existingTold }: Pick<InputSurface, 'existing' | 'existingTold'>,
  exposure: Exposure,
): FoundLayer[] {
  return existing.map((family, nth): FoundLayer => {
    const {
      laidMin,
      name,
      ratedMonths,
      meltsAtC,
      comesOffBy,
      careDays,
      resists,
      drops = [],
    } = existingTold?.[nth] ?? {};
    const isKnown = laidMin !== undefined && family !== 'unknown';
    return {
      family,
      name,
      comesOffBy,
      careDays,
      resists,
      drops,
      ...(isKnown && { wears: wearing(laidMin, expectedLife({ family, ratedMonths, meltsAtC }, exposure)) }),
    };
  });
}

/** How many times as fast as usual a layer ages, by how its item lives. */
export const agingOf = (layer: Lasting, life: LifeEstimate): number => expectedLife(layer, {}).months / life.months;

/** A layer found, as it is to come off at a moment: by what is told of it, else as is usual. */
export function agedFound({ family, name, comesOffBy, resists, wears }: FoundLayer, atMin: number): AgedLayer {
  const usual = foundLayer(family, wears && Math.max(0, (atMin - wears.endMin) / MINUTES_PER_MONTH));
  const known = { ...usual, ...(name && { name }), comesOffBy, resists };
  if (!wears || family === 'unknown') return known;
  const { life } = wears;
  return { ...known, lifeMonths: life.months, aging: agingOf({ family, ratedMonths: life.ratedMonths }, life) };
}
