import { median } from './median';
import type { PlacedReading } from './spots';

/** Readings on one panel further apart than this, between its two groups, are of two paints, µm. */
const TWO_PAINTS_GAP_UM = 40;
/** Each of the two has to be seen so often. */
const LEAST_EACH = 2;

/** Two paints on one panel: a blend, or a repair that ends in its middle. */
export interface TwoPaints {
  /** Median of each group, µm, the thinner first. */
  readonly medianUm: readonly [thin: number, thick: number];
  /** Where they part, as two places on the panel; absent where nobody kept the places, or they lie mixed. */
  readonly line?: readonly [from: Place, to: Place];
}

type Place = readonly [across: number, down: number];

/** Whether readings fall into two groups with a gap between their medians and none of them in it. */
export function twoPaints(readings: readonly PlacedReading[]): TwoPaints | undefined {
  const sorted = readings.toSorted((a, b) => a.um - b.um);
  let widest: { at: number; gap: number } | undefined;
  for (let at = LEAST_EACH; at <= sorted.length - LEAST_EACH; at++) {
    const gap = sorted[at]!.um - sorted[at - 1]!.um;
    if (!widest || gap > widest.gap) widest = { at, gap };
  }
  if (!widest || widest.gap <= TWO_PAINTS_GAP_UM) return undefined;
  const [thin, thick] = [sorted.slice(0, widest.at), sorted.slice(widest.at)];
  const line = partingLine(thin, thick);
  return { medianUm: [median(thin.map(({ um }) => um)), median(thick.map(({ um }) => um))], ...(line && { line }) };
}

/** A line straight across or straight down the panel, half way between the nearest of both groups. */
function partingLine(thin: readonly PlacedReading[], thick: readonly PlacedReading[]): TwoPaints['line'] {
  const lines = ([0, 1] as const).flatMap((axis) => {
    const along = (group: readonly PlacedReading[]) => group.flatMap(({ at }) => (at ? [at[axis]] : []));
    const [a, b] = [along(thin), along(thick)];
    if (a.length < thin.length || b.length < thick.length) return [];
    const [low, high] = Math.max(...a) < Math.min(...b) ? [a, b] : [b, a];
    const room = Math.min(...high) - Math.max(...low);
    return room > 0 ? [{ axis, at: Math.max(...low) + room / 2, room }] : [];
  });
  const [best] = lines.sort((a, b) => b.room - a.room);
  if (!best) return undefined;
  return best.axis === 0
    ? [
        [best.at, 0],
        [best.at, 1],
      ]
    : [
        [0, best.at],
        [1, best.at],
      ];
}
