import {
  boundingBox,
  containsPoint,
  partedAlongEdge,
  type Point,
  type Polygon,
  polygonAreaM2,
  shapeOutline,
  splitAlong,
} from '#core/item/geometry';
import { partId } from '#core/item/nets';
import type { JobDraft, Surface, SurfaceMark } from '#formats/job';
import { followersOf } from './following';
import { placedReadings, withReadings } from './edits';

/** A place on a panel as the net gives it: shares of its box, across and down the sheet. */
type Place = readonly [across: number, down: number];

const LETTERS = 'abcdefgh';

const OUTLINED: readonly Surface['shape']['kind'][] = ['polygon', 'rectangle', 'trapezoid'];

/**
 * Why a surface cannot be split; undefined where it can.
 * @example splitFault({ shape: { kind: 'area', areaM2: 1 }, count: 1 }) // 'it has no outline …'
 */
export function splitFault({ shape, count }: Pick<Surface, 'shape' | 'count'>): string | undefined {
  if (count > 1) return 'it stands for several copies; make them surfaces of their own first';
  if (!OUTLINED.includes(shape.kind)) return 'it has no outline to draw a line on; measure its parts by tape';
  return undefined;
}

/** The point of an outline at a place on the sheet, which grows downwards where the outline grows upwards. */
function pointAt(outline: Polygon, [across, down]: Place): Point {
  const { minX, minY, maxX, maxY } = boundingBox(outline);
  return [minX + across * (maxX - minX), maxY - down * (maxY - minY)];
}

function placeOn(outline: Polygon, [x, y]: Point): [number, number] {
  const { minX, minY, maxX, maxY } = boundingBox(outline);
  const share = (value: number) => Math.min(1, Math.max(0, value));
  return [share((x - minX) / (maxX - minX)), share((maxY - y) / (maxY - minY))];
}

function pieceName(name: string, letter: string): string {
  const side = /, (left|right)$/.exec(name)?.[0] ?? '';
  return `${name.slice(0, name.length - side.length)} ${letter}${side}`;
}

/**
 * Splits a surface along the line through two places on it. The pieces keep all that was said of the whole;
 * each mark goes to the piece nearest to it, and so does each reading that has a place; the rest stay with the largest. The areas add up.
 * @returns the draft as it was where the line misses the panel
 */
export function splitSurface(draft: JobDraft, id: string, from: Place, to: Place): JobDraft {
  const { surfaces } = draft.document;
  const surface = surfaces.find((one) => one.id === id);
  if (!surface || splitFault(surface)) return draft;
  const outline = shapeOutline(surface.shape);
  const [a, b] = [pointAt(outline, from), pointAt(outline, to)];
  if (Math.hypot(a[0] - b[0], a[1] - b[1]) < 1) return draft;
  const outlines = [...splitAlong(outline, a, b)]
    .sort((p, q) => polygonAreaM2(q) - polygonAreaM2(p))
    .slice(0, LETTERS.length);
  if (outlines.length < 2) return draft;
  return intoPieces(
    draft,
    surface,
    outlines.map((piece, index) => ({
      outline: piece,
      key: LETTERS[index]!,
      name: pieceName(surface.name ?? surface.id, LETTERS[index]!),
    })),
  );
}

/**
 * Splits a strip off along an edge; what is left keeps its id and its name.
 * @param strip what the strip is called behind the panel's own name and id
 * @returns the draft as it was where no strip can be had there
 */
export function splitOffEdge(
  draft: JobDraft,
  id: string,
  { line, depthMm, key, name }: { line: readonly Point[]; depthMm: number; key: string; name: string },
): JobDraft {
  const surface = draft.document.surfaces.find((one) => one.id === id);
  if (!surface || splitFault(surface)) return draft;
  const parted = partedAlongEdge(shapeOutline(surface.shape), line, depthMm);
  if (!parted) return draft;
  return intoPieces(draft, surface, [
    { outline: parted.rest },
    { outline: parted.strip, key, name: pieceName(surface.name ?? surface.id, name) },
  ]);
}

/** A piece of a surface; one without a key goes on as the surface it was of. */
interface Piece {
  readonly outline: Polygon;
  readonly key?: string;
  readonly name?: string;
}

function intoPieces(draft: JobDraft, surface: Surface, cut: readonly Piece[]): JobDraft {
  const { surfaces } = draft.document;
  const outline = shapeOutline(surface.shape);
  const outlines = cut.map((piece) => piece.outline);
  const marks = (surface.marks ?? []).map((mark) => ({ mark, point: pointAt(outline, mark.at) }));
  const readings = placedReadings(surface).map((reading) => ({
    ...reading,
    point: reading.at && pointAt(outline, reading.at),
  }));
  const taken = new Set(surfaces.map((one) => one.id));
  const pieces = cut.map(({ outline: piece, key, name }, index): Surface => {
    const own = marks
      .filter(({ point }) => nearest(outlines, point) === index)
      .map(({ mark, point }): SurfaceMark => ({ ...mark, at: placeOn(piece, point) }));
    // A reading goes with the piece it was taken on; one that nobody kept the place of stays with the largest.
    const read = readings
      .filter(({ point }) => (point ? nearest(outlines, point) : 0) === index)
      .map(({ point, ...reading }) => ({ ...reading, at: point && placeOn(piece, point) }));
    return {
      ...withReadings(surface, read),
      ...(key && { id: freeId(surface.id, key, taken), name }),
      shape: { kind: 'polygon', pointsMm: piece.map(([x, y]): [number, number] => [x, y]) },
      ...(surface.marks && { marks: own }),
    };
  });
  return {
    ...draft,
    document: {
      ...draft.document,
      surfaces: followersOf(
        surfaces.flatMap((one) => (one === surface ? pieces : [one])),
        [surface.id],
        pieces.map(({ id }) => id),
      ),
    },
  };
}

function freeId(id: string, letter: string, taken: ReadonlySet<string>): string {
  let free = partId(id, letter);
  for (let number = 2; taken.has(free); number++) free = partId(id, `${letter}${number}`);
  return free;
}

/** The piece whose box holds the point most inwardly; marks lie inside, so that is where they belong. */
function nearest(outlines: readonly Polygon[], point: Point): number {
  const distances = outlines.map((outline) => (containsPoint(outline, point) ? -1 : distanceToBox(outline, point)));
  return distances.indexOf(Math.min(...distances));
}

function distanceToBox(outline: Polygon, [x, y]: Point): number {
  const { minX, minY, maxX, maxY } = boundingBox(outline);
  return Math.hypot(Math.max(minX - x, 0, x - maxX), Math.max(minY - y, 0, y - maxY));
}
