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
  let minutes = 0;
  for (const [opens, closes] of hours) {
    if (opens >= toMin) break;
    if (closes <= fromMin) continue;
    minutes += (closes < toMin ? closes : toMin) - (opens > fromMin ? opens : fromMin);
  }
  return minutes;
}

/** When somebody is there in both of two series. */
export function within(a: Hours, b: Hours): Hours {
  const [own, others] = [inOrder(a), inOrder(b)];
  const common: [number, number][] = [];
  for (let [at, beside] = [0, 0]; at < own.length && beside < others.length;) {
    const [[from, to], [opens, closes]] = [own[at]!, others[beside]!];
    const [begins, ends] = [Math.max(from, opens), Math.min(to, closes)];
    if (ends > begins) common.push([begins, ends]);
    // Whichever ends first has nothing more in common with what follows.
    if (to <= closes) at += 1;
    else beside += 1;
  }
  return common;
}

/** What is left of some hours when others are taken out of them. */
export function without(hours: Hours, taken: Hours): Hours {
  const gone = inOrder(taken);
  return inOrder(
    hours.flatMap(([from, to]) => {
      const left: [number, number][] = [];
      let at = from;
      for (const [begins, ends] of gone) {
        if (ends <= at || begins >= to) continue;
        left.push([at, begins]);
        at = Math.max(at, ends);
      }
      left.push([at, to]);
      return left;
    }),
  );
}

/**
 * Pieces of work one after the other in the hours somebody is there, each as the stretches in which it is done; null for
 * a piece the hours do not reach.
 * @param works minutes of each
 * @param firstMin of every stretch of hours that are not work: set-up
 * @example workedIn([[0, 60], [100, 200]], 0, [50, 40], 0) // [[[0, 50]], [[50, 60], [100, 130]]]
 */
export function workedIn(hours: Hours, fromMin: number, works: readonly number[], firstMin = 0): (Hours | null)[] {
  const open = hours.flatMap(([opens, closes]): [number, number][] => {
    const start = Math.max(opens, fromMin) + firstMin;
    return start < closes ? [[start, closes]] : [];
  });
  let at = 0;
  return works.map((workMin) => {
    const stretches: [number, number][] = [];
    let left = workMin;
    while (left > SAME_MOMENT_MIN) {
      const stretch = open[at];
      if (!stretch) return null;
      const takes = Math.min(left, stretch[1] - stretch[0]);
      if (takes > 0) stretches.push([stretch[0], stretch[0] + takes]);
      stretch[0] += takes;
      left -= takes;
      if (stretch[1] - stretch[0] <= SAME_MOMENT_MIN) at++;
    }
    return stretches;
  });
}
