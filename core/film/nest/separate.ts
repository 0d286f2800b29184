import { type Bench, type Lying, TOUCHING_MM } from './layout';
import type { Overlap } from './no-fit';
import type { Variant } from './pieces';

/** How a collision that stays weighs more each time round, and how one that is gone is forgotten. */
const HEAVIER = 0.6;
const FORGOTTEN = 0.95;
/** Places tried for a piece: anywhere, and beside its neighbours. */
const ANYWHERE = 8;
const BESIDE = 16;
/** And about where it lies now, within this share of its size. */
const NEAR = 6;
const NEAR_SHARE = 0.5;
/** The best of them are pushed clear step by step. */
const REFINED = 3;
const PUSHES = 16;

/** The larger so many of the pieces are changed about. */
const LARGE_SHARE = 0.6;

/** Steps by which a piece settles: from a share of its size down to this, mm, along and across and between. */
const STEP = 0.1;
const FINEST_STEP_MM = 0.05;
const DIRECTIONS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [0.7, 0.7],
  [-0.7, 0.7],
  [0.7, -0.7],
  [-0.7, -0.7],
] as const;

/** Moves pieces of a layout on a shorter roll apart until none overlaps: guided by how often two were in each other's way. */
export class Separation {
  /** What lies, and the item of each by its place on the bench. */
  private readonly lying: Lying[];
  private readonly items: readonly number[];
  private readonly weights: Float64Array;
  private readonly count: number;
  private readonly push: Overlap = { depth: 0, nx: 0, ny: 0 };

  constructor(
    private readonly bench: Bench,
    /** By item; what does not lie stays out. */
    start: readonly (Lying | undefined)[],
    private readonly lengthMm: number,
    private readonly random: () => number,
  ) {
    this.items = start.flatMap((each, item) => (each ? [item] : []));
    this.lying = this.items.map((item) => ({ ...start[item]! }));
    this.count = this.items.length;
    this.weights = new Float64Array(this.count * this.count).fill(1);
    this.lying.forEach((each) => this.within(each));
  }

  /** What lies where now, by item. */
  laid(): (Lying | undefined)[] {
    const laid: (Lying | undefined)[] = this.bench.items.map(() => undefined);
    this.items.forEach((item, at) => (laid[item] = { ...this.lying[at]! }));
    return laid;
  }

  /** Sum of depths, all pairs: 0 where nothing overlaps. */
  overlap(): number {
    let sum = 0;
    for (let i = 0; i < this.count; i++) {
      sum += this.inFlaws(i);
      for (let j = i + 1; j < this.count; j++) sum += this.depth(i, j);
    }
    return sum;
  }

  /** One round: every piece that is in the way of another moves to where it is least so. @returns whether any was */
  round(): boolean {
    const inTheWay = this.colliding();
    if (inTheWay.length === 0) return false;
    for (let left = inTheWay.length; left > 0; left--) {
      const [item] = inTheWay.splice(Math.floor(this.random() * inTheWay.length), 1);
      if (this.cost(item!, this.lying[item!]!, Infinity) > TOUCHING_MM) this.moved(item!);
    }
    this.weigh();
    return true;
  }

  private colliding(): number[] {
    const found = new Set<number>();
    for (let i = 0; i < this.count; i++) {
      if (this.inFlaws(i) > TOUCHING_MM) found.add(i);
      for (let j = i + 1; j < this.count; j++) {
        if (this.depth(i, j) <= TOUCHING_MM) continue;
        found.add(i);
        found.add(j);
      }
    }
    return [...found];
  }

  private depth(i: number, j: number): number {
    const [a, b] = [this.lying[i]!, this.lying[j]!];
    return this.bench.depthAt(a, b.variant, b.x, b.y);
  }

  private inFlaws(i: number): number {
    const { variant, x, y } = this.lying[i]!;
    return this.bench.inFlaws(variant, x, y);
  }

  private weigh(): void {
    let deepest = TOUCHING_MM;
    for (let i = 0; i < this.count; i++)
      for (let j = i + 1; j < this.count; j++) deepest = Math.max(deepest, this.depth(i, j));
    for (let i = 0; i < this.count; i++) {
      for (let j = i + 1; j < this.count; j++) {
        const depth = this.depth(i, j);
        const at = i * this.count + j;
        const next =
          depth > TOUCHING_MM ? this.weights[at]! * (1 + HEAVIER * (depth / deepest)) : this.weights[at]! * FORGOTTEN;
        this.weights[at] = Math.max(1, next);
        this.weights[j * this.count + i] = this.weights[at]!;
      }
    }
  }

  /** What a piece would stand in at a place, weighed; given up once it is more than the best so far. */
  private cost(item: number, { variant, x, y }: Lying, most: number): number {
    let sum = this.bench.inFlaws(variant, x, y);
    const { lying, count, weights, bench } = this;
    for (let other = 0; other < count && sum < most; other++) {
      if (other === item) continue;
      const depth = bench.depthAt(lying[other]!, variant, x, y);
      if (depth > 0) sum += depth * weights[item * count + other]!;
    }
    return sum;
  }

  private moved(item: number): void {
    const candidates = this.candidates(item);
    const costs = candidates.map((place) => ({ place, cost: this.cost(item, place, Infinity) }));
    costs.sort((a, b) => a.cost - b.cost);
    let best = costs[0]!;
    for (const start of costs.slice(0, REFINED)) {
      const pushed = this.pushedClear(item, start.place, start.cost);
      if (pushed.cost < best.cost) best = pushed;
      if (best.cost <= TOUCHING_MM) break;
    }
    if (best.cost > TOUCHING_MM) best = this.settled(item, best.place, best.cost);
    this.lying[item] = { ...best.place };
  }

