import type { Board, Layout, Placement } from './board';
import { sharedKey } from './modes';
import type { Shifts } from './shifts';

/** What is asked of the solver: less late than so much, or no later than that and shorter. */
export interface Goal {
  readonly what: 'lateness' | 'makespan';
  /** Of the goal, at most; undefined: any. */
  readonly atMost: number | undefined;
  readonly atLeast: number;
  /** Of the makespan goal: weight times minutes late, at most. */
  readonly latenessAtMost?: number;
  /** Nothing ends later, minutes. */
  readonly horizonMin: number;
}

/** A case in the solver's own language, and the way back. */
export interface SolverModel {
  readonly text: string;
  /** Placements of an answer. */
  readonly read: (answer: SolverAnswer) => (Placement | undefined)[];
}

/** What the model has the solver say: of each task placed, in order; how many of its grid's steps, and which mode. */
export interface SolverAnswer {
  readonly s: readonly number[];
  readonly e: readonly number[];
  readonly m: readonly number[];
}

/** Beyond it, a domain with holes is told by stretches. */
const MOST_HOLED = 9000;
/** A model of more pairs takes longer to be read than to be solved by hand. */
const MOST_PAIRS = 60_000;
const MOST_TASKS = 400;

/** A model while it is written: what it is about, its grid, and the lines so far. */
interface Writing {
  readonly board: Board;
  readonly goal: Goal;
  /** Tasks that are placed, by their number on the board; a place is an index into this. */
  readonly placed: readonly number[];
  /** By place: the ways a task may be staffed, and the hours of each way. */
  readonly modes: readonly (readonly (readonly string[])[])[];
  readonly shifts: readonly (readonly Shifts[])[];
  /** Place of a task, by its id. */
  readonly at: ReadonlyMap<string, number>;
  readonly lags: Board['asked']['lags'];
  readonly dues: Board['asked']['due'];
  /** Everything happens at multiples of it, minutes. */
  readonly grid: number;
  readonly horizon: number;
  readonly steps: (min: number) => number;
  readonly lines: string[];
  readonly constrain: (text: string) => void;
  /** A new variable of a type. */
  readonly fresh: (type: string) => string;
}

/**
 * The case as a constraint model: start and end of each task, which way it is staffed, no two at one resource, hours
 * as domains or stretches, lags both ways.
 * @param isPlaced of the tasks; the others are left out
 * @returns undefined: too large to be worth asking
 */
export function solverModel(board: Board, isPlaced: (nth: number) => boolean, goal: Goal): SolverModel | undefined {
  const writing = begun(board, isPlaced, goal);
  if (!writing) return undefined;
  const { placed, modes, grid, lines } = writing;
  placed.forEach((_, place) => writeTask(writing, place));
  writeLags(writing);
  writeAlike(writing);
  const pairs = writeResources(writing);
  if (pairs > MOST_PAIRS) return undefined;
  writeHands(writing);
  writeGoal(writing);
  return {
    text: `${lines.join('\n')}\n`,
    read: ({ s, e, m }) => {
      const places: (Placement | undefined)[] = board.tasks.map(() => undefined);
      placed.forEach((nth, place) => {
        places[nth] = { fromMin: s[place]! * grid, toMin: e[place]! * grid, uses: modes[place]![m[place]! - 1]! };
      });
      return places;
    },
  };
}

