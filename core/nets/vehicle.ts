import type { Point } from '../geometry';
import type { SubstrateId } from '../substrates';
import type { Linework, Net, NetPanel, Zone } from './net';
import { pathPoints } from './path';
import { type Station, stretch } from './stretch';

/** The tape measurements a vehicle template is stretched to, mm. */
export interface VehicleDimensions {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly wheelbaseMm: number;
}
export type VehicleDimension = keyof VehicleDimensions;

/** A panel of the side elevation: x from the nose, z up from the ground, mm of the template. Drawn once, used on both sides. */
export interface SidePanel {
  readonly id: string;
  readonly name: string;
  readonly substrate: SubstrateId;
  readonly curvature: number;
  readonly path: string;
}

/**
 * A panel of the centre strip. `half` runs from the centre line out and back: first coordinate the index
 * along the template's profile (3.5 is halfway between points 3 and 4), second the half width, mm.
 */
export interface StripPanel {
  readonly id: string;
  readonly name: string;
  readonly substrate: SubstrateId;
  readonly curvature: number;
  readonly zone: Zone;
  readonly half: string;
}

/** A road vehicle as data: one side elevation, one centre-line profile, and the stations that stretch. */
export interface VehicleTemplate {
  readonly id: string;
  readonly name: string;
  /** The size it is drawn at. */
  readonly reference: VehicleDimensions;
  /** A typical item of the kind: where a form starts. */
  readonly usual: VehicleDimensions;
  /** What a tape can plausibly read, mm. */
  readonly plausible: Readonly<Record<VehicleDimension, readonly [number, number]>>;
  /** Front axle behind the nose, mm, and the half length of each wheel arch, which keeps its round shape. */
  readonly frontAxleMm: number;
  readonly archHalfMm: number;
  /** Centre line from under the nose over the roof to under the tail, [x, z] mm. */
  readonly profile: readonly Point[];
  /** Profile index that stays above its own place in the side elevation when the strip is laid flat. */
  readonly anchor: number;
  /** Half width of the roof, mm: the elevations unfold just beyond it. */
  readonly roofHalfMm: number;
  readonly side: readonly SidePanel[];
  readonly strip: readonly StripPanel[];
  readonly sideLines: readonly string[];
  readonly stripLines: readonly string[];
}

/** Paper left between the strip and the elevations, mm at the template's size. */
const FOLD_GAP_MM = 90;

export class DimensionError extends RangeError {
  constructor(
    readonly dimension: VehicleDimension,
    message: string,
  ) {
    super(message);
  }
}

const DIMENSION_WORDS: Readonly<Record<VehicleDimension, string>> = {
  lengthMm: 'length',
  widthMm: 'width',
  heightMm: 'height',
  wheelbaseMm: 'wheelbase',
};

/** Factors people slip by when they read a tape, largest first, with what they probably meant. */
const UNIT_SLIPS = [
  { factor: 1000, unit: 'metres' },
  { factor: 25.4, unit: 'inches' },
  { factor: 10, unit: 'centimetres' },
] as const;

/**
 * What is wrong with a set of dimensions, each with a suggestion where a slip of unit explains it.
 * An empty list means the template can be stretched to them.
 */
export function dimensionFaults(template: VehicleTemplate, dimensions: VehicleDimensions): DimensionError[] {
  const faults = (Object.keys(DIMENSION_WORDS) as VehicleDimension[]).flatMap((key) => {
    const value = dimensions[key];
    const [low, high] = template.plausible[key];
    if (value >= low && value <= high) return [];
    const slip = UNIT_SLIPS.find(({ factor }) => value * factor >= low && value * factor <= high);
    const hint = slip ? `; if that was in ${slip.unit}, it is ${Math.round(value * slip.factor)} mm` : '';
    const text = `${DIMENSION_WORDS[key]} ${value} mm is outside ${low} to ${high} mm for this template${hint}`;
    return [new DimensionError(key, text)];
  });
  if (faults.length > 0) return faults;
  const archMm = 2 * archHalf(template, dimensions);
  const axles = axlesMm(template, dimensions);
  const fits =
    axles.front > archMm / 2 && dimensions.wheelbaseMm > archMm && dimensions.lengthMm - axles.rear > archMm / 2;
  if (fits) return [];
  const text = `wheelbase ${dimensions.wheelbaseMm} mm leaves no room for the wheel arches in a length of ${dimensions.lengthMm} mm`;
  return [new DimensionError('wheelbaseMm', text)];
}

const READ_PATHS = new WeakMap<VehicleTemplate, Map<string, readonly Point[]>>();

/** Points of a template's path; read once, since a template is stretched on every keystroke of a tape measurement. */
function pointsOf(template: VehicleTemplate, path: string): readonly Point[] {
  let paths = READ_PATHS.get(template);
  if (!paths) READ_PATHS.set(template, (paths = new Map()));
  let points = paths.get(path);
  if (!points) paths.set(path, (points = pathPoints(path)));
  return points;
}

