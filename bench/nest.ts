/** A full sheet cut by straight lines, nested again: its best length is known. */
import { nest, type NestPiece } from '#core/film/nest';
import { boundingBox, type Point, type Polygon, polygonAreaM2, shapeOutline, splitAlong } from '#core/item/geometry';
import { templateById } from '#core/item/nets';

const SHEET: Polygon = [
  [0, 0],
  [3000, 0],
  [3000, 1524],
  [0, 1524],
];
/** Pieces, what they are cut by, seconds given, and how much longer than the sheet they may lie. */
const BARS = [
  { count: 20, cut: 'slants', seconds: 10, bar: 1.05 },
  { count: 20, cut: 'squares', seconds: 10, bar: 1.05 },
  { count: 40, cut: 'slants', seconds: 30, bar: 1.06 },
  { count: 40, cut: 'squares', seconds: 30, bar: 1.06 },
] as const;
const GOLDEN_TURN = 2.399963;
const FRONT = /^(bonnet|front-bumper|front-wing|mirror|headlamp|sill|pillar)/;
const FRONT_SECONDS = 20;
const FRONT_BAR = 0.85;

/** The largest part is halved again and again, each time at another slant, or across. */
function cutUp(count: number, cut: 'slants' | 'squares'): Polygon[] {
  const parts: Polygon[] = [SHEET];
  for (let nth = 1; parts.length < count; nth++) {
    parts.sort((a, b) => polygonAreaM2(b) - polygonAreaM2(a));
    const whole = parts.shift()!;
    const middle = whole.reduce<Point>(([sx, sy], [x, y]) => [sx + x / whole.length, sy + y / whole.length], [0, 0]);
    const { minX, minY, maxX, maxY } = boundingBox(whole);
    const across = maxX - minX > maxY - minY ? Math.PI / 2 : 0;
    const slant = cut === 'slants' ? nth * GOLDEN_TURN : across;
    // Off the middle by a little, each time otherwise, so that no two parts are alike.
    const [x, y] = [middle[0] + 60 * Math.sin(nth * 7), middle[1] + 60 * Math.cos(nth * 5)];
    parts.push(...splitAlong(whole, [x, y], [x + 100 * Math.cos(slant), y + 100 * Math.sin(slant)]));
  }
  return parts;
}

function nestFor(pieces: readonly NestPiece[], gapMm: number, seconds: number) {
  const startMs = performance.now();
  let first = 0;
  const nested = nest(
    { rollWidthMm: 1524, gapMm, pieces, blocked: [], seed: 1 },
    () => performance.now() - startMs > 1000 * seconds,
    (found) => (first ||= found.lengthMm),
  );
  return { ...nested, first };
}

export function benchNest(): void {
  for (const { count, cut, seconds, bar } of BARS) {
    const pieces = cutUp(count, cut).map((outline, index) => ({
      id: `p${index}`,
      outline: outline.map(([x, y]): Point => [x - outline[0]![0], y - outline[0]![1]]),
      count: 1,
      turns: [0, 180],
    }));
    const { lengthMm, first } = nestFor(pieces, 0, seconds);
    const share = lengthMm / 3000;
    console.log(`${count} pieces of a whole sheet cut in ${cut}, nested again, ${seconds} s at most`);
    console.log(`  one by one (baseline)                 ${((100 * first) / 3000).toFixed(1)} % of the sheet’s length`);
    console.log(`  nested                                ${(100 * share).toFixed(1)} %`);
    console.log(`  bar: ${100 * bar} %, ${share <= bar ? 'met' : 'not met'}`);
  }
  const hatchback = templateById('hatchback')!;
  const front = hatchback
    .unfold(hatchback.usual)
    .panels.filter(({ id }) => FRONT.test(id))
    .map(({ id, outlineMm }) => ({ id, outline: outlineMm, count: 1, turns: [0, 90, 180, 270] }));
  const boxes = front.map((piece) => {
    const { minX, minY, maxX, maxY } = boundingBox(piece.outline);
    return { ...piece, outline: shapeOutline({ kind: 'rectangle', aMm: maxX - minX, bMm: maxY - minY }) };
  });
  const [own, boxed] = [nestFor(front, 3, FRONT_SECONDS), nestFor(boxes, 3, FRONT_SECONDS)];
  console.log(`front of the small hatchback, ${front.length} pieces, ${FRONT_SECONDS} s each`);
  console.log(`  as their boxes (baseline)             ${boxed.lengthMm.toFixed(0)} mm`);
  console.log(
    `  as they are                           ${own.lengthMm.toFixed(0)} mm, bound ${own.boundMm.toFixed(0)} mm`,
  );
  console.log(`  bar: 85 % of the boxes, ${own.lengthMm <= FRONT_BAR * boxed.lengthMm ? 'met' : 'not met'}`);
}