/** The model's variables and its grid; undefined: too large, or what the solver's whole numbers cannot say. */
function begun(board: Board, isPlaced: (nth: number) => boolean, goal: Goal): Writing | undefined {
  const { tasks, index, asked } = board;
  const placed = tasks.flatMap((_, nth) => (isPlaced(nth) ? [nth] : []));
  if (placed.length > MOST_TASKS) return undefined;
  const staffed = placed.map((nth) => board.modes[nth]);
  if (staffed.some((modes) => modes === undefined)) return undefined;
  const modes = staffed as (readonly (readonly string[])[])[];
  const shifts = modes.map((own) => own.map((uses) => board.shifts.of(uses)));
  const dues = asked.due.filter(({ task }) => isPlaced(index.get(task)!));
  if (dues.some(({ weight }) => !Number.isInteger(weight))) return undefined;
  const at = new Map(placed.map((nth, place) => [tasks[nth]!.id, place]));
  const lags = asked.lags.filter(({ after, before }) => at.has(after) && at.has(before));

  // Everything happens at multiples of this, where every length and edge is one.
  const grid =
    [
      ...placed.flatMap((nth) => [tasks[nth]!.min, tasks[nth]!.atMin ?? 0]),
      ...lags.flatMap(({ minMin, maxMin }) => [minMin, maxMin ?? 0]),
      ...dues.map(({ byMin }) => byMin),
      ...[...new Set(shifts.flat())].flatMap((each) =>
        each.stretches.flatMap(([from, to]) => (to === Infinity ? [from] : [from, to])),
      ),
    ].reduce(divisor, 0) || 1;
  const horizon = Math.floor(goal.horizonMin / grid);
  const steps = (min: number) => min / grid;
  const lines: string[] = [];
  const constrain = (text: string) => lines.push(`constraint ${text};`);
  const n = placed.length;
  lines.push(
    'include "globals.mzn";',
    `array[1..${n}] of var 0..${horizon}: s;`,
    `array[1..${n}] of var 0..${horizon}: e;`,
    `array[1..${n}] of var 0..${horizon}: d;`,
  );
  lines.push(`array[1..${n}] of var int: m;`, `var 0..${horizon}: makespan;`);
  let names = 0;
  const fresh = (type: string): string => {
    const name = `x${(names += 1)}`;
    lines.push(`var ${type}: ${name};`);
    return name;
  };

  return { board, goal, placed, modes, shifts, at, lags, dues, grid, horizon, steps, lines, constrain, fresh };
}

/** How long a task lasts, how it may be staffed, and in which hours. */
function writeTask(writing: Writing, place: number): void {
  const { board, placed, modes, shifts, steps, constrain } = writing;
  const one = place + 1;
  const task = board.tasks[placed[place]!]!;
  const lasts = steps(task.min);
  constrain(`m[${one}] in 1..${modes[place]!.length}`);
  constrain(`e[${one}] <= makespan`);
  if (task.atMin !== undefined) constrain(`s[${one}] = ${steps(task.atMin)}`);
  constrain(`e[${one}] = s[${one}] + d[${one}]`);
  if (!task.pausable || lasts === 0) constrain(`d[${one}] = ${lasts}`);
  else constrain(`d[${one}] >= ${lasts}`);
  // Each set of hours once, with the modes that are bound by it.
  const classes = new Map<Shifts, number[]>();
  shifts[place]!.forEach((each, mode) => classes.set(each, [...(classes.get(each) ?? []), mode + 1]));
  for (const [each, own] of classes) writeHours(writing, place, each, own, classes.size === 1);
}

/** The hours a task is bound by in some of its modes. */
function writeHours(
  { board, placed, horizon, steps, constrain, fresh }: Writing,
  place: number,
  each: Shifts,
  own: readonly number[],
  isOnly: boolean,
): void {
  const one = place + 1;
  const task = board.tasks[placed[place]!]!;
  const lasts = steps(task.min);
  const only = isOnly ? '' : `m[${one}] in {${own.join(',')}} -> `;
  const stretches = each.stretches.flatMap(([from, to, before]) => {
    const [opens, closes] = [steps(from), Math.min(horizon, to === Infinity ? horizon : steps(to))];
    return opens <= horizon ? [{ opens, closes, before: steps(before) }] : [];
  });
  const [first] = stretches;
  const isAlways = stretches.length === 1 && first!.opens === 0 && first!.closes >= horizon;
  if (isAlways) {
    if (task.pausable) constrain(`${only}e[${one}] = s[${one}] + ${lasts}`);
  } else if (task.pausable && lasts > 0) {
    const open = stretches.filter(({ opens, closes }) => closes > opens);
    if (open.length === 0) {
      constrain(only === '' ? 'false' : `not (m[${one}] in {${own.join(',')}})`);
      return;
    }
    const [k, l] = [fresh(`1..${open.length}`), fresh(`1..${open.length}`)];
    const list = (of: (stretch: (typeof open)[number]) => number) => `[${open.map(of).join(',')}]`;
    const element = (of: (stretch: (typeof open)[number]) => number, by: string) => {
      const values = open.map(of);
      const name = fresh(`${Math.min(...values)}..${Math.max(...values)}`);
      constrain(`${name} = ${list(of)}[${by}]`);
      return name;
    };
    constrain(
      `${only}(s[${one}] >= ${element(({ opens }) => opens, k)} /\\ s[${one}] < ${element(({ closes }) => closes, k)})`,
    );
    constrain(
      `${only}(e[${one}] > ${element(({ opens }) => opens, l)} /\\ e[${one}] <= ${element(({ closes }) => closes, l)})`,
    );
    const offset = (by: string) => element(({ before, opens }) => before - opens, by);
    constrain(`${only}${offset(l)} + e[${one}] - ${offset(k)} - s[${one}] = ${lasts}`);
  } else {
    const fits = stretches.filter(({ opens, closes }) => closes - opens >= lasts);
    if (fits.length === 0) constrain(only === '' ? 'false' : `not (m[${one}] in {${own.join(',')}})`);
    else if (horizon <= MOST_HOLED)
      constrain(
        `${only}s[${one}] in ${fits.map(({ opens, closes }) => `${opens}..${closes - lasts}`).join(' union ')}`,
      );
    else {
      const k = fresh(`1..${fits.length}`);
      const edge = (values: readonly number[]) => {
        const name = fresh(`${Math.min(...values)}..${Math.max(...values)}`);
        constrain(`${name} = [${values.join(',')}][${k}]`);
        return name;
      };
      const from = edge(fits.map(({ opens }) => opens));
      const to = edge(fits.map(({ closes }) => closes - lasts));
      constrain(`${only}(s[${one}] >= ${from} /\\ s[${one}] <= ${to})`);
    }
  }
}

