import { seeded } from '#core/measures';
import type { Board, Layout } from './board';
import { compared } from './board';
import { type Bounds, bounds } from './bound';
import { standingBounds } from './standing-bound';

/** Tasks placed by trying orders, in all: a case of hundreds has fewer tries of each. */
const PLACINGS = 15_000_000;
/** A few tasks have not that many orders. */
const ROUNDS_A_TASK = 1500;
/** A case of more tasks is laid out once by each rule, and not gone on with. */
const TOO_MANY = 2000;
/** How much worse an order may be gone on with, as a share of the whole, first and last. */
const [WARM, COLD] = [0.02, 0.001];

/** How often two that meet change places, instead of any one being moved, and how far that is moved. */
const BY_MEETING = 0.85;
const NEAR_BY = 8;
/** Else, where jobs stand in bays, how often any two jobs change their order. */
const BY_BLOCK = 0.5;
/**
 * All of a job goes before another's first step, in its own order: so near to one another, in ranks; else as far apart
 * as they were, with others between them.
 */
const NEAR = 1e-4;
const BY_NEAR = 0.25;

/** Rounds from warm to cold, after which the best is gone on with, warm again. */
const CYCLE = 1500;

/** What is tried between two looks at whether to go on. */
const AT_ONCE = 50;

/** The best so far, and the share of all that is tried. */
export interface Tried {
  readonly best: Layout;
  readonly share: number;
}

/**
 * The best order found: first a few rules of thumb, then orders like the best, gone on with even if they are a little
 * worse, less so as time goes by. The same for the same case and seed.
 * @param isEnough that good an answer needs no better one
 */
export function* tried(board: Board, isEnough: (layout: Layout) => boolean): Generator<Tried, void, void> {
  const [first, ...rules] = ranks(board);
  let best = board.layOut(first!);
  yield { best, share: 0 };
  for (const rule of rules) {
    if (isEnough(best)) return;
    const layout = board.layOut(rule);
    if (compared(layout, best) < 0) {
      best = layout;
      yield { best, share: 0 };
    }
  }
  const movable = board.tasks.filter(({ atMin }, nth) => atMin === undefined && board.never[nth] === undefined).length;
  if (movable < 2 || board.tasks.length > TOO_MANY) return;
  const random = seeded(board.asked.seed);
  const rounds = Math.min(Math.ceil(PLACINGS / movable), ROUNDS_A_TASK * movable);
  const blocks = (board.asked.stays ?? []).map(({ tasks }) => tasks.map((id) => board.index.get(id)!));
  const stays = new Map(blocks.flatMap((block) => block.map((nth) => [nth, block] as const)));
  let standing = standingOf(board, best);
  for (let round = 0; round < rounds && !isEnough(best); round += 1) {
    const { order, meeting } = standing;
    const rank = [...standing.rank];
    const pair = meeting[Math.floor(random() * meeting.length)];
    if (pair && random() < BY_MEETING)
      goesBefore(rank, pair, stays, blocks.length > 0 && random() < BY_NEAR ? NEAR : 1);
    else if (blocks.length > 1 && random() < BY_BLOCK) {
      const [one, other] = [random(), random()].map((share) => blocks[Math.floor(share * blocks.length)]!);
      goesBefore(rank, [one![0]!, other![0]!], stays, NEAR);
    } else {
      const nth = order[Math.floor(random() * order.length)]!;
      rank[nth] = rank[nth]! + Math.ceil((random() - 0.5) * 2 * NEAR_BY) + 0.5;
    }
    const layout = board.layOut(rank);
    const heat = WARM * (COLD / WARM) ** ((round % CYCLE) / CYCLE);
    if (round % CYCLE === 0) standing = standingOf(board, best);
    if (worse(board, layout, standing.layout) <= heat * -Math.log(1 - random())) standing = standingOf(board, layout);
    if (compared(layout, best) < 0) {
      best = layout;
      yield { best, share: round / rounds };
    } else if (round % AT_ONCE === 0) yield { best, share: round / rounds };
  }
}

/** The second is put before the first; where each stands somewhere, with all that stands there with it. */
function goesBefore(
  rank: number[],
  [first, second]: readonly [number, number],
  stays: ReadonlyMap<number, readonly number[]>,
  nearness: number,
): void {
  const [one, other] = [stays.get(first), stays.get(second)];
  if (!one || !other || one === other) {
    rank[second] = rank[first]! - 0.5;
    return;
  }
  const [from, sooner] = [rank[one[0]!]! - 0.5, rank[other[0]!]!];
  for (const nth of other) rank[nth] = from + (rank[nth]! - sooner) * nearness;
}

/** A layout with what its next tries are made of. */
interface Standing {
  readonly layout: Layout;
  /** Tasks as they begin, and which place each has among them. */
  readonly order: readonly number[];
  readonly rank: readonly number[];
  /** Pairs that meet at one resource on the way to the last end, or to what is late: the second waits for the first. */
  readonly meeting: readonly (readonly [number, number])[];
}

