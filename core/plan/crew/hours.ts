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
export const workedIn = (hours: Hours, fromMin: number, works: readonly number[], firstMin = 0): (Hours | null)[] =>
  sharedIn([hours], fromMin, works, () => 1, firstMin);

/**
 * The same shared by several, each in their own hours: it goes as fast as there are hands at that moment, whoever comes later
 * or leaves before the end.
 * @param works minutes of each for one pair of hands alone
 * @param speed how many of those minutes so many hands do in one
 * @example sharedIn([[[0, 100]], [[0, 20]]], 0, [60], (hands) => hands) // [[[0, 40]]]
 */
export function sharedIn(
  people: readonly Hours[],
  fromMin: number,
  works: readonly number[],
  speed: (hands: number) => number,
  firstMin = 0,
): (Hours | null)[] {
  const open = presence(people, fromMin, firstMin);
  let at = 0;
  return works.map((workMin) => {
    const stretches: [number, number][] = [];
    let left = workMin;
    while (left > SAME_MOMENT_MIN) {
      const step = open[at];
      if (!step) return null;
      const [from, to, hands] = step;
      const pace = speed(hands);
      const takes = Math.min(left / pace, to - from);
      const last = stretches.at(-1);
      if (last && from - last[1] <= SAME_MOMENT_MIN) last[1] = from + takes;
      else if (takes > 0) stretches.push([from, from + takes]);
      step[0] += takes;
      left -= takes * pace;
      if (step[1] - step[0] <= SAME_MOMENT_MIN) at++;
    }
    return stretches;
  });
}

/** Steps in which the number of people who are there stays the same, from a moment on; the beginning of each stretch of hours is no work. */
function presence(
  people: readonly Hours[],
  fromMin: number,
  firstMin: number,
): [from: number, to: number, hands: number][] {
  const moments = people.flatMap((hours) => hours.flat());
  return inOrder(people.flat()).flatMap(([opens, closes]) => {
    const start = Math.max(opens, fromMin) + firstMin;
    if (start >= closes) return [];
    const inside = moments.filter((min) => min > start && min < closes).toSorted((a, b) => a - b);
    const cuts = [...new Set([start, ...inside, closes])];
    return cuts.slice(1).map((to, nth): [number, number, number] => {
      const from = cuts[nth]!;
      return [from, to, people.filter((hours) => hours.some(([a, b]) => a <= from && b >= to)).length];
    });
  });
}
