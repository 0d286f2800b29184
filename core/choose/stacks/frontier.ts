import type { Product } from '#core/products/sheets';
import type { Choice } from './choice-of';
import { choose } from './choose';
import type { ChooseOptions, Goal } from './goal';
import type { SurfaceKind } from './options';
import { OutOfTime } from './out-of-time';
import type { Solve } from './program';
import type { Wishes } from './wishes';

/** Why a point is marked. */
export type PointName = 'wishes' | 'cheapest' | 'longest' | 'quickest' | 'between';

export interface FrontierPoint {
  readonly name: PointName;
  readonly choice: Choice;
}

/** Steps between the cheapest and the longest-lived. */
const STEPS_BETWEEN = 4;
/** The points around the best need not be proven as near, nor as long. */
const AROUND_GAP = 0.02;
const AROUND_SECONDS = 4;
/** Less than this share apart in everything is the same point. */
const SAME = 0.005;

/**
 * What is best for the wishes, and the choices around it of which none is cheaper, longer-lived and quicker than
 * another. Told one by one as they are found.
 * @param onProgress told how near the best is proven to be; true: stop there with what there is
 * @returns empty where the wishes cannot be met together
 */
export function frontier(
  kinds: readonly SurfaceKind[],
  shelf: readonly Product[],
  wishes: Wishes,
  solve: Solve,
  onPoint: (point: FrontierPoint, done: number, of: number) => boolean = () => false,
  onProgress?: ChooseOptions['onProgress'],
): FrontierPoint[] {
  const points: FrontierPoint[] = [];
  const of = STEPS_BETWEEN + 4;
  let done = 0;
  /** @returns whether to go on */
  const add = (name: PointName, choice: Choice | undefined): boolean => {
    done++;
    if (!choice) return true;
    points.push({ name, choice });
    return !onPoint({ name, choice }, done, of);
  };
  /** A point around the best; one that takes too long is left out. */
  const find = (goal: Exclude<Goal, 'wishes'>, leastMonths = wishes.leastMonths) => {
    try {
      const near = { relativeGap: AROUND_GAP, seconds: AROUND_SECONDS, leastMonths };
      return choose(kinds, shelf, wishes, solve, goal, near);
    } catch (error) {
      if (error instanceof OutOfTime) return undefined;
      throw error;
    }
  };
  const best = choose(kinds, shelf, wishes, solve, 'wishes', onProgress && { onProgress });
  if (!add('wishes', best) || points.length === 0) return points;
  const cheapest = find('first-money');
  if (!add('cheapest', cheapest)) return unbeatenPoints(points);
  const longest = find('life');
  if (!add('longest', longest)) return unbeatenPoints(points);
  if (!add('quickest', find('minutes'))) return unbeatenPoints(points);
  const [low, high] = [cheapest, longest].map((choice) => Math.min(choice?.lifeMonths ?? 0, wishes.keptMonths));
  for (let step = 1; step <= STEPS_BETWEEN; step++) {
    const months = low! + ((high! - low!) * step) / (STEPS_BETWEEN + 1);
    if (!add('between', find('first-money', months))) break;
  }
  return unbeatenPoints(points);
}

/** Drops points that another beats in what is paid first and in all, life and hours, and those that are the same again. */
function unbeatenPoints(points: readonly FrontierPoint[]): FrontierPoint[] {
  const measures = ({ choice: { firstMoney, keptMoney, lifeMonths, minutes } }: FrontierPoint) => [
    firstMoney,
    keptMoney,
    -lifeMonths,
    minutes,
  ];
  const isSame = (a: number, b: number) => Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b));
  const same = (a: FrontierPoint, b: FrontierPoint) =>
    measures(a).every((measure, index) => isSame(measure, measures(b)[index]!));
  const beats = (a: FrontierPoint, b: FrontierPoint) =>
    measures(a).every((measure, index) => measure <= measures(b)[index]! || isSame(measure, measures(b)[index]!));
  return points.filter(
    (point, index) =>
      point.name === 'wishes' ||
      !points.some((other, at) => at !== index && (same(other, point) ? at < index : beats(other, point))),
  );
}
