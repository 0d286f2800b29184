import type { Board } from './board';
import { type Bounds, inTurn, type Reach, reach } from './bound';
import type { Stay } from './case';

/** Orders of so many jobs on the same bays are gone through by what has been done already; of more, the longest. */
const MOST_STAYS = 12;

/** What stands somewhere, made ready to be put after others. */
interface Standing {
  /** When it is gone, if it may come in from a moment on. */
  readonly goneBy: (fromMin: number) => number;
  /** Least minutes from then to the end of all that comes after it. */
  readonly tailMin: number;
  readonly dues: readonly Waiting[];
}

/**
 * Lower bounds by what stands somewhere one after the other, each from the first of its tasks to the last with nights
 * and lags between them: the best of all orders, shared out among the bays that may take them, as if nobody were in
 * anybody's way elsewhere.
 *
 * Source: dynamic programming over subsets (Held and Karp 1962); a job that comes in later is never gone sooner, so that
 * of each set only the earliest end matters.
 */
export function standingBounds(board: Board, isPlaced: (nth: number) => boolean): Bounds {
  const reached = reach(board, isPlaced);
  let makespanMin = 0;
  const late = new Map<string, number>();
  const { asked, index } = board;
  for (const { task, byMin, weight } of asked.due) {
    const nth = index.get(task)!;
    if (isPlaced(nth)) late.set(task, (late.get(task) ?? 0) + weight * Math.max(0, reached.ends[nth]! - byMin));
  }
  let lateness = 0;
  for (const { resources, stays } of together(board, isPlaced)) {
    const waiting = duesOf(board, stays, isPlaced, reached);
    const standings = stays
      .map((stay, nth) => standingOf(board, stay, isPlaced, reached, waiting[nth]!))
      .toSorted((a, b) => b.goneBy(0) - a.goneBy(0))
      .slice(0, MOST_STAYS);
    const least = shared(standings, resources);
    makespanMin = Math.max(makespanMin, least.makespanMin);
    lateness += least.lateness;
    // Those counted here are not counted once more by themselves.
    for (const { dues } of standings) for (const { task } of dues) late.delete(task);
  }
  return { lateness: lateness + [...late.values()].reduce((sum, own) => sum + own, 0), makespanMin };
}

/** What is due, and comes after something that stands somewhere. */
interface Waiting {
  readonly task: string;
  /** Least minutes to its end from when that is gone. */
  readonly fromGoneMin: number;
  /** Its own end at the earliest. */
  readonly endsMin: number;
  readonly byMin: number;
  readonly weight: number;
}

/** Stays that may be in one another's way, with the number of places they share. */
function together(
  { asked, index }: Board,
  isPlaced: (nth: number) => boolean,
): { readonly resources: number; readonly stays: readonly Stay[] }[] {
  const groups: { places: Set<string>; stays: Stay[] }[] = [];
  for (const stay of asked.stays ?? []) {
    const tasks = stay.tasks.filter((id) => isPlaced(index.get(id)!));
    if (tasks.length === 0) continue;
    const joined = groups.filter(({ places }) => stay.anyOf.some((id) => places.has(id)));
    const places = new Set([...stay.anyOf, ...joined.flatMap((group) => [...group.places])]);
    const stays = [...joined.flatMap((group) => group.stays), { ...stay, tasks }];
    groups.splice(0, groups.length, ...groups.filter((group) => !joined.includes(group)), { places, stays });
  }
  return groups.map(({ places, stays }) => ({ resources: places.size, stays }));
}

/** Of each stay: what is due that comes after its last task, each counted for one of them. */
function duesOf(
  board: Board,
  stays: readonly Stay[],
  isPlaced: (nth: number) => boolean,
  { ends }: Reach,
): Waiting[][] {
  const { asked, index, tasks, after } = board;
  const order = inTurn(board, isPlaced);
  const counted = new Set<string>();
  return stays.map((stay) => {
    const last = index.get(stay.tasks.at(-1)!)!;
    // The longest way from there on, by lags and work alone.
    const way = new Map([[last, 0]]);
    for (const nth of order) {
      const here = way.get(nth);
      if (here === undefined) continue;
      for (const { before, minMin } of after[nth]!) {
        const next = index.get(before)!;
        if (isPlaced(next)) way.set(next, Math.max(way.get(next) ?? 0, here + minMin + tasks[next]!.min));
      }
    }
    return asked.due.flatMap(({ task, byMin, weight }) => {
      const nth = index.get(task)!;
      const fromGoneMin = way.get(nth);
      if (fromGoneMin === undefined || counted.has(task)) return [];
      counted.add(task);
      return [{ task, fromGoneMin, endsMin: ends[nth]!, byMin, weight }];
    });
  });
}

