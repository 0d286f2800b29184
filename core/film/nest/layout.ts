import { boundingBox, type Point, polygonAreaM2 } from '#core/item/geometry';
import { NoFit, type Overlap } from './no-fit';
import { lain, type NestPiece, pieceKey, type Placement, type Variant, variantsOf } from './pieces';

/** Overlaps shallower than this, mm, are touching: outlines come rounded to a tenth, and no knife cuts finer. */
export const TOUCHING_MM = 0.05;

/** What lies where: one entry a piece to cut. */
export interface Lying {
  variant: Variant;
  x: number;
  y: number;
}

/** What is nested, and on what. */
interface OnRoll {
  readonly pieces: readonly NestPiece[];
  readonly rollWidthMm: number;
  readonly blocked: readonly (readonly Point[])[];
  readonly gapMm: number;
  readonly elsewhere?: ReadonlySet<string> | undefined;
  readonly pinned?: readonly Placement[] | undefined;
}

/** The pieces of a nest, each copy by itself, and all they may be in each other's way. */
export class Bench {
  readonly items: readonly {
    readonly id: string;
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

  readonly widthMm: number;
  /** What stays where it is: how far it reaches along the roll, and its film. */
  readonly pinnedEndMm: number;
  readonly pinnedAreaMm2: number;
  /** Nothing is flawed or pinned beyond. */
  readonly clearFromMm: number;

  constructor({ pieces, rollWidthMm, blocked, gapMm, elsewhere, pinned = [] }: OnRoll) {
    this.widthMm = rollWidthMm;
    const stays = pinned.map((placement) => {
      const piece = pieces.find(({ id }) => id === placement.id);
      if (!piece || placement.copy > piece.count) throw new RangeError(`${placement.id} is no piece of this nest`);
      return lain(piece.outline, placement);
    });
    this.pinnedEndMm = Math.max(0, ...stays.map((outline) => boundingBox(outline).maxX));
    this.pinnedAreaMm2 = stays.reduce((sum, outline) => sum + 1e6 * polygonAreaM2(outline), 0);
    this.clearFromMm = Math.max(this.pinnedEndMm, ...blocked.map((outline) => boundingBox(outline).maxX));
    const notHere = new Set([...pinned.map(pieceKey), ...(elsewhere ?? [])]);
    let variantCount = 0;
    const variants = pieces.map((piece, index) => {
      const own = variantsOf(piece, index, variantCount, gapMm);
      variantCount += own.length;
      return own;
    });
    this.variantCount = variantCount;
    this.items = pieces.flatMap(({ id, outline, count }, piece) => {
      const fitting = variants[piece]!.filter(({ bounds }) => bounds.maxY - bounds.minY <= rollWidthMm + 1e-9);
      const areaM2 = polygonAreaM2(outline);
      return Array.from({ length: count }, (_, copy) => ({
        id,
        piece,
        copy: copy + 1,
        variants: fitting,
        areaM2,
      })).filter((item) => !notHere.has(pieceKey(item)));
    });
    this.flaws = [...blocked, ...stays].flatMap((outline) =>
      variantsOf({ id: '', outline, count: 1, turns: [0] }, -1, -1, gapMm),
    );
  }

  /** An earlier layout by item: what of it lies on this roll and in nothing's way. */
  laidBefore(placements: readonly Placement[], rollLengthMm: number): (Lying | undefined)[] {
    const kept: Lying[] = [];
    return this.items.map(({ id, copy, variants }) => {
      const before = placements.find((each) => each.id === id && each.copy === copy);
      const variant = variants.find(({ turn }) => turn === before?.turn);
      if (!before || !variant || !this.isOnRoll(variant, before.xMm, before.yMm, rollLengthMm)) return undefined;
      if (!isFree(this, kept, variant, before.xMm, before.yMm)) return undefined;
      const lying = { variant, x: before.xMm, y: before.yMm };
      kept.push(lying);
      return lying;
    });
  }

  /** Whether a piece at a place lies on the roll, as cut. */
  isOnRoll({ bounds }: Variant, x: number, y: number, rollLengthMm: number, slackMm = TOUCHING_MM): boolean {
    return (
      x + bounds.minX >= -slackMm &&
      y + bounds.minY >= -slackMm &&
      x + bounds.maxX <= rollLengthMm + slackMm &&
      y + bounds.maxY <= this.widthMm + slackMm
    );
  }

  noFit(fixed: Variant, moving: Variant): NoFit {
    const at = fixed.index * this.variantCount + moving.index;
    return (this.noFits[at] ??= new NoFit(fixed.parts, moving.parts));
  }

  /** How far a piece at a place stands in one that lies. Most lie nowhere near, which their boxes tell at once. */
  depthAt(fixed: Lying, moving: Variant, x: number, y: number, into?: Overlap): number {
    const [dx, dy] = [x - fixed.x, y - fixed.y];
    const [a, b] = [fixed.variant.room, moving.room];
    if (dx + b.minX >= a.maxX || dx + b.maxX <= a.minX || dy + b.minY >= a.maxY || dy + b.maxY <= a.minY) return 0;
    return this.noFit(fixed.variant, moving).depthAt(dx, dy, into);
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
 * @param already what lies before, by item
 */
export function* laidOneByOne(
  bench: Bench,
  order: readonly number[],
  rollLengthMm: number,
  already: readonly (Lying | undefined)[] = [],
): Generator<undefined, (Lying | undefined)[], void> {
  const placed = bench.items.map((_, item) => already[item]);
  // The farthest along the roll first: that is what the next is in the way of.
  const lying = placed.filter((each) => each !== undefined).sort((a, b) => endOf(b) - endOf(a));
  for (const item of order) {
    if (placed[item]) continue;
    const found = soonest(bench, lying, bench.items[item]!.variants, rollLengthMm);
    yield undefined;
    if (!found) continue;
    placed[item] = found;
    const at = lying.findIndex((each) => endOf(each) < endOf(found));
    lying.splice(at === -1 ? lying.length : at, 0, found);
  }
  return placed;
}

const endOf = ({ variant, x }: Lying) => x + variant.bounds.maxX;

/** Places beside this many of what lies are looked at: the farthest along the roll. */
const MOST_BESIDE = 60;

/**
 * Pieces in rows across the roll by their boxes, longest first, behind whatever is flawed or pinned: an answer at once,
 * however many there are. What goes beyond the roll's length is left out.
 */
export function laidInRows(bench: Bench, rollLengthMm: number, gapMm: number): (Lying | undefined)[] {
  const laid: (Lying | undefined)[] = bench.items.map(() => undefined);
  const size = ({ bounds: { minX, maxX, minY, maxY } }: Variant) => [maxX - minX, maxY - minY] as const;
  const waiting = bench.items
    .flatMap(({ variants: [first] }, item) => (first ? [{ item, variant: first }] : []))
    .sort((a, b) => size(b.variant)[0] - size(a.variant)[0]);
  let [rowX, rowLength, y] = [bench.clearFromMm > 0 ? bench.clearFromMm + gapMm : 0, 0, 0];
  for (const { item, variant } of waiting) {
    const [length, breadth] = size(variant);
    if (y + breadth > bench.widthMm + 1e-9) [rowX, rowLength, y] = [rowX + rowLength + gapMm, 0, 0];
    if (rowX + length > rollLengthMm + 1e-9) continue;
    laid[item] = { variant, x: rowX - variant.bounds.minX, y: y - variant.bounds.minY };
    rowLength = Math.max(rowLength, length);
    y += breadth + gapMm;
  }
  return laid;
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
    const places: Point[] = [];
    const consider = (x: number, y: number) => {
      if (inner(x, y) && x + maxX < bestEnd) places.push([x, y]);
    };
    consider(-minX, lowY);
    consider(-minX, highY);
    consider(end - minX, lowY);
    for (const [x, y] of bench.flawCorners(variant)) consider(x, y);
    for (const other of lying.slice(0, MOST_BESIDE)) {
      for (const [cx, cy] of bench.noFit(other.variant, variant).corners) {
        const [x, y] = [other.x + cx, other.y + cy];
        consider(x, y);
        consider(x, lowY);
        consider(x, highY);
        consider(-minX, y);
      }
    }
    places.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
    for (const [x, y] of places) {
      if (x + maxX >= bestEnd) break;
      if (!isFree(bench, lying, variant, x, y)) continue;
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
    lying.every((other) => bench.depthAt(other, variant, x, y) <= TOUCHING_MM)
  );
}
