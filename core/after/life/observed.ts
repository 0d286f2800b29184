import { TENTH_SIGMAS } from '#core/measures';
import { learnFactor } from '#core/work/learning';
import { ageAtCondition, LIFE_SIGMA, type LifeEstimate } from './life';

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
/** Dirt, temperature and who reads it move a drop besides: log-spread of one reading on the life. Engineering default. */
const READING_SIGMA = 0.3;
/** Nearer to new or to gone than this a drop tells next to nothing. */
const TELLS = [0.03, 0.97] as const;

export interface ObservedLife extends LifeEstimate {
  /** What was expected before anybody looked, and on how many drops the rest rests. */
  readonly expectedMonths: number;
  readonly drops: number;
}

/**
 * A life pulled by what water did on it: each drop says how much is left, so how long it would last if it went on like
 * that; taken together with what was expected, each as far as it is sure (log-normal).
 * @returns undefined where no drop says anything
 */
export function observedLife(
  life: LifeEstimate,
  drops: readonly WaterSeen[],
  { freshDeg, bareDeg }: WaterEnds = USUAL_WATER,
): ObservedLife | undefined {
  const span = freshDeg - bareDeg;
  if (!(span > 0)) return undefined;
  let belief = { factor: 1, sigma: LIFE_SIGMA, observations: 0 };
  for (const { ageMonths, deg, sigmaDeg } of drops) {
    if (ageMonths < SAYS_FROM_MONTHS) continue;
    const left = Math.min(TELLS[1], Math.max(TELLS[0], (deg - bareDeg) / span));
    // How much the life moves with what is left, times how unsure that is.
    const step = 0.01;
    const [younger, older] = [ageAtCondition(left + step, 1), ageAtCondition(left - step, 1)];
    const slope = Math.log(older / younger) / (2 * step);
    const observationSigma = Math.hypot(slope * (sigmaDeg / span), READING_SIGMA);
    const seenMonths = ageMonths / ageAtCondition(left, 1);
    belief = learnFactor(
      [seenMonths / life.months],
      { priorSigma: LIFE_SIGMA, observationSigma, mostRatio: 4 },
      belief,
    );
  }
  if (belief.observations === 0) return undefined;
  const months = life.months * belief.factor;
  return {
    ...life,
    months,
    lowMonths: months * Math.exp(-TENTH_SIGMAS * belief.sigma),
    highMonths: months * Math.exp(TENTH_SIGMAS * belief.sigma),
    expectedMonths: life.months,
    drops: belief.observations,
  };
}
