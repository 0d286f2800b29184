import { boundingBox, type Point, type Polygon, polygonAreaM2 } from './polygon';

/** A surface as a tape measures it. Lengths in mm; rings are given by their diameters. */
export type Shape =
  | { readonly kind: 'rectangle'; readonly aMm: number; readonly bMm: number }
  | { readonly kind: 'trapezoid'; readonly aMm: number; readonly bMm: number; readonly hMm: number }
  | { readonly kind: 'polygon'; readonly pointsMm: Polygon }
  | { readonly kind: 'ring'; readonly outerMm: number; readonly innerMm: number }
  | { readonly kind: 'cylinder'; readonly diameterMm: number; readonly lengthMm: number }
  | { readonly kind: 'offsets'; readonly stationMm: number; readonly offsetsMm: readonly number[] }
  | { readonly kind: 'area'; readonly areaM2: number };

export type ShapeKind = Shape['kind'];
export type ShapeOf<K extends ShapeKind> = Extract<Shape, { kind: K }>;

const MM2_PER_M2 = 1e6;
/** Corners of a drawn circle: its own polygon is for the eye, never for the area. */
const CIRCLE_CORNERS = 48;

interface ShapeModel<S> {
  areaM2(shape: S): number;
  /** Shorter side of the axis-aligned box, m, where the shape has one: across it run the seams. */
  shortSideM?(shape: S): number;
  /** Developed outline for the map, mm, from its own origin. */
  outline(shape: S): Polygon;
}

const rectangleOutline = (widthMm: number, heightMm: number): Polygon => [
  [0, 0],
  [widthMm, 0],
  [widthMm, heightMm],
  [0, heightMm],
];

const SHAPE_MODELS: { readonly [K in ShapeKind]: ShapeModel<ShapeOf<K>> } = {
  rectangle: {
    areaM2: ({ aMm, bMm }) => (aMm * bMm) / MM2_PER_M2,
    shortSideM: ({ aMm, bMm }) => Math.min(aMm, bMm) / 1000,
    outline: ({ aMm, bMm }) => rectangleOutline(aMm, bMm),
  },
  trapezoid: {
    areaM2: ({ aMm, bMm, hMm }) => (((aMm + bMm) / 2) * hMm) / MM2_PER_M2,
    shortSideM: ({ aMm, bMm, hMm }) => Math.min(Math.max(aMm, bMm), hMm) / 1000,
    outline: ({ aMm, bMm, hMm }) => {
      const wide = Math.max(aMm, bMm);
      return [
        [(wide - bMm) / 2, 0],
        [(wide + bMm) / 2, 0],
        [(wide + aMm) / 2, hMm],
        [(wide - aMm) / 2, hMm],
      ];
    },
  },
  polygon: {
    areaM2: ({ pointsMm }) => polygonAreaM2(pointsMm),
    shortSideM: ({ pointsMm }) => {
      const { minX, minY, maxX, maxY } = boundingBox(pointsMm);
      return Math.min(maxX - minX, maxY - minY) / 1000;
    },
    outline: ({ pointsMm }) => pointsMm,
  },
  ring: {
    areaM2: ({ outerMm, innerMm }) => (Math.PI * (outerMm ** 2 - innerMm ** 2)) / 4 / MM2_PER_M2,
    outline: ({ outerMm }) => circleOutline(outerMm),
  },
  cylinder: {
    areaM2: ({ diameterMm, lengthMm }) => (Math.PI * diameterMm * lengthMm) / MM2_PER_M2,
    outline: ({ diameterMm, lengthMm }) => rectangleOutline(Math.PI * diameterMm, lengthMm),
  },
  offsets: {
    areaM2: ({ stationMm, offsetsMm }) => simpson(offsetsMm, stationMm) / MM2_PER_M2,
    outline: ({ stationMm, offsetsMm }) => {
      const upper = offsetsMm.map((girth, index): Point => [index * stationMm, -girth / 2]);
      const lower = offsetsMm.map((girth, index): Point => [index * stationMm, girth / 2]);
      return [...upper, ...lower.reverse()];
    },
  },
  area: {
    areaM2: ({ areaM2 }) => areaM2,
    outline: ({ areaM2 }) => {
      const sideMm = Math.sqrt(areaM2) * 1000;
      return rectangleOutline(sideMm, sideMm);
    },
  },
};

