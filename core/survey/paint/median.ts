/** Puts the median absolute deviation on the scale of a standard deviation. */
export const MAD_TO_SIGMA = 0.6745;
/** A gauge does not resolve a smaller spread than this, micrometres. */
export const SMALLEST_MAD_UM = 2;

/** Middle value; the mean of the two middle ones for an even count. @throws RangeError for none. */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('no values, no median');
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/** Median distance from a middle value. */
export function medianDeviation(values: readonly number[], middle: number): number {
  return median(values.map((value) => Math.abs(value - middle)));
}
