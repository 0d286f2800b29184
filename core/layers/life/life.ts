import { TENTH_SIGMAS } from '#core/measures';
import { FAMILIES, type FamilyId } from '#core/products/families';
import {
  CIRCUMSTANCE_IDS,
  circumstanceFactor,
  type CircumstanceId,
  CIRCUMSTANCES,
  type Exposure,
  hotDaysShare,
  hottestC,
  USUAL_EXPOSURE,
} from './exposure';

/** What a laboratory's months are worth outdoors under good care. */
export const LABORATORY_FACTOR = 0.85;
/** Log-sigma of real lives around the expected one. */
export const LIFE_SIGMA = 0.28;
/** Shape of the decline: little at first, then quickly; half is left at the end of the expected life. */
const DECLINE_EXPONENT = 2.2;
/**
 * A sheet's figure is not wrong by more: all circumstances together move a rated life between these shares of it; waxes
 * are moved further.
 */
const MOST_MOVED = { low: 0.45, high: 1.15 } as const;
const WAX_MOVED = { low: 0.3, high: 1.2 } as const;
const WAXES: readonly FamilyId[] = ['cleaner-wax', 'paste-wax', 'liquid-wax'];
/** Where every day were hotter than it melts, a wax would serve so much of its time. Engineering default. */
export const MELTED_SHARE = 0.35;

/** What a life is worked out from. */
export interface Lasting {
  readonly family: FamilyId;
  readonly ratedMonths?: number | undefined;
  readonly meltsAtC?: number | undefined;
}

/** Something that takes months off a life, or adds some. */
export interface LifeFactor {
  readonly of: CircumstanceId | 'outdoors' | 'bounds' | 'melting';
  readonly name: string;
  /** On the rated months; above 1 it adds. */
  readonly factor: number;
  /** How many months longer it would serve without this. Negative: so many it gains. */
  readonly costsMonths: number;
}

export interface LifeEstimate {
  /** Expected months, and the range to plan for; the upper end is never above the rating. */
  readonly months: number;
  readonly lowMonths: number;
  readonly highMonths: number;
  readonly ratedMonths: number;
  /** Whether the rating is the sheet's own or the family's usual. */
  readonly ratedBy: 'sheet' | 'family';
  /** What it is made of, the costliest first. */
  readonly factors: readonly LifeFactor[];
}

/**
 * How long a layer serves, from its rating, its family's sensitivity and how the item lives: each circumstance is
 * a factor, raised to the family's sensitivity. On days a wax gets hotter than it melts it wears the faster, on those days
 * alone; a hot climate counts once, by that or by its own factor, whichever costs more.
 */
export function expectedLife({ family, ratedMonths, meltsAtC }: Lasting, exposure: Exposure): LifeEstimate {
  const { usualLifeMonths, exposureSensitivity, meltsAtC: familyMeltsAtC } = FAMILIES[family];
  const rated = ratedMonths ?? usualLifeMonths;
  const meltsC = meltsAtC ?? familyMeltsAtC;
  const hotC = hottestC(exposure);
  const hotDays = meltsC === undefined ? 0 : hotDaysShare(meltsC, exposure);
  const melted = 1 / (1 - hotDays + hotDays / MELTED_SHARE);
  // A hot climate counts once: by its own factor, or by the days it melts.
  const heat = exposure.climate === 'hot' ? circumstanceFactor('climate', exposure) ** exposureSensitivity : 1;
  const lived = [
    { of: 'outdoors' as const, name: 'Outdoors instead of a laboratory', factor: LABORATORY_FACTOR },
    ...CIRCUMSTANCE_IDS.flatMap((id) => {
      const factor = circumstanceFactor(id, exposure) ** exposureSensitivity;
      const counts = !(id === 'climate' && exposure.climate === 'hot' && melted < heat);
      return counts ? [{ of: id, name: choiceName(id, exposure), factor }] : [];
    }),
    ...(melted < heat
      ? [
          {
            of: 'melting' as const,
            name: `Melts at ${meltsC} °C: hotter on ${Math.round(100 * hotDays)} % of days, up to ${hotC} °C`,
            factor: melted,
          },
        ]
      : []),
  ];
  const moved = lived.reduce((product, { factor }) => product * factor, 1);
  const { low, high } = WAXES.includes(family) ? WAX_MOVED : MOST_MOVED;
  const bounded = Math.min(high, Math.max(low, moved));
  const single = [
    ...lived,
    { of: 'bounds' as const, name: `All together between ${low} and ${high} of the rating`, factor: bounded / moved },
  ];
  const months = single.reduce((product, { factor }) => product * factor, rated);
  return {
    months,
    lowMonths: months * Math.exp(-TENTH_SIGMAS * LIFE_SIGMA),
    highMonths: Math.min(rated, months * Math.exp(TENTH_SIGMAS * LIFE_SIGMA)),
    ratedMonths: rated,
    ratedBy: ratedMonths === undefined ? 'family' : 'sheet',
    factors: single
      .filter(({ factor }) => factor !== 1)
      .map((each) => ({ ...each, costsMonths: months / each.factor - months }))
      .sort((a, b) => b.costsMonths - a.costsMonths),
  };
}

