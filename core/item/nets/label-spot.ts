import type { Point, Polygon } from '#core/item/geometry';

export interface LabelSpot {
  readonly at: Point;
  /** Room there is across, in the outline's own units. */
  readonly width: number;
  readonly height: number;
}

/** Shares of an outline's height where a line of text is tried, its middle first. */
const ROWS = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74];

/** Where a line of text fits best inside an outline: the row with the widest clear run for its whole height. */
export function labelSpot(outline: Polygon, textHeight: number): LabelSpot {
  const ys = outline.map(([, y]) => y);
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  let best: LabelSpot = { at: outline[0]!, width: 0, height: 0 };
  for (const share of ROWS) {
    const y = low + share * (high - low);
    for (const [from, to] of clearRuns(outline, y, textHeight)) {
      // A row away from the middle has to be clearly wider to be worth it.
      const width = to - from;
      if (width > best.width * (best.width === 0 ? 1 : 1.15)) {
        best = { at: [(from + to) / 2, y], width, height: high - low };
      }
    }
  }
  return best;
}

/** Runs along a row that stay inside the outline over the height of the text. */
function clearRuns(outline: Polygon, y: number, textHeight: number): (readonly [number, number])[] {
  const half = textHeight / 2;
  return [y - half, y + half]
    .map((row) => runsAt(outline, row))
    .reduce((runs, others) => overlaps(runs, others), runsAt(outline, y));
}

function runsAt(outline: Polygon, y: number): (readonly [number, number])[] {
  const xs = outline
    .flatMap(([x1, y1], index): number[] => {
      const [x2, y2] = outline[(index + 1) % outline.length]!;
      return y1 > y === y2 > y ? [] : [x1 + ((y - y1) * (x2 - x1)) / (y2 - y1)];
    })
    .sort((a, b) => a - b);
  return Array.from({ length: xs.length >> 1 }, (_, pair) => [xs[2 * pair]!, xs[2 * pair + 1]!] as const);
}

function overlaps(
  runs: readonly (readonly [number, number])[],
  others: readonly (readonly [number, number])[],
): (readonly [number, number])[] {
  return runs.flatMap(([a, b]) =>
    others.flatMap(([c, d]) => (Math.min(b, d) > Math.max(a, c) ? [[Math.max(a, c), Math.min(b, d)] as const] : [])),
  );
}
