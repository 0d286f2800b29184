import { boundingBox, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import { Bench, laidOneByOne, lengthOf, type Lying } from './layout';
import { type NestPiece, turned } from './pieces';
import { seeded } from './random';
import { Separation, shuffled } from './separate';

/** What is to be cut from a roll. Millimetres; x along the roll, y across it. */
export interface NestCase {
  readonly rollWidthMm: number;
  /** What is on the roll; absent: enough. */
  readonly rollLengthMm?: number | undefined;
  /** Between any two cuts. */
  readonly gapMm: number;
  readonly pieces: readonly NestPiece[];
  /** Flaws and places used before. */
  readonly blocked: readonly Polygon[];
  readonly seed: number;
}

export interface Placement {
  readonly id: string;
  readonly copy: number;
  readonly turn: number;
  readonly xMm: number;
  readonly yMm: number;
}

export interface Nested {
  readonly lengthMm: number;
  /** Share of the length's film that is in the pieces. */
  readonly usedShare: number;
  /** No layout of these pieces is shorter. */
  readonly boundMm: number;
  readonly placements: readonly Placement[];
  readonly unplaced: readonly { readonly id: string; readonly copy: number }[];
}

/** Rounds without less overlap before a length is given up for now, and how much less it has to be. */
const PATIENCE = 150;
const BETTER = 0.98;
/** How much shorter is tried, as a share of the length: less each time it does not come off, more when it does. */
const FIRST_SHRINK = 0.03;
const LEAST_SHRINK = 0.003;
const MILDER = 0.8;
const BOLDER = 1.5;
/** How often what came nearest is gone on from, rather than what lies clear. */
const FROM_NEAREST = 1;
/** The bound is met. */
const ROUNDING_MM = 0.05;
/** Orders tried one by one before pieces are moved about. */
const FIRST_ORDERS = 6;

/**
 * Nests pieces on a roll in as little length as it can find, any time: yields whenever something better is found, and
 * `undefined` between, so that whoever asks can stop, draw or go on.
 */
export function* nesting(job: NestCase): Generator<Nested | undefined, void, void> {
  const random = seeded(job.seed);
  const bench = new Bench(job.pieces, job.rollWidthMm, job.blocked, job.gapMm);
  const rollLengthMm = job.rollLengthMm ?? Infinity;
  const bound = boundMm(job, bench);
  let best: (Lying | undefined)[] | undefined;
  for (const order of firstOrders(bench, random)) {
    const laid = laidOneByOne(bench, order, rollLengthMm);
    if (best && !isBetter(laid, best)) continue;
    best = laid;
    yield nestedOf(job, bench, best, bound);
  }
  // What did not fit the roll's length stays out: only what lies is moved about.
  const items = best!.flatMap((each, item) => (each ? [item] : []));
  let lying = items.map((item) => best![item]!);
  if (lying.length < 2) return;
  let shrink = FIRST_SHRINK;
  let start = lying;
  while (lengthOf(lying) > bound + ROUNDING_MM) {
    const lengthMm = Math.max(bound, lengthOf(lying) * (1 - shrink));
    const separation = new Separation(bench, items, start, lengthMm, random);
    let clear = false;
    let [least, since] = [Infinity, 0];
    let nearest = start;
    while (!clear && since < PATIENCE) {
      clear = !separation.round();
      since += 1;
      const overlap = clear ? 0 : separation.overlap();
      if (overlap < least * BETTER) {
        [least, since] = [overlap, 0];
        nearest = separation.lying.map((each) => ({ ...each }));
      }
      yield undefined;
    }
    if (clear) {
      lying = separation.lying;
      start = lying;
      shrink = Math.min(FIRST_SHRINK, shrink * BOLDER);
      const laid = best!.map((_, item) => (items.includes(item) ? lying[items.indexOf(item)] : undefined));
      yield nestedOf(job, bench, laid, bound);
      continue;
    }
    shrink = Math.max(LEAST_SHRINK, shrink * MILDER);
    start = shuffled(bench, items, random() < FROM_NEAREST ? nearest : lying, random);
    yield undefined;
  }
}

/** The best that is found until it is enough. @param enough asked between steps */
export function nest(
  job: NestCase,
  enough: () => boolean,
  onBetter: (nested: Nested) => void = () => undefined,
): Nested {
  let best: Nested | undefined;
  for (const found of nesting(job)) {
    if (found && (!best || found.placements.length > best.placements.length || found.lengthMm < best.lengthMm)) {
      best = found;
      onBetter(found);
    }
    if (best && enough()) break;
  }
  return best!;
}

const isBetter = (a: readonly (Lying | undefined)[], b: readonly (Lying | undefined)[]): boolean => {
  const [ours, theirs] = [a.filter((each) => each !== undefined), b.filter((each) => each !== undefined)];
  return ours.length > theirs.length || (ours.length === theirs.length && lengthOf(ours) < lengthOf(theirs));
};

/** Largest first, longest first, and some between. */
function* firstOrders({ items }: Bench, random: () => number): Generator<number[]> {
  const by = (size: (item: number) => number) => items.map((_, item) => item).sort((a, b) => size(b) - size(a));
  const spans = items.map(({ variants }) => {
    const [first] = variants;
    return first ? Math.max(first.bounds.maxX - first.bounds.minX, first.bounds.maxY - first.bounds.minY) : 0;
  });
  yield by((item) => items[item]!.areaM2);
  yield by((item) => spans[item]!);
  for (let nth = 2; nth < FIRST_ORDERS; nth++) {
    const jitter = items.map(() => 0.7 + 0.6 * random());
    yield by((item) => items[item]!.areaM2 * jitter[item]!);
  }
}

/** Nobody can do with less: all the film of the pieces over the width, and the shortest way the longest of them may lie. */
function boundMm({ pieces, rollWidthMm }: NestCase, bench: Bench): number {
  const fitting = new Set(bench.items.filter(({ variants }) => variants.length > 0).map(({ piece }) => piece));
  const own = pieces.filter((_, index) => fitting.has(index));
  const areaMm2 = own.reduce((sum, { outline, count }) => sum + 1e6 * polygonAreaM2(outline) * count, 0);
  const longest = own.map(({ outline, turns }) =>
    Math.min(
      ...turns.map((turn) => {
        const { minX, maxX, minY, maxY } = boundingBox(turned(outline, turn));
        return maxY - minY <= rollWidthMm + 1e-9 ? maxX - minX : Infinity;
      }),
    ),
  );
  return Math.max(0, areaMm2 / rollWidthMm, ...longest);
}

function nestedOf(job: NestCase, bench: Bench, laid: readonly (Lying | undefined)[], bound: number): Nested {
  const placements: Placement[] = [];
  const unplaced: Nested['unplaced'][number][] = [];
  let areaMm2 = 0;
  laid.forEach((each, item) => {
    const { piece, copy, areaM2 } = bench.items[item]!;
    const { id } = job.pieces[piece]!;
    if (!each) return void unplaced.push({ id, copy });
    areaMm2 += 1e6 * areaM2;
    placements.push({ id, copy, turn: each.variant.turn, xMm: each.x, yMm: each.y });
  });
  const lengthMm = lengthOf(laid.filter((each) => each !== undefined));
  return {
    lengthMm,
    usedShare: lengthMm > 0 ? areaMm2 / (lengthMm * job.rollWidthMm) : 0,
    boundMm: unplaced.length > 0 ? Math.min(bound, lengthMm) : bound,
    placements,
    unplaced,
  };
}
