/** Belief about a factor on a predicted quantity: log-normal with median `factor` and log-sigma `sigma`. */
export interface LearnedFactor {
  readonly factor: number;
  readonly sigma: number;
  /** How many observations it rests on. */
  readonly observations: number;
}

/** Log-sigmas of what is known before any observation, and of one observation. Engineering defaults. */
export interface LearningModel {
  readonly priorSigma: number;
  readonly observationSigma: number;
  /**
   * One observation counts as at most so many times more or less than predicted: beyond it somebody forgot to tap,
   * and a clock that ran over night would teach more than a hundred honest jobs.
   */
  readonly mostRatio?: number;
}
/** Flash times: cue seen against cue predicted. */
export const FLASH_LEARNING: LearningModel = { priorSigma: 0.2, observationSigma: 0.12, mostRatio: 4 };

/** Pace of hands with one product: a whole job's minutes foretold against taken. Engineering defaults. */
export const PACE_LEARNING: LearningModel = { priorSigma: 0.3, observationSigma: 0.2, mostRatio: 4 };

/** Uncertainty that a night adds to what was learned the day before, in quadrature. */
const DAY_DRIFT_SIGMA = 0.1;

/**
 * Conjugate update of a log-normal factor by observed/predicted ratios.
 * @throws RangeError for a ratio that is not a positive number.
 * @example learnFactor([0.7], FLASH_LEARNING) // factor 0.7693: sooner than predicted is below 1
 */
export function learnFactor(ratios: readonly number[], model: LearningModel, prior = untaught(model)): LearnedFactor {
  for (const ratio of ratios) {
    if (!(ratio > 0 && Number.isFinite(ratio))) throw new RangeError(`a ratio must be positive, not ${ratio}`);
  }
  const priorPrecision = 1 / prior.sigma ** 2;
  const precision = priorPrecision + ratios.length / model.observationSigma ** 2;
  const most = Math.log(model.mostRatio ?? Infinity);
  const logSum = ratios.reduce((sum, ratio) => sum + Math.min(most, Math.max(-most, Math.log(ratio))), 0);
  const mean = (Math.log(prior.factor) * priorPrecision + logSum / model.observationSigma ** 2) / precision;
  return {
    factor: Math.exp(mean),
    sigma: Math.sqrt(1 / precision),
    observations: prior.observations + ratios.length,
  };
}

/** What is known before anything was observed: factor 1 with the prior's spread. */
export function untaught(model: LearningModel): LearnedFactor {
  return { factor: 1, sigma: model.priorSigma, observations: 0 };
}

/** The same belief on a later day: mean kept, less certain. */
export function onALaterDay(learned: LearnedFactor): LearnedFactor {
  return { ...learned, sigma: Math.hypot(learned.sigma, DAY_DRIFT_SIGMA) };
}

/** Spread of the next single observation; the prior's own before the first one. */
export function predictiveSigma(learned: LearnedFactor, model: LearningModel): number {
  return learned.observations === 0 ? learned.sigma : Math.hypot(learned.sigma, model.observationSigma);
}

/** Whether two observations of one run are far enough apart to ask whether a reading was mistaken. */
export function isSurprising(ratio: number, learned: LearnedFactor, model: LearningModel): boolean {
  const sigma = predictiveSigma(learned, model);
  return Math.abs(Math.log(ratio / learned.factor)) > 3 * sigma;
}