function modelOf<S extends Shape>(shape: S): ShapeModel<S> {
  return SHAPE_MODELS[shape.kind] as unknown as ShapeModel<S>;
}

/** Developed area, m², without curvature. */
export function shapeAreaM2(shape: Shape): number {
  return modelOf(shape).areaM2(shape);
}

/** Side that seams run across, m: of the bounding box where the shape has one, else the root of `areaM2`. */
export function shapeShortSideM(shape: Shape, areaM2: number): number {
  return modelOf(shape).shortSideM?.(shape) ?? Math.sqrt(areaM2);
}

/** Outline for the map, mm, from the shape's own origin. A bare area is drawn as a square of that size. */
export function shapeOutline(shape: Shape): Polygon {
  return modelOf(shape).outline(shape);
}

/**
 * Area under offsets at equal stations by Simpson's rule, in the square of the unit given.
 * @throws RangeError for an even number of offsets, or fewer than three: measure one more station.
 */
export function simpson(offsets: readonly number[], station: number): number {
  if (offsets.length < 3 || offsets.length % 2 === 0) {
    throw new RangeError(`Simpson's rule wants an odd number of at least 3 stations, not ${offsets.length}`);
  }
  const weighted = offsets.reduce((sum, offset, index) => {
    const weight = index === 0 || index === offsets.length - 1 ? 1 : index % 2 === 1 ? 4 : 2;
    return sum + weight * offset;
  }, 0);
  return (weighted * station) / 3;
}

/** Pieces a station's interval is drawn with. */
const PIECES_PER_STATION = 8;

/**
 * The outline that girths at equal stations enclose, hung from an upper edge, mm: parabolas over two intervals
 * each, as Simpson's rule has them, so that its area is that of {@link simpson} but for the drawing's fineness.
 * @param upperMm height of the upper edge at the same stations; straight along 0 without it
 * @throws RangeError as {@link simpson}
 */
export function simpsonOutline(
  girthsMm: readonly number[],
  stationMm: number,
  upperMm: readonly number[] = girthsMm.map(() => 0),
): Polygon {
  simpson(girthsMm, stationMm);
  const samples = Array.from({ length: (girthsMm.length - 1) * PIECES_PER_STATION + 1 }, (_, index) => {
    const u = index / PIECES_PER_STATION;
    return { x: u * stationMm, upper: onParabolas(upperMm, u), girth: onParabolas(girthsMm, u) };
  });
  const top = samples.map(({ x, upper }): Point => [x, upper]);
  const bottom = samples.filter(({ girth }) => girth > 0).map(({ x, upper, girth }): Point => [x, upper - girth]);
  return [...top, ...bottom.reverse()];
}

/** Value at station `u` of the parabolas through each three stations from an even one on. */
function onParabolas(values: readonly number[], u: number): number {
  const first = Math.min(2 * Math.floor(u / 2), values.length - 3);
  const t = u - first;
  const [a, b, c] = [values[first]!, values[first + 1]!, values[first + 2]!];
  return (a * (t - 1) * (t - 2)) / 2 - b * t * (t - 2) + (c * t * (t - 1)) / 2;
}

function circleOutline(diameterMm: number): Polygon {
  const radius = diameterMm / 2;
  return Array.from({ length: CIRCLE_CORNERS }, (_, corner): Point => {
    const angle = (2 * Math.PI * corner) / CIRCLE_CORNERS;
    return [radius + radius * Math.cos(angle), radius + radius * Math.sin(angle)];
  });
}
