import { boundingBox, type Point } from '#core/item/geometry';
import type { Make } from '#core/item/make';
import type { SubstrateId } from '#core/item/substrates';
import { type GroupId, VEHICLE_GROUPS } from './groups';
import type { Linework, Net, NetPanel, Zone } from './net';
import { pathPoints } from './path';
import { type Station, stretch } from './stretch';
import { checkedSizes, type ItemTemplate, SizeError } from './template';

/** The tape measurements a vehicle is stretched to, mm. */
export interface VehicleDimensions {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly wheelbaseMm: number;
}

/** A panel of the side elevation: x from the nose, z up from the ground, mm of the template. Drawn once, used on both sides. */
export interface SidePanel extends Make {
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
export interface StripPanel extends Make {
  readonly id: string;
  readonly name: string;
  readonly substrate: SubstrateId;
  readonly curvature: number;
  readonly zone: Zone;
  readonly half: string;
}

/** A road vehicle as data: one side elevation, one centre-line profile, and the stations that stretch. */
export interface VehicleDrawing {
  readonly id: string;
  readonly name: string;
  /** The size it is drawn at. */
  readonly reference: VehicleDimensions;
  /** A typical item of the kind: where a form starts. */
  readonly usual: VehicleDimensions;
  /** What a tape can plausibly read, mm. */
  readonly plausible: Readonly<Record<keyof VehicleDimensions, readonly [number, number]>>;
  /** Groups of surfaces it has beside those of every road vehicle. */
  readonly groups?: readonly GroupId[];
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

/** A drawn vehicle as a template. */
export function vehicleTemplate(drawing: VehicleDrawing): ItemTemplate {
  const template: ItemTemplate = {
    id: drawing.id,
    name: drawing.name,
    usual: drawing.usual,
    plausible: drawing.plausible,
    groups: [...VEHICLE_GROUPS, ...(drawing.groups ?? [])],
    unfold: (sizes) => unfoldVehicle(drawing, checkedSizes(template, sizes)),
    warp: (from, to) => warpVehicle(drawing, checkedSizes(template, from), checkedSizes(template, to)),
    misfit: (sizes) => archMisfit(drawing, sizes as VehicleDimensions),
  };
  return template;
}

/** Arches need room between the axles and behind them. */
function archMisfit(drawing: VehicleDrawing, dimensions: VehicleDimensions): SizeError | undefined {
  const archMm = 2 * archHalf(drawing, dimensions);
  const axles = axlesMm(drawing, dimensions);
  const fits =
    axles.front > archMm / 2 && dimensions.wheelbaseMm > archMm && dimensions.lengthMm - axles.rear > archMm / 2;
  if (fits) return undefined;
  const text = `wheelbase ${dimensions.wheelbaseMm} mm leaves no room for the wheel arches in a length of ${dimensions.lengthMm} mm`;
  return new SizeError('wheelbaseMm', text);
}

const READ_PATHS = new WeakMap<VehicleDrawing, Map<string, readonly Point[]>>();

/** Points of a template's path; read once, since a template is stretched on every keystroke of a tape measurement. */
function pointsOf(drawing: VehicleDrawing, path: string): readonly Point[] {
  let paths = READ_PATHS.get(drawing);
  if (!paths) READ_PATHS.set(drawing, (paths = new Map()));
  let points = paths.get(path);
  if (!points) paths.set(path, (points = pathPoints(path)));
  return points;
}

/**
 * Unfolds a drawing at the item's own size. Lengths between axles and overhangs stretch separately, arches
 * keep their roundness, and the tops are developed along the stretched centre line, so that a taller or
 * longer item gets the true length of its bonnet and screens.
 */
function unfoldVehicle(drawing: VehicleDrawing, dimensions: VehicleDimensions): Net {
  const place = placement(drawing, dimensions);
  const sides = drawing.side.flatMap(({ path, ...panel }): NetPanel[] => {
    const points = pointsOf(drawing, path);
    return (['left', 'right'] as const).map((side) => ({
      ...panel,
      id: `${panel.id}-${side}`,
      name: `${panel.name}, ${side}`,
      zone: side,
      outlineMm: points.map((point) => place.side(point, side)),
    }));
  });
  const strip = drawing.strip.map(({ half, ...panel }): NetPanel => {
    const points = pointsOf(drawing, half);
    const outline = [...points, ...mirrored(points)];
    return { ...panel, outlineMm: outline.map(place.strip) };
  });
  const lines = [
    ...drawing.sideLines.flatMap((path) => {
      const points = pointsOf(drawing, path);
      return (['left', 'right'] as const).map((side): Linework => points.map((point) => place.side(point, side)));
    }),
    ...drawing.stripLines.flatMap((path) => {
      const points = pointsOf(drawing, path);
      const across = points.map(([u, y]): Point => [u, -y]);
      const onCentre = points.every(([, y]) => y === 0);
      return (onCentre ? [points] : [points, across]).map((line): Linework => line.map(place.strip));
    }),
  ];
  return { panels: [...strip, ...sides], linework: lines };
}

function archHalf(drawing: VehicleDrawing, dimensions: VehicleDimensions): number {
  return (drawing.archHalfMm * dimensions.heightMm) / drawing.reference.heightMm;
}

function axlesMm(drawing: VehicleDrawing, dimensions: VehicleDimensions): { front: number; rear: number } {
  const { lengthMm, wheelbaseMm } = drawing.reference;
  const frontShare = drawing.frontAxleMm / (lengthMm - wheelbaseMm);
  const front = (dimensions.lengthMm - dimensions.wheelbaseMm) * frontShare;
  return { front, rear: front + dimensions.wheelbaseMm };
}

function placement(drawing: VehicleDrawing, dimensions: VehicleDimensions) {
  const { reference } = drawing;
  const tall = dimensions.heightMm / reference.heightMm;
  const wide = dimensions.widthMm / reference.widthMm;
  const along = lengthStations(drawing, dimensions);
  const onItem = ([x, z]: Point): Point => [stretch(along, x), z * tall];

  const developed = profileStations(drawing.profile.map(onItem));
  const anchorX = onItem(drawing.profile[drawing.anchor]!)[0];
  const startX = anchorX - developed[drawing.anchor]!.to;
  const fold = (drawing.roofHalfMm + FOLD_GAP_MM) * wide;
  const outward = { left: 1, right: -1 } as const;
  return {
    side: (point: Point, side: 'left' | 'right'): Point => {
      const [x, z] = onItem(point);
      return [x, outward[side] * (fold + dimensions.heightMm - z)];
    },
    strip: ([index, y]: Point): Point => [startX + stretch(developed, index), y * wide],
    /** The place on the drawing of a point of the net. */
    drawn: ([x, y]: Point): Drawn => {
      const index = stretch(inverted(developed), x - startX);
      // Wide bumpers and scuttles reach past the fold, into the air above the elevations.
      if (Math.abs(y) <= Math.max(fold, stripHalf(drawing, index) * wide + 1)) {
        return { on: 'strip', at: [index, y / wide] };
      }
      const z = (fold + dimensions.heightMm - Math.abs(y)) / tall;
      return { on: y > 0 ? 'left' : 'right', at: [stretch(inverted(along), x), z] };
    },
  };
}

/** Half width of the widest panel of the centre strip at a place along the profile, mm of the drawing. */
function stripHalf(drawing: VehicleDrawing, index: number): number {
  const halves = drawing.strip.map(({ half }) => {
    const { minX, maxX, maxY } = boundingBox(pointsOf(drawing, half));
    return index > minX - 0.01 && index < maxX + 0.01 ? maxY : 0;
  });
  return Math.max(...halves);
}

/** A point in the drawing's own measures: of an elevation, or of the centre strip. */
interface Drawn {
  readonly on: 'strip' | 'left' | 'right';
  readonly at: Point;
}

const inverted = (stations: readonly Station[]): Station[] => stations.map(({ from, to }) => ({ from: to, to: from }));

function warpVehicle(drawing: VehicleDrawing, from: VehicleDimensions, to: VehicleDimensions) {
  const [before, after] = [placement(drawing, from), placement(drawing, to)];
  return (point: Point): Point => {
    const { on, at } = before.drawn(point);
    return on === 'strip' ? after.strip(at) : after.side(at, on);
  };
}

function lengthStations(drawing: VehicleDrawing, dimensions: VehicleDimensions): Station[] {
  const { reference, archHalfMm } = drawing;
  const from = axlesMm(drawing, reference);
  const to = axlesMm(drawing, dimensions);
  const toHalf = archHalf(drawing, dimensions);
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