function standingOf(board: Board, layout: Layout): Standing {
  const { places } = layout;
  const from = (nth: number) => places[nth]?.fromMin ?? Infinity;
  const order = board.tasks.map((_, nth) => nth).toSorted((a, b) => from(a) - from(b) || a - b);
  const rank = board.tasks.map(() => 0);
  order.forEach((nth, place) => (rank[nth] = place));
  // Who had a resource last before whom.
  const holder = new Map<string, number>();
  const earlier = board.tasks.map((): number[] => []);
  for (const nth of order) {
    for (const id of places[nth]?.uses ?? []) {
      const last = holder.get(id);
      if (last !== undefined) earlier[nth]!.push(last);
      holder.set(id, nth);
    }
  }
  const open = order.filter((nth) => places[nth]?.toMin === layout.makespanMin);
  for (const { task, byMin, weight } of board.asked.due) {
    const nth = board.index.get(task)!;
    if (weight > 0 && (places[nth]?.toMin ?? 0) > byMin) open.push(nth);
  }
  const seen = new Set(open);
  const meeting: (readonly [number, number])[] = [];
  while (open.length > 0) {
    const nth = open.pop()!;
    const own = from(nth);
    const lagging = board.before[nth]!.map(({ after, minMin }) => {
      const other = board.index.get(after)!;
      return { other, min: (places[other]?.toMin ?? 0) + minMin, meets: false };
    });
    const held = earlier[nth]!.map((other) => ({ other, min: places[other]!.toMin, meets: true }));
    const causes = [...lagging, ...held].filter(({ min }) => min <= own);
    const latest = Math.max(...causes.map(({ min }) => min));
    for (const { other, min, meets } of causes) {
      if (min < latest) continue;
      if (meets && board.tasks[nth]!.atMin === undefined) meeting.push([other, nth]);
      if (!seen.has(other)) {
        seen.add(other);
        open.push(other);
      }
    }
  }
  return { layout, order, rank, meeting };
}

/** How much of the way from the mean of all ends to the last one counts. */
const BY_MEAN = 0.3;

/** How much worse one is than another, as a share; below 0: better. Where jobs stand in bays and none ends sooner, less is done sooner. */
function worse(board: Board, a: Layout, b: Layout): number {
  if (a.unplaced !== b.unplaced) return a.unplaced - b.unplaced;
  const standing = (board.asked.stays ?? []).length > 0;
  const sooner = standing ? BY_MEAN * (meanEnd(board, a) - meanEnd(board, b)) : 0;
  if (a.lateness !== b.lateness)
    return (a.lateness - b.lateness + sooner) / Math.max(1, b.lateness, b.makespanMin / 10);
  return (a.makespanMin - b.makespanMin + sooner) / Math.max(1, b.makespanMin);
}

/** Of what nothing comes after. */
function meanEnd({ after }: Board, { places }: Layout): number {
  let [sum, count] = [0, 0];
  places.forEach((place, nth) => {
    if (!place || after[nth]!.length > 0) return;
    sum += place.toMin;
    count += 1;
  });
  return sum / Math.max(1, count);
}

/** Rules of thumb: who has most after it, who is due first, who waits least, as they were asked for. */
function ranks(board: Board): number[][] {
  const { tasks, after, index, asked } = board;
  const tails = tasks.map(() => -1);
  const slack = tasks.map(() => Infinity);
  for (const { task, byMin } of asked.due) {
    const nth = index.get(task)!;
    slack[nth] = Math.min(slack[nth]!, byMin);
  }
  // From the last to the first of each chain; circles are never placed and end here.
  const open = tasks.map((_, nth) => nth).toReversed();
  const isOpen = new Set<number>();
  while (open.length > 0) {
    const nth = open.at(-1)!;
    if (tails[nth]! >= 0) {
      open.pop();
      continue;
    }
    const next = after[nth]!.map(({ before, minMin }) => ({ other: index.get(before)!, minMin }));
    const waiting = next.filter(({ other }) => tails[other]! < 0 && !isOpen.has(other));
    isOpen.add(nth);
    if (waiting.length > 0) {
      open.push(...waiting.map(({ other }) => other));
      continue;
    }
    open.pop();
    tails[nth] = Math.max(
      0,
      ...next.map(({ other, minMin }) => minMin + tasks[other]!.min + Math.max(0, tails[other]!)),
    );
    slack[nth] = Math.min(slack[nth]!, ...next.map(({ other, minMin }) => slack[other]! - tasks[other]!.min - minMin));
  }
  const byTail = tasks.map(({ min }, nth) => -(tails[nth]! + min));
  const bySlack = tasks.map(({ min }, nth) => (slack[nth] === Infinity ? 1e9 + byTail[nth]! : slack[nth]! - min));
  return [bySlack, byTail, tasks.map((_, nth) => nth), tasks.map(({ min }) => min)];
}

/** Bounds of what a layout has placed, at once; the better ones take as long as some hundred layouts. */
export function boundsOf(board: Board, { places }: Layout, how: 'quick' | 'best'): Bounds {
  const isPlaced = (nth: number) => places[nth] !== undefined;
  const quick = bounds(board, isPlaced);
  if (how === 'quick') return quick;
  const standing = standingBounds(board, isPlaced);
  return {
    lateness: Math.max(quick.lateness, standing.lateness),
    makespanMin: Math.max(quick.makespanMin, standing.makespanMin),
  };
}
