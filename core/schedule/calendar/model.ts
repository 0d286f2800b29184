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

/**
 * The case as a constraint model: start and end of each task, which way it is staffed, no two at one resource, hours
 * as domains or stretches, lags both ways.
 * @param isPlaced of the tasks; the others are left out
 * @returns undefined: too large to be worth asking
 */
export function solverModel(board: Board, isPlaced: (nth: number) => boolean, goal: Goal): SolverModel | undefined {
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

  placed.forEach((nth, place) => {
    const one = place + 1;
    const task = tasks[nth]!;
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
    for (const [each, own] of classes) {
      const only = classes.size === 1 ? '' : `m[${one}] in {${own.join(',')}} -> `;
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
          continue;
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
  });

  for (const { after, before, minMin, maxMin } of lags) {
    const [a, b] = [at.get(after)! + 1, at.get(before)! + 1];
    constrain(`s[${b}] >= e[${a}] + ${steps(minMin)}`);
    if (maxMin !== undefined) constrain(`s[${b}] <= e[${a}] + ${steps(maxMin)}`);
  }

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

  const staysOn = new Map(
    (asked.stays ?? []).flatMap(({ anyOf, tasks: ids }) => {
      const there = ids.filter((id) => at.has(id));
      return anyOf.flatMap((resource) =>
        there.slice(1).map((id, nth) => [JSON.stringify([resource, there[nth]!]), at.get(id)!] as const),
      );
    }),
  );
  let pairs = 0;
  const lastsLong = (place: number) => tasks[placed[place]!]!.min > 0;
  const listed = (name: 's' | 'd', takers: readonly { readonly place: number }[]) =>
    `[${takers.map(({ place }) => `${name}[${place + 1}]`).join(',')}]`;
  for (const { id, capacity } of asked.resources) {
    const takers = placed.flatMap((_, place) => {
      if (!lastsLong(place)) return [];
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
      const next = staysOn.get(JSON.stringify([id, tasks[placed[place]!]!.id]));
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
  if (pairs > MOST_PAIRS) return undefined;

  // What no pair shows: so many hands in all.
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
      return count > 0 && lastsLong(place) ? [{ place, count }] : [];
    });
    if (takers.reduce((sum, { count }) => sum + count, 0) <= limit) continue;
    constrain(
      `cumulative(${listed('s', takers)},${listed('d', takers)},[${takers.map(({ count }) => count).join(',')}],${limit})`,
    );
  }

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
  return {
    text: `${lines.join('\n')}\n`,
    read: ({ s, e, m }) => {
      const places: (Placement | undefined)[] = tasks.map(() => undefined);
      placed.forEach((nth, place) => {
        places[nth] = { fromMin: s[place]! * grid, toMin: e[place]! * grid, uses: modes[place]![m[place]! - 1]! };
      });
      return places;
    },
  };
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