function writeLags({ lags, at, steps, constrain }: Writing): void {
  for (const { after, before, minMin, maxMin } of lags) {
    const [a, b] = [at.get(after)! + 1, at.get(before)! + 1];
    constrain(`s[${b}] >= e[${a}] + ${steps(minMin)}`);
    if (maxMin !== undefined) constrain(`s[${b}] <= e[${a}] + ${steps(maxMin)}`);
  }
}

/** Tasks that take the same of what both may take. */
function writeAlike({ board, modes, at, constrain }: Writing): void {
  for (const [one, partners] of board.alike)
    for (const { other, both } of partners) {
      const [a, b] = [at.get(one), at.get(other)];
      if (a === undefined || b === undefined || a > b || both.size === 0) continue;
      const words = new Map<string, number>();
      const keys = (place: number) =>
        modes[place]!.map((uses) => {
          const key = sharedKey(uses, both);
          if (!words.has(key)) words.set(key, words.size + 1);
          return words.get(key)!;
        });
      constrain(`[${keys(a).join(',')}][m[${a + 1}]] = [${keys(b).join(',')}][m[${b + 1}]]`);
    }
}

const listed = (name: 's' | 'd', takers: readonly { readonly place: number }[]) =>
  `[${takers.map(({ place }) => `${name}[${place + 1}]`).join(',')}]`;
const lastsLong = ({ board, placed }: Writing, place: number) => board.tasks[placed[place]!]!.min > 0;

/** Until when a resource is kept by a task: until the next of its stay begins, where there is one. */
function staysOf({ board, at }: Writing): ReadonlyMap<string, number> {
  return new Map(
    (board.asked.stays ?? []).flatMap(({ anyOf, tasks: ids }) => {
      const there = ids.filter((id) => at.has(id));
      return anyOf.flatMap((resource) =>
        there.slice(1).map((id, nth) => [JSON.stringify([resource, there[nth]!]), at.get(id)!] as const),
      );
    }),
  );
}

