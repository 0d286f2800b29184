import { TENTH_SIGMAS } from '#core/measures';
import { conditionLeft, LIFE_SIGMA, type LifeEstimate } from './life';

/** A drop read on a layer after so many months, degrees, with its standard error. */
export interface WaterSeen {
  readonly ageMonths: number;
  readonly deg: number;
  readonly sigmaDeg: number;
}

/** What a drop stands at on it new, and on bare paint beside it, degrees. */
export interface WaterEnds {
  readonly freshDeg: number;
  readonly bareDeg: number;
}
/** Where nobody has read them: fresh protection and washed clear coat. Engineering defaults. */
export const USUAL_WATER: WaterEnds = { freshDeg: 105, bareDeg: 65 };

/** Younger than this a layer has not begun to wear, and a dull one is dirty: it says nothing of its life, months. */
const SAYS_FROM_MONTHS = 1;
/** Temperature and who reads it move a clean drop besides, degrees. Engineering default. */
export const READING_DEG = 3;
/** Chance that a reading is of something else: a dirty patch, a drop that ran. It pulls no further than a bound. */
export const RUBBISH_CHANCE = 0.02;
/** How far makers' ratings are off in one workshop's climate, before anybody looked (log-sigma). Engineering default. */
export const RATING_SIGMA = 0.2;
/** From so many items on something can be said of a product. */
export const ENOUGH_ITEMS = 3;

/** Log-ratios of a life to what was expected of it, at which beliefs are kept: four sigmas of lives and ratings either way. */
const FURTHEST = 4 * Math.hypot(LIFE_SIGMA, RATING_SIGMA);
const LOG_RATIOS: readonly number[] = Array.from({ length: 121 }, (_, nth) => FURTHEST * ((2 * nth) / 120 - 1));

/** How likely what was read is, for each of those ratios; on any common scale. */
export type LifeLikelihood = readonly number[];

/**
 * How likely drops are, were the layer to last so many times as long as expected: each stands between new and bare by what
 * is left at its age, with the error of its reading (normal). Worked in degrees, so that readings near new or gone, which
 * say little of a life, say little.
 * @returns undefined where no drop says anything
 */
export function lifeLikelihood(
  expectedMonths: number,
  drops: readonly WaterSeen[],
  { freshDeg, bareDeg }: WaterEnds = USUAL_WATER,
): LifeLikelihood | undefined {
  const telling = drops.filter(({ ageMonths }) => ageMonths >= SAYS_FROM_MONTHS);
  if (!(freshDeg > bareDeg) || telling.length === 0) return undefined;
  return LOG_RATIOS.map((log) =>
    telling.reduce((likely, { ageMonths, deg, sigmaDeg }) => {
      const stands = bareDeg + (freshDeg - bareDeg) * conditionLeft(ageMonths, expectedMonths * Math.exp(log));
      const off = (deg - stands) / Math.hypot(sigmaDeg, READING_DEG);
      return likely * (RUBBISH_CHANCE + (1 - RUBBISH_CHANCE) * Math.exp(-(off * off) / 2));
    }, 1),
  );
}

/** Middle and spread of a belief that began as normal around nothing and met what was read. */
function belief(likely: LifeLikelihood, priorSigma: number): { readonly log: number; readonly sigma: number } {
  const weights = LOG_RATIOS.map((log, nth) => Math.exp(-((log / priorSigma) ** 2) / 2) * likely[nth]!);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const log = weights.reduce((sum, weight, nth) => sum + weight * LOG_RATIOS[nth]!, 0) / total;
  const variance = weights.reduce((sum, weight, nth) => sum + weight * (LOG_RATIOS[nth]! - log) ** 2, 0) / total;
  return { log, sigma: Math.sqrt(variance) };
}

export interface ObservedLife extends LifeEstimate {
  /** What was expected before anybody looked, and on how many drops the rest rests. */
  readonly expectedMonths: number;
  readonly drops: number;
}

/**
 * A life pulled by what water did on it: what was expected (log-normal, as lives differ) met by how likely each drop is.
 * @returns undefined where no drop says anything
 */
export function observedLife(
  life: LifeEstimate,
  drops: readonly WaterSeen[],
  ends: WaterEnds = USUAL_WATER,
): ObservedLife | undefined {
  const likely = lifeLikelihood(life.months, drops, ends);
  if (!likely) return undefined;
  const { log, sigma } = belief(likely, LIFE_SIGMA);
  const months = life.months * Math.exp(log);
  return {
    ...life,
    months,
    lowMonths: months * Math.exp(-TENTH_SIGMAS * sigma),
    highMonths: months * Math.exp(TENTH_SIGMAS * sigma),
    expectedMonths: life.months,
    drops: drops.filter(({ ageMonths }) => ageMonths >= SAYS_FROM_MONTHS).length,
  };
}

/** What all items say of how long a product lasts here, against what was expected of it on each. */
export interface ProductLasts {
  readonly items: number;
  /** Times as long as expected: the middle, and the tenth either way. */
  readonly factor: number;
  readonly low: number;
  readonly high: number;
  readonly says: 'too-few' | 'shorter' | 'as-expected' | 'longer';
}

/** Something is only said of a product where it holds nineteen times in twenty. */
const SAID_SIGMAS = 1.96;

/**
 * How long a product really lasts over many items. Each item counts once, by all its drops together, and differs from the
 * next besides by how it is lived with; small numbers stay near the rating and say so.
 * @param items how likely the drops of each were
 */
export function productLasts(items: readonly LifeLikelihood[]): ProductLasts {
  const spread = LOG_RATIOS.map((of) => LOG_RATIOS.map((log) => Math.exp(-(((log - of) / LIFE_SIGMA) ** 2) / 2)));
  const likely = LOG_RATIOS.map(() => 1);
  for (const item of items) {
    const one = spread.map((row) => row.reduce((sum, weight, nth) => sum + weight * item[nth]!, 0));
    const most = Math.max(...one);
    // On a scale of its own, so that hundreds of items do not vanish.
    for (const [nth, value] of one.entries()) likely[nth] = likely[nth]! * (value / most);
    const top = Math.max(...likely);
    for (const nth of likely.keys()) likely[nth] = likely[nth]! / top;
  }
  const { log, sigma } = belief(likely, RATING_SIGMA);
  const at = (sigmas: number) => Math.exp(log + sigmas * sigma);
  const says =
    items.length < ENOUGH_ITEMS
      ? 'too-few'
      : at(SAID_SIGMAS) < 1
        ? 'shorter'
        : at(-SAID_SIGMAS) > 1
          ? 'longer'
          : 'as-expected';
  return { items: items.length, factor: at(0), low: at(-TENTH_SIGMAS), high: at(TENTH_SIGMAS), says };
}
