/** Stretches of time in which somebody is there, minutes on the scale of a job, apart and in their order. */
export type Hours = readonly (readonly [fromMin: number, toMin: number])[];

/** Moments nearer than this are one, minutes. */
export const SAME_MOMENT_MIN = 1e-9;

export const ALWAYS: Hours = [[-Infinity, Infinity]];

/** Stretches in any order, overlapping or touching, as one series; empty ones are dropped. */
export function inOrder(stretches: Hours): Hours {
  const series: [number, number][] = [];
  for (const [fromMin, toMin] of stretches.filter(([from, to]) => to > from).toSorted((a, b) => a[0] - b[0])) {
    const last = series.at(-1);
    if (last && fromMin <= last[1]) last[1] = Math.max(last[1], toMin);
    else series.push([fromMin, toMin]);
  }
  return series;
}

/** The earliest moment from `fromMin` on from which `lastsMin` fit inside one stretch; null: never again. */
export function nextFit(hours: Hours, fromMin: number, lastsMin: number): number | null {
  for (const [opens, closes] of hours) {
    const start = Math.max(opens, fromMin);
    if (start + lastsMin <= closes + SAME_MOMENT_MIN) return start;
  }
  return null;
}

/** Until when it goes on without a break from `atMin`; `atMin` itself where nobody is there then. */
export function unbrokenUntil(hours: Hours, atMin: number): number {
  const stretch = hours.find(([opens, closes]) => opens <= atMin + SAME_MOMENT_MIN && atMin < closes);
  return stretch ? stretch[1] : atMin;
}

/** Minutes there are between two moments. */
export function minutesWithin(hours: Hours, fromMin: number, toMin: number): number {
  return hours.reduce(
    (sum, [opens, closes]) => sum + Math.max(0, Math.min(closes, toMin) - Math.max(opens, fromMin)),
    0,
  );
}
