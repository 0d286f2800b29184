import type { Polygon } from '#core/item/geometry';
import { seeded } from '#core/measures';
import { fittedTo } from './fitted';
import { Bench, laidInRows, laidOneByOne, lengthOf, type Lying } from './layout';
import type { NestPiece, Placement } from './pieces';
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
  /** Copies that lie on another roll, by name: not of this nest. */
  readonly elsewhere?: ReadonlySet<string> | undefined;
  /** Pieces that stay where they are: the rest is nested round them. */
  readonly pinned?: readonly Placement[] | undefined;
  /** Where an earlier nesting stood: gone on from; what does not fit any more is laid anew. */
  readonly from?: readonly Placement[] | undefined;
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
/** Film that is the same but for rounding, m². */
const SAME_M2 = 1e-9;
/** The bound is met. */
const ROUNDING_MM = 0.05;
/** Orders tried one by one before pieces are moved about. */
const FIRST_ORDERS = 6;
/** Layouts gone on with while pieces are fitted edge to edge: first few, for a quick answer. */
const BREADTH = 64;
const BREADTHS = [1, BREADTH];
/** Lengths fitted to, as shares of the bound. */
const FITTED_TO = [1.055, 1.03, 1.001];
/** Pieces fit one another where so many of them were laid by fitting; else that is not tried again. */
const FIT_SHARE = 0.6;
/** More pieces than these are laid in rows first, for an answer at once. */
const MANY = 80;
/** Nobody waits for more pieces than these to be fitted; and curved ones, of more corners on average, fit no other. */
const MOST_FITTED = 120;
const MOST_CORNERS = 8;
/** What was fitted stands in its neighbours by a little: given up to this share of the length to move apart in. */
const ROOM = [0, 0.0005, 0.002, 0.008];

/** What lies where, by item; undefined: left out. */
type Laid = readonly (Lying | undefined)[];
const count = (laid: Laid) => laid.reduce((sum, each) => sum + (each ? 1 : 0), 0);

/**
 * Nests pieces on a roll in as little length as it can find, any time: yields whenever something better is found, and
 * `undefined` between, so that whoever asks can stop, draw or go on. Three ways: one by one, largest first; fitted edge to
 * edge; moved about on ever less length until none overlaps. The last two in turns, as long as fitting comes to something.
 * @throws RangeError for what is pinned and is no piece
 */
export function* nesting(job: NestCase): Generator<Nested | undefined, void, void> {
  const search = new Search(job);
  yield* search.oneByOne();
  for (const breadth of BREADTHS) {
    for (const share of FITTED_TO) if (search.fitsHelp) yield* search.fitted(breadth, share);
  }
  const steps = { fitting: 0, moving: 0 };
  for (let tries = 0; search.mayBeBetter();) {
    const way = search.fitsHelp && steps.fitting <= steps.moving ? 'fitting' : 'moving';
    const turn =
      way === 'fitting' ? search.fitted(BREADTH, FITTED_TO[tries++ % FITTED_TO.length]!) : search.movedAbout();
    for (const found of turn) {
      steps[way] += 1;
      yield found;
    }
  }
}

/** The best so far, and ways to find a better one. */
class Search {
  /** Whether pieces fit one another so well that fitting them edge to edge is worth its time. */
  fitsHelp: boolean;
  private best: Laid | undefined;
  private readonly random: () => number;
  private readonly bench: Bench;
  private readonly rollLengthMm: number;
  private readonly bound: number;
  /** Where moving about goes on from, and how much shorter it tries. */
  private start: Laid | undefined;
  private shrink = FIRST_SHRINK;

  constructor(private readonly job: NestCase) {
    this.random = seeded(job.seed);
    this.bench = new Bench(job);
    this.rollLengthMm = job.rollLengthMm ?? Infinity;
    this.bound = boundMm(job, this.bench);
    const { items } = this.bench;
    const corners = items.reduce((sum, { variants }) => sum + (variants[0]?.outline.length ?? 0), 0);
    this.fitsHelp = items.length <= MOST_FITTED && corners <= MOST_CORNERS * items.length;
  }

  mayBeBetter = () => count(this.best!) > 1 && this.span(this.best!) > this.bound + ROUNDING_MM;

  *oneByOne(): Generator<Nested | undefined, void, void> {
    if (this.bench.items.length > MANY) yield* this.ifBetter(laidInRows(this.bench, this.rollLengthMm, this.job.gapMm));
    const before = this.bench.laidBefore(this.job.from ?? [], this.rollLengthMm);
    for (const order of firstOrders(this.bench, this.random)) {
      if (count(before) > 0) yield* this.ifBetter(yield* laidOneByOne(this.bench, order, this.rollLengthMm, before));
      yield* this.ifBetter(yield* laidOneByOne(this.bench, order, this.rollLengthMm));
    }
  }

