import {
  boundingBox,
  cutsAt,
  longAxis,
  type Point,
  type Polygon,
  polygonAreaM2,
  stripsBetween,
} from '#core/item/geometry';

/** A body line has to run over this much of a panel's width to end a section on. */
const CREASE_SPANS = 0.5;
/** And stray from straight across by no more than this share of it. */
const CREASE_STRAYS = 0.25;
/** A seam moves out of the middle, where the eye goes, by up to this share of the panel's length. */
const OUT_OF_MIDDLE = 0.12;
/** Of it so much is tried at a time. */
const OUT_STEP = 0.03;
/** Nearer to the middle than this share of the length a seam is looked at. */
const EYE = 0.08;

export interface Cut {
  readonly axis: 0 | 1;
  /** Where the seams lie along it, ascending; none: one piece. */
  readonly places: readonly number[];
  readonly pieces: readonly Polygon[];
  /** Seams that lie on a body line. */
  readonly onCreases: number;
}

/**
 * Cuts a panel into sections: across its longer side, on a body line where one runs there, out of the middle where the
 * eye goes, and no section larger than today's limit. Two sections may be parted lengthwise by a line that runs along.
 * @param mostShare of the panel's area that a section may have: 1 / sections at least
 * @param creases lines of the drawing, in the same millimetres as the outline
 */
export function cutPanel(
  outline: Polygon,
  sections: number,
  mostShare: number,
  creases: readonly (readonly Point[])[],
): Cut {
  const along = longAxis(outline);
  if (sections <= 1) return { axis: along, places: [], pieces: [outline], onCreases: 0 };
  const lengthwise = along === 0 ? 1 : 0;
  const holds = (axis: 0 | 1, places: readonly number[]) =>
    largestShare(outline, stripsBetween(outline, axis, places)) <= mostShare + ROUNDING;
  if (sections === 2) {
    const place = creasesAcross(outline, lengthwise, creases).find((each) => holds(lengthwise, [each]));
    if (place !== undefined) return cutOf(outline, lengthwise, [place], 1);
  }
  const equal = cutsAt(
    outline,
    along,
    Array.from({ length: sections - 1 }, (_, index) => (index + 1) / sections),
  );
  let places = equal;
  let onCreases = 0;
  for (const crease of creasesAcross(outline, along, creases)) {
    const nearest = places.reduce(
      (best, place, index) => (Math.abs(place - crease) < Math.abs(places[best]! - crease) ? index : best),
      0,
    );
    const moved = places.with(nearest, crease).toSorted((a, b) => a - b);
    if (places[nearest] === crease || !holds(along, moved)) continue;
    places = moved;
    onCreases += 1;
  }
  return cutOf(outline, along, outOfTheMiddle(outline, along, places, holds), onCreases);
}

/** Shares of areas are reckoned; this is the same. */
const ROUNDING = 1e-6;

const cutOf = (outline: Polygon, axis: 0 | 1, places: readonly number[], onCreases: number): Cut => ({
  axis,
  places,
  pieces: stripsBetween(outline, axis, places),
  onCreases,
});

function largestShare(outline: Polygon, pieces: readonly Polygon[]): number {
  return Math.max(...pieces.map(polygonAreaM2)) / polygonAreaM2(outline);
}

/** Where body lines run across an axis over most of the panel, along it; those furthest from the middle first. */
function creasesAcross(outline: Polygon, axis: 0 | 1, creases: readonly (readonly Point[])[]): number[] {
  const box = boundingBox(outline);
  const [low, high] = axis === 0 ? [box.minX, box.maxX] : [box.minY, box.maxY];
  const [from, to] = axis === 0 ? [box.minY, box.maxY] : [box.minX, box.maxX];
  const middle = (low + high) / 2;
  const places = creases.flatMap((crease): number[] => {
    const inside = crease.filter(
      ([x, y]) => x >= box.minX - 1 && x <= box.maxX + 1 && y >= box.minY - 1 && y <= box.maxY + 1,
    );
    if (inside.length < 2) return [];
    const across = inside.map((point) => point[axis === 0 ? 1 : 0]);
    const places = inside.map((point) => point[axis]);
    const spans = Math.max(...across) - Math.min(...across);
    const strays = Math.max(...places) - Math.min(...places);
    if (spans < CREASE_SPANS * (to - from) || strays > CREASE_STRAYS * spans) return [];
    const place = places.reduce((sum, each) => sum + each, 0) / places.length;
    return place > low && place < high ? [place] : [];
  });
  return places.sort((a, b) => Math.abs(b - middle) - Math.abs(a - middle));
}

/** A seam in the middle of the panel is moved aside as far as the limit lets it, to the side with the room for it. */
function outOfTheMiddle(
  outline: Polygon,
  axis: 0 | 1,
  places: readonly number[],
  holds: (axis: 0 | 1, places: readonly number[]) => boolean,
): readonly number[] {
  const box = boundingBox(outline);
  const [low, high] = axis === 0 ? [box.minX, box.maxX] : [box.minY, box.maxY];
  const length = high - low;
  const index = places.findIndex((place) => Math.abs(place - (low + high) / 2) < EYE * length);
  if (index === -1) return places;
  for (let aside = OUT_OF_MIDDLE; aside > 0; aside -= OUT_STEP) {
    for (const way of [-1, 1]) {
      const moved = places.with(index, places[index]! + way * aside * length);
      if (holds(axis, moved) && isAscending(moved)) return moved;
    }
  }
  return places;
}

const isAscending = (places: readonly number[]) =>
  places.every((place, index) => index === 0 || place > places[index - 1]!);