/** No more at a resource than it holds. @returns how many pairs of tasks that took */
function writeResources(writing: Writing): number {
  const { board, placed, modes, horizon, constrain, fresh } = writing;
  const staysOn = staysOf(writing);
  let pairs = 0;
  for (const { id, capacity } of board.asked.resources) {
    const takers = placed.flatMap((_, place) => {
      if (!lastsLong(writing, place)) return [];
      const own = modes[place]!.flatMap((uses, mode) => (uses.includes(id) ? [mode + 1] : []));
      return own.length === 0 ? [] : [{ place, own, always: own.length === modes[place]!.length }];
    });
    if (takers.length <= capacity) continue;
    const takes = ({ place, own }: (typeof takers)[number]) => `m[${place + 1}] in {${own.join(',')}}`;
    const always = takers.filter((taker) => taker.always);
    if (capacity > 1) {
      constrain(
        `cumulative(${listed('s', takers)},${listed('d', takers)},[${takers.map((taker) => (taker.always ? '1' : `bool2int(${takes(taker)})`)).join(',')}],${capacity})`,
      );
      continue;
    }
    // What stands there until the next of its stay begins, is there so long.
    const until = (place: number) => {
      const next = staysOn.get(JSON.stringify([id, board.tasks[placed[place]!]!.id]));
      return next === undefined ? `e[${place + 1}]` : `s[${next + 1}]`;
    };
    const stands = (place: number) => {
      if (until(place).startsWith('e')) return `d[${place + 1}]`;
      const name = fresh(`0..${horizon}`);
      constrain(`${name} = ${until(place)} - s[${place + 1}]`);
      return name;
    };
    if (always.length > 1)
      constrain(`disjunctive(${listed('s', always)},[${always.map(({ place }) => stands(place)).join(',')}])`);
    const chosen = new Map<number, string>();
    const isTaken = (taker: (typeof takers)[number]): string => {
      const known = chosen.get(taker.place);
      if (known) return known;
      const name = fresh('bool');
      constrain(`${name} <-> (${takes(taker)})`);
      chosen.set(taker.place, name);
      return name;
    };
    takers.forEach((one, nth) => {
      for (const other of takers.slice(nth + 1)) {
        if (one.always && other.always) continue;
        pairs += 1;
        const both = [one, other].filter((taker) => !taker.always).map(isTaken);
        const [a, b] = [one.place + 1, other.place + 1];
        constrain(
          `${both.map((name) => `not ${name} \\/ `).join('')}${until(one.place)} <= s[${b}] \\/ ${until(other.place)} <= s[${a}]`,
        );
      }
    });
  }
  return pairs;
}

/** What no pair shows: so many hands in all. */
function writeHands(writing: Writing): void {
  const { board, placed, constrain } = writing;
  const { tasks, asked } = board;
  const groups = new Map<string, readonly string[]>();
  for (const nth of placed)
    for (const { anyOf } of tasks[nth]!.needs)
      if (anyOf.length > 1) groups.set(JSON.stringify(anyOf.toSorted()), anyOf);
  for (const group of groups.values()) {
    const members = new Set(group);
    const limit = asked.resources.reduce((sum, { id, capacity }) => (members.has(id) ? sum + capacity : sum), 0);
    const takers = placed.flatMap((nth, place) => {
      const count = tasks[nth]!.needs.reduce(
        (sum, need) => (need.anyOf.every((id) => members.has(id)) ? sum + need.count : sum),
        0,
      );
      return count > 0 && lastsLong(writing, place) ? [{ place, count }] : [];
    });
    if (takers.reduce((sum, { count }) => sum + count, 0) <= limit) continue;
    constrain(
      `cumulative(${listed('s', takers)},${listed('d', takers)},[${takers.map(({ count }) => count).join(',')}],${limit})`,
    );
  }
}

function writeGoal({ goal, dues, at, grid, horizon, steps, lines, constrain, fresh }: Writing): void {
  const late = dues.map(({ task, byMin, weight }) => {
    const name = fresh(`0..${Math.max(0, horizon - Math.min(horizon, steps(byMin)))}`);
    constrain(`${name} >= e[${at.get(task)! + 1}] - ${steps(byMin)}`);
    return `${weight}*${name}`;
  });
  lines.push(`var int: lateness = ${late.length > 0 ? late.join(' + ') : '0'};`);
  const { what, atMost, atLeast, latenessAtMost } = goal;
  if (atMost !== undefined) constrain(`${what} <= ${Math.floor(atMost / grid)}`);
  constrain(`${what} >= ${Math.ceil(atLeast / grid)}`);
  if (latenessAtMost !== undefined) constrain(`lateness <= ${Math.floor(latenessAtMost / grid)}`);
  lines.push(`solve :: int_search(s, smallest, indomain_min) minimize ${what};`);
}

function divisor(a: number, b: number): number {
  return b === 0 ? a : divisor(b, a % b);
}

/**
 * A moment by which all of a layout's tasks, done strictly one after another, are through: no calendar that is as good
 * as can be needs to look further.
 */
export function serialEnd(board: Board, { places, makespanMin }: Layout): number {
  let at = 0;
  const order = places
    .flatMap((place, nth) => (place ? [{ place, nth }] : []))
    .toSorted((a, b) => a.place.fromMin - b.place.fromMin);
  const lag = board.asked.lags.reduce((sum, { minMin }) => sum + minMin, 0);
  for (const { place, nth } of order) {
    const alone = board.alone({ ...board.tasks[nth]!, atMin: undefined }, place.uses, at, 0);
    at = alone ? alone.toMin : Math.max(at, place.toMin);
  }
  return Math.max(makespanMin, at + lag);
}
