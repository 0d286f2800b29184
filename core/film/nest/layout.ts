import { type Point, polygonAreaM2 } from '#core/item/geometry';
import { NoFit, type Overlap } from './no-fit';
import { type NestPiece, type Variant, variantsOf } from './pieces';

/** Overlaps shallower than this, mm, are touching. */
export const TOUCHING_MM = 0.01;

/** What lies where: one entry a piece to cut. */
export interface Lying {
  variant: Variant;
  x: number;
  y: number;
}

/** The pieces of a nest, each copy by itself, and all they may be in each other's way. */
export class Bench {
  readonly items: readonly {
    readonly piece: number;
    readonly copy: number;
    readonly variants: readonly Variant[];
    readonly areaM2: number;
  }[];
  /** By the places of the two variants: asked for millions of times. */
  private readonly noFits: (NoFit | undefined)[] = [];
  private readonly variantCount: number;
  private readonly flaws: readonly Variant[];
  private readonly ofFlaws = new Map<Variant, NoFit[]>();

  constructor(
    readonly pieces: readonly NestPiece[],
    readonly widthMm: number,
    blocked: readonly (readonly Point[])[],
    gapMm: number,
  ) {
    let variantCount = 0;
    const variants = pieces.map((piece, index) => {
      const own = variantsOf(piece, index, variantCount, gapMm);
      variantCount += own.length;
      return own;
    });
    this.variantCount = variantCount;
    this.items = pieces.flatMap(({ outline, count }, piece) => {
      const fitting = variants[piece]!.filter(({ bounds }) => bounds.maxY - bounds.minY <= widthMm + 1e-9);
      const areaM2 = polygonAreaM2(outline);
      return Array.from({ length: count }, (_, copy) => ({ piece, copy: copy + 1, variants: fitting, areaM2 }));
    });
    this.flaws = blocked.flatMap((outline) => variantsOf({ id: '', outline, count: 1, turns: [0] }, -1, -1, gapMm));
  }

  noFit(fixed: Variant, moving: Variant): NoFit {
    const at = fixed.index * this.variantCount + moving.index;
    return (this.noFits[at] ??= new NoFit(fixed.parts, moving.parts));
  }

  /** How far a piece stands in what is flawed or used, at a place of the roll. */
  inFlaws(moving: Variant, x: number, y: number, into?: Overlap): number {
    if (this.flaws.length === 0) return 0;
    let deepest = 0;
    for (const noFit of this.flawsFor(moving)) {
      const own: Overlap = { depth: 0, nx: 0, ny: 0 };
      const depth = noFit.depthAt(x, y, own);
      if (depth <= deepest) continue;
      deepest = depth;
      if (into) Object.assign(into, own);
    }
    return deepest;
  }

  /** Places beside what is flawed. */
  flawCorners = (moving: Variant): Point[] => this.flawsFor(moving).flatMap(({ corners }) => [...corners]);

  private flawsFor(moving: Variant): readonly NoFit[] {
    const known = this.ofFlaws.get(moving) ?? this.flaws.map((flaw) => new NoFit(flaw.parts, moving.parts));
    this.ofFlaws.set(moving, known);
    return known;
  }
}

/** Right edge of what lies, mm along the roll. */
export const lengthOf = (lying: readonly Lying[]): number =>
  lying.reduce((most, { variant, x }) => Math.max(most, x + variant.bounds.maxX), 0);

/**
 * Places pieces one after the other where they end soonest along the roll, the largest first: corners of the no-fit
 * polygons of what lies already, and of the roll. What fits nowhere within the roll's length is left out.
 */
export function laidOneByOne(bench: Bench, order: readonly number[], rollLengthMm: number): (Lying | undefined)[] {
  const placed: (Lying | undefined)[] = bench.items.map(() => undefined);
  const lying: Lying[] = [];
  for (const item of order) {
    const found = soonest(bench, lying, bench.items[item]!.variants, rollLengthMm);
    if (!found) continue;
    placed[item] = found;
    lying.push(found);
  }
  return placed;
}

function soonest(
  bench: Bench,
  lying: readonly Lying[],
  variants: readonly Variant[],
  rollLengthMm: number,
): Lying | undefined {
  let best: Lying | undefined;
  let bestEnd = Infinity;
  for (const variant of variants) {
    const { minX, maxX, minY, maxY } = variant.bounds;
    const [lowY, highY] = [-minY, bench.widthMm - maxY];
    const inner = (x: number, y: number) =>
      x >= -minX - 1e-9 && y >= lowY - 1e-9 && y <= highY + 1e-9 && x + maxX <= rollLengthMm + 1e-9;
    const end = lengthOf(lying);
    const places: Point[] = [[-minX, lowY], [-minX, highY], [end - minX, lowY], ...bench.flawCorners(variant)];
    for (const other of lying) {
      for (const [cx, cy] of bench.noFit(other.variant, variant).corners) {
        const [x, y] = [other.x + cx, other.y + cy];
        places.push([x, y], [x, lowY], [x, highY], [-minX, y]);
      }
    }
    places.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
    for (const [x, y] of places) {
      if (x + maxX >= bestEnd) break;
      if (!inner(x, y) || !isFree(bench, lying, variant, x, y)) continue;
      best = { variant, x, y };
      bestEnd = x + maxX;
      break;
    }
  }
  return best;
}

/** Whether nothing that lies is in the way. */
function isFree(bench: Bench, lying: readonly Lying[], variant: Variant, x: number, y: number): boolean {
  return (
    bench.inFlaws(variant, x, y) <= TOUCHING_MM &&
    lying.every((other) => bench.noFit(other.variant, variant).depthAt(x - other.x, y - other.y) <= TOUCHING_MM)
  );
}
