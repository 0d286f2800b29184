import type { Hours } from '#core/plan/crew';
import type { Board } from './board';
import { Shifts } from './shifts';

/** Earliest ends and least minutes after them, by lags and hours alone: nobody is in anybody's way. */
export interface Reach {
  readonly heads: readonly number[];
  readonly ends: readonly number[];
  readonly tails: readonly number[];
}

/** When each task could begin and end at the earliest, and how many minutes come after it at least. */
export function reach(board: Board, isPlaced: (nth: number) => boolean): Reach {
  const { tasks, index, before, after } = board;
  const heads = tasks.map(() => 0);
  const ends = tasks.map(() => 0);
  const tails = tasks.map(() => 0);
  const order = inTurn(board, isPlaced);
  for (const nth of order) {
    const task = tasks[nth]!;
    const from =
      task.atMin ?? Math.max(0, ...before[nth]!.map(({ after: id, minMin }) => ends[index.get(id)!]! + minMin));
    const modes = board.modes[nth] ?? [[]];
    const first = modes.flatMap((uses) => board.alone({ ...task, atMin: undefined }, uses, from, 0) ?? []);
    heads[nth] = Math.min(...first.map(({ fromMin }) => fromMin));
    ends[nth] = Math.min(...first.map(({ toMin }) => toMin));
    if (first.length === 0) [heads[nth], ends[nth]] = [from, from + task.min];
  }
  for (const nth of order.toReversed())
    tails[nth] = Math.max(
      0,
      ...after[nth]!.map(({ before: id, minMin }) => {
        const next = index.get(id)!;
        if (!isPlaced(next)) return 0;
        return minMin + tasks[next]!.min + tails[next]!;
      }),
    );
  return { heads, ends, tails };
}

/** Tasks that are placed, each after all it waits for. */
export function inTurn({ tasks, before, after, index }: Board, isPlaced: (nth: number) => boolean): number[] {
  const waits = tasks.map((_, nth) => before[nth]!.length);
  const order = tasks.flatMap((_, nth) => (isPlaced(nth) && waits[nth] === 0 ? [nth] : []));
  for (const nth of order)
    for (const { before: id } of after[nth]!) {
      const next = index.get(id)!;
      waits[next]! -= 1;
      if (waits[next] === 0 && isPlaced(next)) order.push(next);
    }
  return order;
}

/** Groups of resources whose load is looked at: what one need may take, and some of them together. */
const MOST_GROUPS = 60;
/** Heads tried of a group's tasks. */
const MOST_HEADS = 40;
/** Of thousands of tasks a few heads say as much. */
const [MANY, FEW_HEADS] = [1000, 4];

/** No calendar in which all are placed that can be is less late, weight times minutes, or ends sooner. */
export interface Bounds {
  readonly lateness: number;
  readonly makespanMin: number;
}

/** By the longest way through lags and hours, and by what each group of resources has to do in its hours. */
export function bounds(board: Board, isPlaced: (nth: number) => boolean): Bounds {
  const { heads, ends, tails } = reach(board, isPlaced);
  const { tasks, asked, index } = board;
  const lateness = asked.due.reduce((sum, { task, byMin, weight }) => {
    const nth = index.get(task)!;
    return isPlaced(nth) ? sum + weight * Math.max(0, ends[nth]! - byMin) : sum;
  }, 0);
  const placed = tasks.flatMap((_, nth) => (isPlaced(nth) ? [nth] : []));
  let makespanMin = placed.reduce((most, nth) => Math.max(most, ends[nth]! + tails[nth]!), 0);
  for (const group of groupsOf(board, isPlaced)) {
    const work = placed.flatMap((nth) => {
      const { needs, min } = tasks[nth]!;
      const count = needs.reduce((sum, need) => (need.anyOf.every((id) => group.has(id)) ? sum + need.count : sum), 0);
      return count > 0 && min > 0 ? [{ head: heads[nth]!, tail: tails[nth]!, load: count * min }] : [];
    });
    if (work.length === 0) continue;
    const there = thereOf(board, group);
    // Those that begin late and those with much after them: by each, from the latest and longest on.
    const byHead = [...new Set(work.map(({ head }) => head))].toSorted((a, b) => a - b);
    const step = Math.ceil(byHead.length / (work.length > MANY ? FEW_HEADS : MOST_HEADS));
    for (const head of byHead.filter((_, nth) => nth % step === 0)) {
      const later = work.filter((one) => one.head >= head).toSorted((a, b) => b.tail - a.tail);
      let load = 0;
      for (const { load: own, tail } of later) {
        load += own;
        makespanMin = Math.max(makespanMin, there(head, load) + tail);
      }
    }
  }
  return { lateness, makespanMin };
}

/** When a group, busy from a moment on in all the hours it has, is through with a load. */
function thereOf(board: Board, group: ReadonlySet<string>): (fromMin: number, load: number) => number {
  const change = new Map<number, number>();
  const add = (at: number, count: number) => change.set(at, (change.get(at) ?? 0) + count);
  for (const { id, hours, capacity } of board.asked.resources)
    if (group.has(id))
      for (const [from, to] of new Shifts(hours ?? EVER).stretches) {
        add(from, capacity);
        add(to, -capacity);
      }
  let [count, before] = [0, 0];
  const times = [...change.keys()].toSorted((a, b) => a - b);
  // How many can be served from when on, and what could be done before.
  const pieces = times.map((at, nth) => {
    count += change.get(at)!;
    const piece = { at, count, before };
    if (count > 0) before += count * ((times[nth + 1] ?? Infinity) - at);
    return piece;
  });
  const lastWhere = (holds: (piece: (typeof pieces)[number]) => boolean) => {
    let [low, high] = [0, pieces.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (holds(pieces[middle]!)) low = middle + 1;
      else high = middle;
    }
    return pieces[low - 1];
  };
  return (fromMin, load) => {
    const start = lastWhere(({ at }) => at <= fromMin);
    const wanted = (start ? start.before + start.count * (fromMin - start.at) : 0) + load;
    const end = lastWhere((piece) => piece.before < wanted);
    if (!end || end.count <= 0) return fromMin;
    return Math.max(fromMin, Math.ceil(end.at + (wanted - end.before) / end.count - 1e-9));
  };
}

const EVER: Hours = [[0, Infinity]];

function groupsOf({ tasks }: Board, isPlaced: (nth: number) => boolean): ReadonlySet<string>[] {
  const known = new Map<string, ReadonlySet<string>>();
  const add = (ids: Iterable<string>) => {
    const group = new Set(ids);
    if (known.size < MOST_GROUPS) known.set(JSON.stringify([...group].toSorted()), group);
    return group;
  };
  tasks.forEach(({ needs }, nth) => {
    if (isPlaced(nth)) for (const { anyOf } of needs) add(anyOf);
  });
  const first = [...known.values()];
  // Needs that overlap bind one another: people of two kinds, some of them both.
  for (const one of first) {
    const joined = first.filter((other) => [...other].some((id) => one.has(id))).flatMap((other) => [...other]);
    add(joined);
  }
  return [...known.values()];
}
