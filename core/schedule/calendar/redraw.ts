import { MINUTES_PER_DAY } from '#core/measures';
import { Board, isSame, type Layout, type Placement } from './board';
import type { CalendarCase, PlacedTask, Scheduled } from './case';
import { bounds } from './bound';

/** Why something does not stand where it stood. */
export type MoveWhy =
  /** What it takes is not there at that time any more. */
  | { readonly code: 'closed'; readonly uses: readonly string[] }
  /** Something it waits for is done later, or lasts longer. */
  | { readonly code: 'waits'; readonly task: string }
  /** What comes after it has to come soon after it, and could not at the earlier time. */
  | { readonly code: 'together'; readonly task: string }
  /** What it takes is taken by something else. */
  | { readonly code: 'taken'; readonly task: string; readonly resource: string }
  /** It is not where it was asked to be, or somebody moved it. */
  | { readonly code: 'moved' };

export interface Move {
  readonly id: string;
  readonly was: PlacedTask;
  readonly is: PlacedTask;
  readonly why: MoveWhy;
}

export interface Redrawn extends Scheduled {
  /** Those that stand otherwise than before, in their order. */
  readonly moves: readonly Move[];
}

export interface RedrawOptions {
  /** None of these has to stay: they go as early as they may, in the order they stood. */
  readonly free?: ReadonlySet<string>;
  /** They go before all others. */
  readonly first?: boolean;
  /** Where all are to stand instead, as far as they can: what moves is told against where they stood. */
  readonly sought?: readonly PlacedTask[] | undefined;
}

/**
 * A calendar after something has changed, with the fewest moves: all that can stay where it stood does; what cannot goes
 * to the next place, never earlier than it was, and takes along only what waits for it.
 * @param before where everything stood
 */
export function redraw(
  asked: CalendarCase,
  before: readonly PlacedTask[],
  { free, first = false, sought = before }: RedrawOptions = {},
): Redrawn {
  const board = new Board(asked);
  const stood = new Map(before.map((place) => [place.id, place]));
  const wanted = new Map(sought.map((place) => [place.id, place]));
  const isFree = (id: string) => free?.has(id) ?? false;
  const kept = board.tasks.map(({ id }): Placement | undefined => (isFree(id) ? undefined : wanted.get(id)));
  // In the order they stood; what is new comes after all that was promised.
  const rank = board.tasks.map(({ id }) =>
    first && isFree(id) ? -1 : (wanted.get(id)?.fromMin ?? Number.MAX_SAFE_INTEGER),
  );
  const layout = board.layOut(rank, undefined, kept);
  const { tasks, unplaced } = board.told(layout);
  const moves = tasks.flatMap((is): Move[] => {
    const was = stood.get(is.id);
    if (!was || (was.fromMin === is.fromMin && was.toMin === is.toMin && isSame(was.uses, is.uses))) return [];
    return [{ id: is.id, was, is, why: whyMoved(board, layout, stood, was, is) }];
  });
  const bound = bounds(board, (nth) => layout.places[nth] !== undefined);
  return {
    tasks,
    unplaced,
    lateMin: board.lateMin(layout),
    makespanMin: layout.makespanMin,
    boundMin: Math.min(bound.makespanMin, layout.makespanMin),
    proven: layout.lateness <= bound.lateness && layout.makespanMin <= bound.makespanMin && unplaced.length === 0,
    moves: moves.toSorted((a, b) => a.is.fromMin - b.is.fromMin),
  };
}

