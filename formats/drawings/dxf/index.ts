/** Outlines from DXF as drawing programs write it: polylines with bulges, lines, arcs, splines, blocks. */
import DxfParser, { type IEntity } from 'dxf-parser';
import type { Point } from '#core/item/geometry';
import {
  type Drawing,
  DRAWING_UNITS,
  DrawingError,
  type DrawingUnit,
  type DrawnLine,
  FLATTENING_MM,
  outlinesOf,
} from '../outlines';

/** `$INSUNITS` of the header. */
const INSERT_UNITS: Readonly<Record<number, DrawingUnit>> = { 1: 'in', 2: 'ft', 4: 'mm', 5: 'cm', 6: 'm' };
const DEEPEST_BLOCK = 8;
const POINTS_PER_SPAN = 16;

/** Entities as the parser gives them; what a kind has not is absent. */
interface Entity extends IEntity {
  readonly vertices?: readonly Vertex[];
  readonly shape?: boolean;
  readonly center?: Vertex;
  readonly radius?: number;
  readonly startAngle?: number;
  readonly endAngle?: number;
  readonly majorAxisEndPoint?: Vertex;
  readonly axisRatio?: number;
  readonly controlPoints?: readonly Vertex[];
  readonly fitPoints?: readonly Vertex[];
  readonly knotValues?: readonly number[];
  readonly degreeOfSplineCurve?: number;
  readonly closed?: boolean;
  readonly name?: string;
  readonly position?: Vertex;
  readonly xScale?: number;
  readonly yScale?: number;
  readonly rotation?: number;
}
interface Vertex {
  readonly x: number;
  readonly y: number;
  readonly bulge?: number;
}

type Place = (point: Point) => Point;

/**
 * Reads closed outlines, mm. The unit is the header's where it names one; otherwise `unit`, or millimetres.
 * @throws DrawingError for a text that is no DXF
 */
export function readOutlinesDxf(text: string, unit?: DrawingUnit): Drawing {
  let file: ReturnType<DxfParser['parseSync']>;
  try {
    file = new DxfParser().parseSync(text);
  } catch (error) {
    throw new DrawingError(`This is no DXF that can be read: ${(error as Error).message}`);
  }
  if (!file?.entities) throw new DrawingError('This is no DXF: there are no entities in it.');
  const said = INSERT_UNITS[Number(file.header?.$INSUNITS)];
  const used = unit ?? said ?? 'mm';
  const mmPerUnit = DRAWING_UNITS[used];
  const tolerance = FLATTENING_MM / mmPerUnit;
  const hidden = new Set(
    Object.entries(file.tables?.layer?.layers ?? {})
      .filter(([, layer]) => layer.frozen || layer.visible === false)
      .map(([name]) => name),
  );
  const lines: DrawnLine[] = [];
  const collect = (entities: readonly IEntity[], place: Place, depth: number, layerOfBlock?: string) => {
    for (const entity of entities as readonly Entity[]) {
      if (entity.inPaperSpace || hidden.has(entity.layer)) continue;
      // Layer 0 inside a block is the layer the block was put on.
      const layer = layerOfBlock !== undefined && entity.layer === '0' ? layerOfBlock : entity.layer;
      if (entity.type === 'INSERT') {
        const block = file.blocks?.[entity.name ?? ''];
        if (block?.entities && depth < DEEPEST_BLOCK) {
          collect(block.entities, inserted(entity, block.position, place), depth + 1, layer);
        }
        continue;
      }
      const drawn = lineOf(entity, tolerance);
      if (!drawn || drawn.points.length < 2) continue;
      const points = drawn.points.map(place).map(([x, y]): Point => [x * mmPerUnit, y * mmPerUnit]);
      lines.push({ name: layer, layer, points, closed: drawn.closed });
    }
  };
  collect(file.entities, (point) => point, 0);
  return { ...outlinesOf(lines), unit: used, unitSaid: said !== undefined };
}

