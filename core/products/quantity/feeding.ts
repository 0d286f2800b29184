import { type MethodId, METHODS } from '#core/products/methods';
import { DROP_ML } from './amount';

/** How an applicator is fed on one section. Millilitres. */
export interface Feeding {
  /** What it is loaded with before it touches. */
  readonly firstMl: number;
  /** Then so much more, so many times, spread evenly over the way. */
  readonly moreMl: number;
  readonly times: number;
  /** Area between one feed and the next, m². */
  readonly everyM2: number;
}

/**
 * How much goes on the applicator to begin with and how often it is fed again, so that the last feed runs out with the
 * section: the amount is the plan's, the load is what the applicator of the method takes.
 * @example feeding(0.7, 0.2, 'small-block') // 0.5 ml to begin, 0.2 ml once more at its middle
 */
export function feeding(ml: number, areaM2: number, method: MethodId): Feeding {
  const { loadMl, feedMl } = METHODS[method];
  const firstMl = Math.min(ml, loadMl);
  const rest = ml - firstMl;
  // Less than half a drop more is in the first touch.
  const times = rest < DROP_ML / 2 ? 0 : Math.max(1, Math.round(rest / feedMl));
  return { firstMl, moreMl: times === 0 ? 0 : rest / times, times, everyM2: areaM2 / (times + 1) };
}