function standingOf(
  board: Board,
  stay: Stay,
  isPlaced: (nth: number) => boolean,
  { heads, tails }: Reach,
  dues: readonly Waiting[],
): Standing {
  const chain = stay.tasks.map((id, nth) => {
    const own = board.index.get(id)!;
    const task = board.tasks[own]!;
    // Staffed otherwise in the same hours comes to the same.
    const byHours = new Map((board.modes[own] ?? [[]]).map((uses) => [board.shifts.of(uses), uses]));
    const lagMin = board.before[own]!.reduce(
      (most, { after, minMin }) => (after === stay.tasks[nth - 1] ? Math.max(most, minMin) : most),
      0,
    );
    return { task, ways: [...byHours.values()], lagMin, headMin: task.atMin === undefined ? heads[own]! : 0 };
  });
  const known = new Map<number, number>();
  const goneBy = (fromMin: number): number => {
    const before = known.get(fromMin);
    if (before !== undefined) return before;
    let at = fromMin;
    for (const { task, ways, lagMin, headMin } of chain) {
      const from = Math.max(at + lagMin, headMin);
      at = ways.reduce((least, uses) => {
        const place = board.alone(task, uses, task.atMin ?? from, 0);
        return place && place.fromMin >= from ? Math.min(least, place.toMin) : least;
      }, Infinity);
      if (at === Infinity) break;
    }
    known.set(fromMin, at);
    return at;
  };
  return { goneBy, tailMin: tails[board.index.get(stay.tasks.at(-1)!)!]!, dues };
}

/** The best of all orders of some stays on so many places alike. */
function shared(standings: readonly Standing[], places: number): Bounds {
  const sets = 1 << standings.length;
  const gone = new Float64Array(sets).fill(Infinity);
  let ends = new Float64Array(sets).fill(Infinity);
  let late = new Float64Array(sets).fill(Infinity);
  gone[0] = ends[0] = late[0] = 0;
  for (let set = 1; set < sets; set += 1)
    standings.forEach(({ goneBy, tailMin, dues }, nth) => {
      if ((set & (1 << nth)) === 0) return;
      const others = set & ~(1 << nth);
      const at = goneBy(gone[others]!);
      gone[set] = Math.min(gone[set]!, at);
      ends[set] = Math.min(ends[set]!, Math.max(ends[others]!, at + tailMin));
      const own = dues.reduce(
        (sum, { fromGoneMin, endsMin, byMin, weight }) =>
          sum + weight * Math.max(0, Math.max(endsMin, at + fromGoneMin) - byMin),
        0,
      );
      late[set] = Math.min(late[set]!, late[others]! + own);
    });
  const [one, oneLate] = [ends, late];
  for (let more = 1; more < Math.min(places, standings.length); more += 1) {
    const [endsWith, lateWith] = [Float64Array.from(one), Float64Array.from(oneLate)];
    for (let set = 1; set < sets; set += 1)
      for (let part = set; part > 0; part = (part - 1) & set) {
        endsWith[set] = Math.min(endsWith[set]!, Math.max(one[part]!, ends[set & ~part]!));
        lateWith[set] = Math.min(lateWith[set]!, oneLate[part]! + late[set & ~part]!);
      }
    [ends, late] = [endsWith, lateWith];
  }
  const [makespanMin, lateness] = [ends[sets - 1]!, late[sets - 1]!];
  return {
    makespanMin: Number.isFinite(makespanMin) ? makespanMin : 0,
    lateness: Number.isFinite(lateness) ? lateness : 0,
  };
}
