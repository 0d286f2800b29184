/** The latest of several moments, minutes; null where one of them never comes, or there is none. */
export const latestMoment = (moments: readonly (number | null)[]): number | null =>
  moments.length === 0 || moments.includes(null) ? null : Math.max(...(moments as readonly number[]));