  private candidates(item: number): Lying[] {
    const own = this.lying[item]!;
    const { variants } = this.bench.items[this.items[item]!]!;
    const found: Lying[] = [own];
    for (let nth = 0; nth < ANYWHERE; nth++)
      found.push(this.anywhere(variants[Math.floor(this.random() * variants.length)]!));
    const { bounds } = own.variant;
    for (let nth = 0; nth < NEAR; nth++) {
      const place = {
        variant: variants[Math.floor(this.random() * variants.length)]!,
        x: own.x + (this.random() - 0.5) * NEAR_SHARE * (bounds.maxX - bounds.minX),
        y: own.y + (this.random() - 0.5) * NEAR_SHARE * (bounds.maxY - bounds.minY),
      };
      this.within(place);
      found.push(place);
    }
    for (let nth = 0; nth < BESIDE; nth++) {
      const variant = variants[Math.floor(this.random() * variants.length)]!;
      const other = Math.floor(this.random() * this.count);
      if (other === item) continue;
      const { variant: fixed, x, y } = this.lying[other]!;
      const { corners } = this.bench.noFit(fixed, variant);
      const [cx, cy] = corners[Math.floor(this.random() * corners.length)]!;
      const place = { variant, x: x + cx, y: y + cy };
      this.within(place);
      found.push(place);
    }
    return found;
  }

  private anywhere(variant: Variant): Lying {
    const { minX, maxX, minY, maxY } = variant.bounds;
    const place = {
      variant,
      x: -minX + this.random() * Math.max(0, this.lengthMm - (maxX - minX)),
      y: -minY + this.random() * Math.max(0, this.bench.widthMm - (maxY - minY)),
    };
    return place;
  }

  /** Pushed out of what it stands in deepest, again and again, as long as that helps. */
  private pushedClear(item: number, start: Lying, cost: number): { place: Lying; cost: number } {
    let best = { place: start, cost };
    for (let push = 0; push < PUSHES && best.cost > TOUCHING_MM; push++) {
      const away = this.worst(item, best.place);
      if (!away) break;
      const next = { variant: best.place.variant, x: best.place.x + away[0], y: best.place.y + away[1] };
      this.within(next);
      const nextCost = this.cost(item, next, best.cost);
      if (nextCost < best.cost) best = { place: next, cost: nextCost };
      else {
        const half = { ...next, x: (next.x + best.place.x) / 2, y: (next.y + best.place.y) / 2 };
        const halfCost = this.cost(item, half, best.cost);
        if (halfCost >= best.cost) break;
        best = { place: half, cost: halfCost };
      }
    }
    return best;
  }

  /** Moved about by ever smaller steps to where it stands in least. */
  private settled(item: number, start: Lying, cost: number): { place: Lying; cost: number } {
    const { minX, maxX, minY, maxY } = start.variant.bounds;
    let best = { place: start, cost };
    for (let step = STEP * Math.min(maxX - minX, maxY - minY); step > FINEST_STEP_MM && best.cost > TOUCHING_MM;) {
      let better = false;
      for (const [dx, dy] of DIRECTIONS) {
        const next = { variant: start.variant, x: best.place.x + dx * step, y: best.place.y + dy * step };
        this.within(next);
        const nextCost = this.cost(item, next, best.cost);
        if (nextCost >= best.cost) continue;
        best = { place: next, cost: nextCost };
        better = true;
      }
      if (!better) step /= 2;
    }
    return best;
  }

  /** The push out of what weighs most. */
  private worst(item: number, { variant, x, y }: Lying): readonly [number, number] | undefined {
    const { push } = this;
    let heaviest = TOUCHING_MM;
    let away: readonly [number, number] | undefined;
    const consider = (weight: number) => {
      if (push.depth * weight <= heaviest) return;
      heaviest = push.depth * weight;
      away = [push.nx * (push.depth + TOUCHING_MM / 2), push.ny * (push.depth + TOUCHING_MM / 2)];
    };
    push.depth = 0;
    this.bench.inFlaws(variant, x, y, push);
    consider(1);
    for (let other = 0; other < this.count; other++) {
      if (other === item) continue;
      push.depth = 0;
      this.bench.depthAt(this.lying[other]!, variant, x, y, push);
      consider(this.weights[item * this.count + other]!);
    }
    return away;
  }

  /** Back onto the roll. */
  private within(place: Lying): void {
    const { minX, maxX, minY, maxY } = place.variant.bounds;
    place.x = Math.max(-minX, Math.min(place.x, this.lengthMm - maxX));
    place.y = Math.max(-minY, Math.min(place.y, this.bench.widthMm - maxY));
  }
}

/** The same layout with two pieces of some size changed about: a way out of where nothing moves any more. */
export function shuffled(
  bench: Bench,
  laid: readonly (Lying | undefined)[],
  random: () => number,
): (Lying | undefined)[] {
  const lying = laid.flatMap((each, item) => (each ? [item] : []));
  lying.sort((a, b) => bench.items[b]!.areaM2 - bench.items[a]!.areaM2);
  const large = lying.slice(0, Math.max(2, Math.ceil(lying.length * LARGE_SHARE)));
  const [one, two] = [large[Math.floor(random() * large.length)]!, large[Math.floor(random() * large.length)]!];
  const next = [...laid];
  next[one] = { ...laid[one]!, x: laid[two]!.x, y: laid[two]!.y };
  next[two] = { ...laid[two]!, x: laid[one]!.x, y: laid[one]!.y };
  return next;
}
