import { boundingBox, containsPoint, type Point, type Polygon } from '#core/item/geometry';

/** Points tried across and down a panel. */
const TRIED = 9;
/** A panel counts as drawn round when this share of it lies inside. */
const MOSTLY = 0.5;

/** Points spread evenly over an outline; its corners where it is too thin for any. */
function spread(outline: Polygon): readonly Point[] {
  const { minX, minY, maxX, maxY } = boundingBox(outline);
  const at = (low: number, high: number, index: number) => low + ((index + 0.5) / TRIED) * (high - low);
  const inside = Array.from({ length: TRIED * TRIED }, (_, index): Point => [
    at(minX, maxX, index % TRIED),
    at(minY, maxY, Math.floor(index / TRIED)),
  ]).filter((point) => containsPoint(outline, point));
  return inside.length > 0 ? inside : outline;
}

/**
 * Panels that a line drawn round them takes in: those that lie mostly inside it. The line closes itself; it may cross
 * itself, since a hand does.
 * @param line points of the sheet, mm, as the panels' outlines
 */
export function drawnRound<P extends { readonly outline: Polygon }>(panels: readonly P[], line: Polygon): P[] {
  if (line.length < 3) return [];
  return panels.filter(({ outline }) => {
    const points = spread(outline);
    return points.filter((point) => containsPoint(line, point)).length >= MOSTLY * points.length;
  });
}