/**
 * Unfolds a template at the item's own size. Lengths between axles and overhangs stretch separately, arches
 * keep their roundness, and the tops are developed along the stretched centre line, so that a taller or
 * longer item gets the true length of its bonnet and screens.
 * @throws DimensionError for dimensions {@link dimensionFaults} finds fault with.
 */
export function unfoldVehicle(template: VehicleTemplate, dimensions: VehicleDimensions): Net {
  const [fault] = dimensionFaults(template, dimensions);
  if (fault) throw fault;
  const place = placement(template, dimensions);
  const sides = template.side.flatMap(({ path, ...panel }): NetPanel[] => {
    const points = pointsOf(template, path);
    return (['left', 'right'] as const).map((side) => ({
      ...panel,
      id: `${panel.id}-${side}`,
      name: `${panel.name}, ${side}`,
      zone: side,
      outlineMm: points.map((point) => place.side(point, side)),
    }));
  });
  const strip = template.strip.map(({ half, ...panel }): NetPanel => {
    const points = pointsOf(template, half);
    const outline = [...points, ...mirrored(points)];
    return { ...panel, outlineMm: outline.map(place.strip) };
  });
  const lines = [
    ...template.sideLines.flatMap((path) => {
      const points = pointsOf(template, path);
      return (['left', 'right'] as const).map((side): Linework => points.map((point) => place.side(point, side)));
    }),
    ...template.stripLines.flatMap((path) => {
      const points = pointsOf(template, path);
      const across = points.map(([u, y]): Point => [u, -y]);
      const onCentre = points.every(([, y]) => y === 0);
      return (onCentre ? [points] : [points, across]).map((line): Linework => line.map(place.strip));
    }),
  ];
  return { panels: [...strip, ...sides], linework: lines };
}

function archHalf(template: VehicleTemplate, dimensions: VehicleDimensions): number {
  return (template.archHalfMm * dimensions.heightMm) / template.reference.heightMm;
}

function axlesMm(template: VehicleTemplate, dimensions: VehicleDimensions): { front: number; rear: number } {
  const { lengthMm, wheelbaseMm } = template.reference;
  const frontShare = template.frontAxleMm / (lengthMm - wheelbaseMm);
  const front = (dimensions.lengthMm - dimensions.wheelbaseMm) * frontShare;
  return { front, rear: front + dimensions.wheelbaseMm };
}

function placement(template: VehicleTemplate, dimensions: VehicleDimensions) {
  const { reference } = template;
  const tall = dimensions.heightMm / reference.heightMm;
  const wide = dimensions.widthMm / reference.widthMm;
  const along = lengthStations(template, dimensions);
  const onItem = ([x, z]: Point): Point => [stretch(along, x), z * tall];

  const developed = profileStations(template.profile.map(onItem));
  const anchorX = onItem(template.profile[template.anchor]!)[0];
  const startX = anchorX - developed[template.anchor]!.to;
  const fold = (template.roofHalfMm + FOLD_GAP_MM) * wide;
  const outward = { left: 1, right: -1 } as const;
  return {
    side: (point: Point, side: 'left' | 'right'): Point => {
      const [x, z] = onItem(point);
      return [x, outward[side] * (fold + dimensions.heightMm - z)];
    },
    strip: ([index, y]: Point): Point => [startX + stretch(developed, index), y * wide],
  };
}

function lengthStations(template: VehicleTemplate, dimensions: VehicleDimensions): Station[] {
  const { reference, archHalfMm } = template;
  const from = axlesMm(template, reference);
  const to = axlesMm(template, dimensions);
  const toHalf = archHalf(template, dimensions);
  return [
    { from: 0, to: 0 },
    { from: from.front - archHalfMm, to: to.front - toHalf },
    { from: from.front + archHalfMm, to: to.front + toHalf },
    { from: from.rear - archHalfMm, to: to.rear - toHalf },
    { from: from.rear + archHalfMm, to: to.rear + toHalf },
    { from: reference.lengthMm, to: dimensions.lengthMm },
  ];
}

/** Profile indices against the length of cloth a tape would read along the profile, mm. */
function profileStations(profile: readonly Point[]): Station[] {
  let lengthMm = 0;
  return profile.map(([x, z], index) => {
    const before = profile[index - 1];
    if (before) lengthMm += Math.hypot(x - before[0], z - before[1]);
    return { from: index, to: lengthMm };
  });
}

/** The other half of a strip panel, walked back, without repeating points on the centre line. */
function mirrored(points: readonly Point[]): Point[] {
  return points
    .filter(([, y]) => y !== 0)
    .map(([u, y]): Point => [u, -y])
    .reverse();
}
