/** A full sheet cut by straight lines, nested again: its best length is known. */
import { type Point, type Polygon, polygonAreaM2, splitAlong } from '#core/item/geometry';
import { nest } from '#core/film/nest';

const SHEET: Polygon = [
  [0, 0],
  [3000, 0],
  [3000, 1524],
  [0, 1524],
];
const SECONDS = 10;

/** The largest part is halved again and again, each time at another slant. */
function cutUp(count: number): Polygon[] {
  const parts: Polygon[] = [SHEET];
  for (let cut = 1; parts.length < count; cut++) {
    parts.sort((a, b) => polygonAreaM2(b) - polygonAreaM2(a));
    const whole = parts.shift()!;
    const middle = whole.reduce<Point>(([sx, sy], [x, y]) => [sx + x / whole.length, sy + y / whole.length], [0, 0]);
    const slant = cut * 2.399963;
    parts.push(...splitAlong(whole, middle, [middle[0] + 100 * Math.cos(slant), middle[1] + 100 * Math.sin(slant)]));
  }
  return parts;
}

export function benchNest(): void {
  for (const count of [20, 40]) {
    const pieces = cutUp(count).map((outline, index) => ({
      id: `p${index}`,
      outline: outline.map(([x, y]): Point => [x - outline[0]![0], y - outline[0]![1]]),
      count: 1,
      turns: [0, 180],
    }));
    const startMs = performance.now();
    let first = 0;
    const { lengthMm } = nest(
      { rollWidthMm: 1524, gapMm: 0, pieces, blocked: [], seed: 1 },
      () => performance.now() - startMs > 1000 * SECONDS,
      (found) => (first ||= found.lengthMm),
    );
    console.log(`${count} pieces of a whole sheet nested again, ${SECONDS} s`);
    console.log(`  one by one (baseline)                 ${((100 * first) / 3000).toFixed(1)} % of the sheet’s length`);
    console.log(`  moved about                           ${((100 * lengthMm) / 3000).toFixed(1)} %`);
    console.log(`  bar: 105 %, ${lengthMm <= 3150 ? 'met' : 'not met'}`);
  }
}