function whyMoved(
  board: Board,
  { places }: Layout,
  stood: ReadonlyMap<string, PlacedTask>,
  was: PlacedTask,
  is: PlacedTask,
): MoveWhy {
  const nth = board.index.get(is.id)!;
  const task = board.tasks[nth]!;
  if (task.atMin !== undefined) return { code: 'moved' };
  for (const { after, minMin } of board.before[nth]!) {
    const place = places[board.index.get(after)!];
    if (place && place.toMin + minMin > was.fromMin) return { code: 'waits', task: after };
  }
  const shifts = board.shifts.of(was.uses);
  const start = task.pausable ? shifts.open(was.fromMin) : shifts.inOneGo(was.fromMin, task.min);
  const isAway = (id: string) => {
    const own = board.shifts.of([id]);
    return (task.pausable ? own.open(was.fromMin) : own.inOneGo(was.fromMin, task.min)) !== was.fromMin;
  };
  const gone = was.uses.filter(isAway);
  // What it takes now, such as a machine, and took nothing like before.
  const added = is.uses.filter((id) =>
    task.needs.some(({ anyOf }) => anyOf.includes(id) && !anyOf.some((one) => was.uses.includes(one))),
  );
  if (start !== was.fromMin) return { code: 'closed', uses: gone.length > 0 ? gone : was.uses };
  if (added.some(isAway)) return { code: 'closed', uses: added.filter(isAway) };
  for (const { before, maxMin } of board.after[nth]!) {
    const place = places[board.index.get(before)!];
    if (place && maxMin !== undefined && was.toMin + maxMin < place.fromMin) return { code: 'together', task: before };
  }
  for (const resource of [...was.uses, ...added]) {
    const isNew = added.includes(resource);
    const other = places.findIndex(
      (place, at) =>
        at !== nth &&
        (isNew || stood.get(board.tasks[at]!.id)?.fromMin !== place?.fromMin) &&
        place?.uses.includes(resource) &&
        place.fromMin < was.toMin &&
        place.toMin > was.fromMin,
    );
    if (other !== -1) return { code: 'taken', task: board.tasks[other]!.id, resource };
  }
  // Closed in between: it is worked longer than it was.
  const short = was.uses.filter(
    (id) => board.shifts.of([id]).counted(was.toMin) - board.shifts.of([id]).counted(was.fromMin) < task.min,
  );
  return short.length > 0 ? { code: 'closed', uses: short } : { code: 'moved' };
}

/** Where one task may be put. */
export type Put =
  | { readonly holds: true }
  /** Why not, and the nearest moments that do: before it and after it. */
  | { readonly holds: false; readonly why: string; readonly nearest: readonly number[] };

/** How far round a moment somebody looks for one that holds, minutes. */
const LOOKED_FOR_MIN = 7 * MINUTES_PER_DAY;

/**
 * Whether one task may be put at a moment, all that is fixed and what it waits for standing where they stand; what is
 * not fixed would move out of its way.
 * @param every moments are looked at so far apart, minutes
 */
export function mayPut(asked: CalendarCase, before: readonly PlacedTask[], id: string, atMin: number, every = 5): Put {
  const own = before.find((place) => place.id === id);
  const tryAt = (min: number): string | undefined => {
    const tasks = asked.tasks.map((task) => (task.id === id ? { ...task, atMin: min } : task));
    // What comes before it by a lag stays: it is not put before what it waits for.
    const waits = new Set(asked.lags.flatMap((lag) => (lag.before === id ? [lag.after] : [])));
    const held = before.filter((place) => waits.has(place.id));
    const pinned = tasks.map((task) => {
      const place = held.find((each) => each.id === task.id);
      return place && task.atMin === undefined ? { ...task, atMin: place.fromMin } : task;
    });
    const fixed = new Set(pinned.flatMap((task) => (task.atMin === undefined ? [] : [task.id])));
    const only = {
      ...asked,
      tasks: pinned.filter((task) => fixed.has(task.id)),
      lags: asked.lags.filter(({ after, before: next }) => fixed.has(after) && fixed.has(next)),
      same: [],
      stays: [],
      due: [],
    };
    const board = new Board(only);
    const layout = board.layOut(only.tasks.map(({ atMin: at }) => at!));
    const nth = board.index.get(id)!;
    return layout.places[nth] ? undefined : (layout.why[nth] ?? 'no place for it');
  };
  const why = tryAt(atMin);
  if (why === undefined) return { holds: true };
  const nearest: number[] = [];
  for (const step of [-every, every])
    for (let min = atMin + step; Math.abs(min - atMin) <= LOOKED_FOR_MIN && min >= 0; min += step)
      if (min !== own?.fromMin && tryAt(min) === undefined) {
        nearest.push(min);
        break;
      }
  return { holds: false, why, nearest: nearest.toSorted((a, b) => Math.abs(a - atMin) - Math.abs(b - atMin)) };
}
