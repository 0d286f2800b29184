import { boundingBox, type Point, type Polygon } from '#core/item/geometry';

/** A corner deeper than this in the sum of other parts is none of the whole, mm. */
const INSIDE_MM = 1e-3;

/** Where a piece stands in another: how far it has to be pushed out, mm, and which way. */
export interface Overlap {
  depth: number;
  nx: number;
  ny: number;
}

/**
 * The no-fit polygon of two shapes by their convex parts: all places of the second, relative to the first, at which they
 * overlap. Each pair of parts gives the Minkowski sum of one with the other turned inside out; a place inside any of
 * them is an overlap, and its distance from the nearest edge is how far it has to be pushed.
 */
export class NoFit {
  private readonly starts: number[] = [0];
  private readonly edges: Float64Array;
  private readonly allCorners: readonly Point[];
  private outer: readonly Point[] | undefined;
  private readonly minX: number;
  private readonly minY: number;
  private readonly maxX: number;
  private readonly maxY: number;

  constructor(fixed: readonly Polygon[], moving: readonly Polygon[]) {
    const edges: number[] = [];
    const corners: Point[] = [];
    for (const a of fixed) {
      for (const b of moving) {
        const sum = hull(a.flatMap(([ax, ay]) => b.map(([bx, by]): Point => [ax - bx, ay - by])));
        sum.forEach(([x, y], index) => {
          const [toX, toY] = sum[(index + 1) % sum.length]!;
          const length = Math.hypot(toX - x, toY - y);
          const [nx, ny] = [(toY - y) / length, (x - toX) / length];
          edges.push(nx, ny, nx * x + ny * y);
          corners.push([x, y]);
        });
        this.starts.push(edges.length);
      }
    }
    this.edges = Float64Array.from(edges);
    this.allCorners = corners;
    ({ minX: this.minX, minY: this.minY, maxX: this.maxX, maxY: this.maxY } = boundingBox(corners));
  }

  /** Corners of the sums that lie in no other of them: places at which the two touch corner to corner. */
  get corners(): readonly Point[] {
    return (this.outer ??= this.allCorners.filter(([x, y]) => this.depthAt(x, y) <= INSIDE_MM));
  }

  /** How far the second stands in the first at a place; 0 where they do not overlap. */
  depthAt(x: number, y: number, into?: Overlap): number {
    if (x <= this.minX || x >= this.maxX || y <= this.minY || y >= this.maxY) return 0;
    let deepest = 0;
    const { edges, starts } = this;
    for (let part = 0; part + 1 < starts.length; part++) {
      let nearest = Infinity;
      let at = -1;
      const end = starts[part + 1]!;
      for (let edge = starts[part]!; edge < end; edge += 3) {
        const inside = edges[edge + 2]! - edges[edge]! * x - edges[edge + 1]! * y;
        if (inside < nearest) {
          nearest = inside;
          at = edge;
          if (inside <= deepest) break;
        }
      }
      if (nearest > deepest) {
        deepest = nearest;
        if (into) {
          into.nx = edges[at]!;
          into.ny = edges[at + 1]!;
        }
      }
    }
    if (into) into.depth = deepest;
    return deepest;
  }
}

/** The convex hull of points, counter-clockwise, y up: the monotone chain. */
function hull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const turnsRight = (a: Point, b: Point, c: Point) =>
    (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) <= 1e-9;
  const chain = (from: readonly Point[]): Point[] => {
    const kept: Point[] = [];
    for (const point of from) {
      while (kept.length >= 2 && turnsRight(kept.at(-2)!, kept.at(-1)!, point)) kept.pop();
      kept.push(point);
    }
    return kept.slice(0, -1);
  };
  return [...chain(sorted), ...chain(sorted.toReversed())];
}