  /** Fitted edge to edge on so much of the bound, the rest one by one. */
  *fitted(breadth: number, share: number): Generator<Nested | undefined, void, void> {
    const { bench, rollLengthMm } = this;
    const shorter = count(this.best!) < bench.items.length ? rollLengthMm : this.span(this.best!) * (1 - LEAST_SHRINK);
    const lengthMm = Math.max(this.bound, Math.min(shorter, share * this.bound));
    const fitted = yield* fittedTo(bench, lengthMm, this.job.gapMm / 2, breadth, this.random);
    if (breadth >= BREADTH) this.fitsHelp = count(fitted) >= FIT_SHARE * bench.items.length;
    const laid = yield* laidOneByOne(bench, bySize(bench), rollLengthMm, fitted);
    if (!this.isBetter(laid)) return;
    for (const room of ROOM) {
      const moved = yield* this.movedApart(laid, Math.min(rollLengthMm, this.span(laid) * (1 + room)));
      if (moved.isClear) return void (yield* this.ifBetter(moved.laid));
    }
  }

  /** Moved about on a shorter roll; what did not fit the roll's length stays out. */
  *movedAbout(): Generator<Nested | undefined, void, void> {
    const lengthMm = Math.max(this.bound, this.span(this.best!) * (1 - this.shrink));
    const moved = yield* this.movedApart(this.start ?? this.best!, lengthMm);
    if (moved.isClear) {
      this.shrink = Math.min(FIRST_SHRINK, this.shrink * BOLDER);
      yield* this.ifBetter(moved.laid);
      // What was left out may fit the end that came free.
      if (count(moved.laid) < this.bench.items.length)
        yield* this.ifBetter(yield* laidOneByOne(this.bench, bySize(this.bench), this.rollLengthMm, moved.laid));
      return;
    }
    this.shrink = Math.max(LEAST_SHRINK, this.shrink * MILDER);
    this.start = shuffled(this.bench, moved.laid, this.random);
    yield undefined;
  }

  private *movedApart(start: Laid, lengthMm: number): Generator<undefined, { laid: Laid; isClear: boolean }, void> {
    const separation = new Separation(this.bench, start, lengthMm, this.random);
    let [least, since] = [Infinity, 0];
    let nearest = start;
    while (since < PATIENCE) {
      if (!separation.round()) return { laid: separation.laid(), isClear: true };
      since += 1;
      const overlap = separation.overlap();
      if (overlap < least * BETTER) {
        [least, since] = [overlap, 0];
        nearest = separation.laid();
      }
      yield undefined;
    }
    return { laid: nearest, isClear: false };
  }

  private *ifBetter(laid: Laid): Generator<Nested, void, void> {
    if (!this.isBetter(laid)) return;
    this.best = this.start = laid;
    yield nestedOf(this.job, this.bench, laid, this.bound);
  }

  /** More film on the roll, or as much on less of it. */
  private isBetter = (laid: Laid): boolean => {
    if (!this.best) return true;
    const more = this.areaM2(laid) - this.areaM2(this.best);
    return more > SAME_M2 || (more > -SAME_M2 && this.span(laid) < this.span(this.best));
  };

  private areaM2 = (laid: Laid) =>
    laid.reduce((sum, each, item) => sum + (each ? this.bench.items[item]!.areaM2 : 0), 0);

  private span = (laid: Laid) => Math.max(this.bench.pinnedEndMm, lengthOf(laid.filter((each) => each !== undefined)));
}

/** The best that is found until it is enough. @param enough asked between steps */
export function nest(
  job: NestCase,
  enough: () => boolean,
  onBetter: (nested: Nested) => void = () => undefined,
): Nested {
  let best: Nested | undefined;
  for (const found of nesting(job)) {
    if (found) {
      best = found;
      onBetter(found);
    }
    if (best && enough()) break;
  }
  return best!;
}

const bySize = ({ items }: Bench) => items.map((_, item) => item).sort((a, b) => items[b]!.areaM2 - items[a]!.areaM2);

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

/** Nobody can do with less: all the film of the pieces over the width, the shortest way the longest may lie, what is pinned. */
function boundMm({ rollWidthMm }: NestCase, { items, pinnedEndMm, pinnedAreaMm2 }: Bench): number {
  const own = items.filter(({ variants }) => variants.length > 0);
  const areaMm2 = own.reduce((sum, { areaM2 }) => sum + 1e6 * areaM2, pinnedAreaMm2);
  const longest = own.reduce(
    (most, { variants }) => Math.max(most, Math.min(...variants.map(({ bounds }) => bounds.maxX - bounds.minX))),
    0,
  );
  return Math.max(pinnedEndMm, areaMm2 / rollWidthMm, longest);
}

function nestedOf(job: NestCase, bench: Bench, laid: readonly (Lying | undefined)[], bound: number): Nested {
  const placements: Placement[] = [...(job.pinned ?? [])];
  const unplaced: Nested['unplaced'][number][] = [];
  let areaMm2 = bench.pinnedAreaMm2;
  laid.forEach((each, item) => {
    const { piece, copy, areaM2 } = bench.items[item]!;
    const { id } = job.pieces[piece]!;
    if (!each) return void unplaced.push({ id, copy });
    areaMm2 += 1e6 * areaM2;
    placements.push({ id, copy, turn: each.variant.turn, xMm: each.x, yMm: each.y });
  });
  const lengthMm = Math.max(bench.pinnedEndMm, lengthOf(laid.filter((each) => each !== undefined)));
  return {
    lengthMm,
    usedShare: lengthMm > 0 ? areaMm2 / (lengthMm * job.rollWidthMm) : 0,
    boundMm: unplaced.length > 0 ? Math.min(bound, lengthMm) : bound,
    placements,
    unplaced,
  };
}