function choiceName(id: (typeof CIRCUMSTANCE_IDS)[number], exposure: Exposure): string {
  const choices: Readonly<Record<string, { readonly name: string }>> = CIRCUMSTANCES[id].choices;
  return `${CIRCUMSTANCES[id].name}: ${choices[exposure[id] ?? USUAL_EXPOSURE[id]]!.name.toLowerCase()}`;
}

/**
 * Condition left, 1 to 0, of a layer `ageMonths` old whose expected life is `lifeMonths`.
 * @example conditionLeft(36, 36) // 0.5: half is left at the end of the expected life
 */
export function conditionLeft(ageMonths: number, lifeMonths: number): number {
  return Math.exp(-Math.LN2 * (Math.max(0, ageMonths) / lifeMonths) ** DECLINE_EXPONENT);
}

/**
 * The age at which so much of a layer is left: the way back from {@link conditionLeft}.
 * @param left above 0 and below 1
 * @throws RangeError outside of that
 */
export function ageAtCondition(left: number, lifeMonths: number): number {
  if (!(left > 0 && left < 1)) throw new RangeError(`a condition between 0 and 1, not ${left}`);
  return lifeMonths * (-Math.log(left) / Math.LN2) ** (1 / DECLINE_EXPONENT);
}

/** While a layer above lives it wears instead of what lies below: share of its life that is added. Engineering default. */
export const SACRIFICED_SHARE = 0.4;
/** Never more than this share of the life of what is protected. */
const MOST_ADDED = 0.3;
/** A second coat evens out and adds; opinions differ on what a third does: the school that counts it, and the other. */
const SECOND_COAT_ADDS = 0.1;
const FURTHER_COAT_ADDS = 0.03;

export interface StackedLayer extends Lasting {
  readonly coats: number;
}

/** Months that a stack protects: as expected, and the range to plan for. */
export interface StackLife {
  readonly months: number;
  readonly lowMonths: number;
  readonly highMonths: number;
}

/**
 * How long a whole stack protects: its longest-lived layer, what the coats of that add, and what the layers above it
 * spare it; never longer than the longest rating in it, at either end. What lies below it adds nothing: it is covered.
 * @param layers bottom first
 * @param beyondTwo whether coats beyond the second count: a school
 */
export function stackLife(layers: readonly StackedLayer[], exposure: Exposure, beyondTwo = false): StackLife {
  const lives = layers.map((layer) => ({ coats: layer.coats, life: expectedLife(layer, exposure) }));
  const stacked = (end: keyof StackLife) =>
    stackedMonths(
      lives.map(({ coats, life }) => ({ coats, months: life[end], ratedMonths: life.ratedMonths })),
      beyondTwo,
    );
  return { months: stacked('months'), lowMonths: stacked('lowMonths'), highMonths: stacked('highMonths') };
}

/**
 * The same from lives that are known, months: for who asks it of thousands of stacks. Whichever layer serves longest with
 * what lies above it decides, so that a shorter life of any layer never makes the whole longer.
 */
export function stackedMonths(
  layers: readonly { readonly coats: number; readonly months: number; readonly ratedMonths: number }[],
  beyondTwo = false,
): number {
  let [served, above, mostRated] = [0, 0, 0];
  for (const { coats, months, ratedMonths } of layers.toReversed()) {
    const second = coats > 1 ? SECOND_COAT_ADDS : 0;
    const further = beyondTwo ? Math.max(0, coats - 2) * FURTHER_COAT_ADDS : 0;
    const spared = Math.min(MOST_ADDED * months, SACRIFICED_SHARE * above);
    served = Math.max(served, months * (1 + second + further) + spared);
    above += months;
    mostRated = Math.max(mostRated, ratedMonths);
  }
  return Math.min(served, mostRated);
}