/** Places a block: scaled, turned, moved. */
function inserted(
  { position = { x: 0, y: 0 }, xScale = 1, yScale = 1, rotation = 0 }: Entity,
  base: Vertex = { x: 0, y: 0 },
  outer: Place,
): Place {
  const turn = (rotation * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return ([x, y]) => {
    const [sx, sy] = [(x - base.x) * xScale, (y - base.y) * yScale];
    return outer([position.x + sx * cos - sy * sin, position.y + sx * sin + sy * cos]);
  };
}

const point = ({ x, y }: Vertex): Point => [x, y];

function lineOf(entity: Entity, tolerance: number): { points: Point[]; closed: boolean } | undefined {
  const { vertices = [], center, radius = 0, startAngle = 0, endAngle = 2 * Math.PI } = entity;
  switch (entity.type) {
    case 'LINE':
      return { points: vertices.map(point), closed: false };
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return { points: withBulges(vertices, entity.shape === true, tolerance), closed: entity.shape === true };
    case 'CIRCLE':
      return center && { points: arc(center, radius, radius, 0, 0, 2 * Math.PI, tolerance), closed: true };
    case 'ARC':
      return (
        center && {
          points: arc(center, radius, radius, 0, startAngle, onwards(startAngle, endAngle), tolerance),
          closed: false,
        }
      );
    case 'ELLIPSE': {
      const { majorAxisEndPoint: axis, axisRatio = 1 } = entity;
      if (!center || !axis) return undefined;
      const long = Math.hypot(axis.x, axis.y);
      const to = onwards(startAngle, endAngle);
      const whole = to - startAngle > 2 * Math.PI - 1e-6;
      const tilt = Math.atan2(axis.y, axis.x);
      return { points: arc(center, long, long * axisRatio, tilt, startAngle, to, tolerance), closed: whole };
    }
    case 'SPLINE':
      return { points: spline(entity), closed: entity.closed === true };
    default:
      return undefined;
  }
}

const onwards = (from: number, to: number) => (to > from ? to : to + 2 * Math.PI);

/** Points of an elliptical arc, turned by a tilt; both ends are among them. */
function arc(
  { x, y }: Vertex,
  long: number,
  short: number,
  tilt: number,
  from: number,
  to: number,
  tolerance: number,
): Point[] {
  const largest = Math.max(long, short);
  if (largest <= 0) return [];
  const step = 2 * Math.acos(Math.max(0, 1 - Math.min(tolerance / largest, 1)));
  const count = Math.max(2, Math.ceil((to - from) / Math.max(step, 1e-3)));
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  return Array.from({ length: count + 1 }, (_, index): Point => {
    const angle = from + ((to - from) * index) / count;
    const [u, v] = [long * Math.cos(angle), short * Math.sin(angle)];
    return [x + u * cos - v * sin, y + u * sin + v * cos];
  });
}

/** A polyline whose bulges are arcs: a bulge is the tangent of a quarter of the arc's angle. */
function withBulges(vertices: readonly Vertex[], closed: boolean, tolerance: number): Point[] {
  return vertices.flatMap((from, index): Point[] => {
    const to = vertices[index + 1] ?? (closed ? vertices[0] : undefined);
    if (!to || !from.bulge) return [point(from)];
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const chord = Math.hypot(dx, dy);
    const angle = 4 * Math.atan(from.bulge);
    if (chord === 0) return [point(from)];
    const radius = chord / (2 * Math.sin(angle / 2));
    const apothem = radius * Math.cos(angle / 2);
    const middle = { x: (from.x + to.x) / 2 - (dy / chord) * apothem, y: (from.y + to.y) / 2 + (dx / chord) * apothem };
    const start = Math.atan2(from.y - middle.y, from.x - middle.x);
    const turned = arc(middle, Math.abs(radius), Math.abs(radius), 0, 0, Math.abs(angle), tolerance).length - 1;
    return Array.from({ length: turned }, (_, piece): Point => {
      const at = start + (angle * piece) / turned;
      return [middle.x + Math.abs(radius) * Math.cos(at), middle.y + Math.abs(radius) * Math.sin(at)];
    });
  });
}

/** Points along a B-spline by de Boor's construction; its fit points where no control points are given. */
function spline({ controlPoints = [], fitPoints = [], knotValues = [], degreeOfSplineCurve = 3 }: Entity): Point[] {
  const degree = degreeOfSplineCurve;
  const control = controlPoints.map(point);
  if (control.length <= degree || knotValues.length < control.length + degree + 1) {
    return (control.length > 0 ? controlPoints : fitPoints).map(point);
  }
  const [first, last] = [knotValues[degree]!, knotValues[control.length]!];
  const spans = new Set(knotValues.filter((knot) => knot >= first && knot < last)).size;
  const count = spans * POINTS_PER_SPAN;
  return Array.from({ length: count + 1 }, (_, index) =>
    deBoor(control, knotValues, degree, first + ((last - first) * index) / count),
  );
}

function deBoor(control: readonly Point[], knots: readonly number[], degree: number, t: number): Point {
  let span = degree;
  while (span < control.length - 1 && t >= knots[span + 1]!) span += 1;
  const points = Array.from({ length: degree + 1 }, (_, index): Point => control[span - degree + index]!);
  for (let round = 1; round <= degree; round++) {
    for (let index = degree; index >= round; index--) {
      const at = span - degree + index;
      const width = knots[at + degree - round + 1]! - knots[at]!;
      const share = width === 0 ? 0 : (t - knots[at]!) / width;
      const [[ax, ay], [bx, by]] = [points[index - 1]!, points[index]!];
      points[index] = [ax + share * (bx - ax), ay + share * (by - ay)];
    }
  }
  return points[degree]!;
}
