import { normal, seeded } from '#core/measures';
import { Board } from './board';
import type { CalendarCase, PlacedTask, Task } from './case';

/** What a calendar comes to where everything takes as long as it may. */
export interface RehearsedDue {
  readonly task: string;
  /** Share of the times in which it was done when it is due. */
  readonly kept: number;
  /** Done by then nine times in ten; undefined: less often than that it is done at all. */
  readonly nineTenthsMin: number | undefined;
}

/** What is told is kept so often. */
export const NINE_IN_TEN = 0.9;
/** What was begun in time is gone on with past closing so long, minutes: nobody leaves a panel wet. */
const STAYS_MIN = 120;

/**
 * Goes through a calendar again and again, each task a little longer or shorter than planned, by those who were to do
 * it and in the order agreed: what follows is done sooner or later with it, and nothing before it was to be begun that
 * was put at a time. Work that cannot be paused and takes longer is not put off to the next morning: who is at it stays,
 * and what waits for it waits that much longer.
 * @param plan where all stand that are placed
 * @param sigmaOf log-sigma of how long a task takes
 * @returns of each task asked for
 */
export function rehearseCalendar(
  asked: CalendarCase,
  plan: readonly PlacedTask[],
  { sigmaOf, times, seed, of }: RehearseOptions,
): RehearsedDue[] {
  const random = seeded(seed);
  const loose = loosened(asked, plan);
  const usual = new Board(loose);
  const placed = new Map(plan.map((place) => [place.id, place]));
  const ends = of.map((): number[] => []);
  const timed = new Set(asked.resources.flatMap(({ id, hours }) => (hours ? [id] : [])));
  const isTimed = (id: string) => placed.get(id)?.uses.some((used) => timed.has(used)) ?? false;
  for (let time = 0; time < times; time += 1) {
    const over = new Map<string, number>();
    const tasks = loose.tasks.map((task): Task => {
      const sigma = task.min > 0 ? sigmaOf(task.id) : 0;
      if (sigma === 0) return task;
      const min = Math.max(1, Math.round(task.min * Math.exp(sigma * normal(random))));
      const longer = min - task.min;
      if (task.pausable || longer <= 0 || longer > STAYS_MIN || !isTimed(task.id)) return { ...task, min };
      over.set(task.id, longer);
      return task;
    });
    const lags = loose.lags.map((lag) => {
      const longer = over.get(lag.after) ?? 0;
      return longer === 0
        ? lag
        : { ...lag, minMin: lag.minMin + longer, ...(lag.maxMin !== undefined && { maxMin: lag.maxMin + longer }) };
    });
    const board = new Board({ ...loose, tasks, lags }, usual);
    const { places } = board.layOut(
      tasks.map(({ id }) => placed.get(id)?.fromMin ?? -1),
      tasks.map(({ id }) => placed.get(id)?.uses),
    );
    of.forEach(({ task }, nth) => {
      const end = places[board.index.get(task) ?? -1]?.toMin ?? Infinity;
      ends[nth]!.push(end + (over.get(task) ?? 0));
    });
  }
  return of.map(({ task, byMin }, nth): RehearsedDue => {
    const sorted = ends[nth]!.toSorted((a, b) => a - b);
    const nineTenthsMin = sorted[Math.ceil(NINE_IN_TEN * sorted.length) - 1]!;
    return {
      task,
      kept: sorted.filter((end) => end <= byMin).length / sorted.length,
      nineTenthsMin: Number.isFinite(nineTenthsMin) ? nineTenthsMin : undefined,
    };
  });
}

export interface RehearseOptions {
  readonly sigmaOf: (task: string) => number;
  readonly times: number;
  readonly seed: number;
  /** What is looked at; by when: Infinity where nobody waits for it. */
  readonly of: readonly { readonly task: string; readonly byMin: number }[];
}

/** What was put at a time is not begun before it, and later where it has to be. Only what is placed. */
function loosened(asked: CalendarCase, plan: readonly PlacedTask[]): CalendarCase {
  const placed = new Set(plan.map(({ id }) => id));
  const notBefore = (id: string) => `${id}\u0000from`;
  const there = asked.tasks.filter(({ id }) => placed.has(id));
  const put = there.filter(({ atMin, min }) => atMin !== undefined && min > 0);
  return {
    ...asked,
    tasks: [
      ...there.map(({ atMin, ...task }): Task => (task.min > 0 ? task : { ...task, atMin })),
      ...put.map(({ id, atMin }): Task => ({ id: notBefore(id), min: 0, needs: [], pausable: false, atMin })),
    ],
    lags: [
      ...asked.lags.filter(({ after, before }) => placed.has(after) && placed.has(before)),
      ...put.map(({ id }) => ({ after: notBefore(id), before: id, minMin: 0 })),
    ],
    same: [],
    stays: (asked.stays ?? []).map((stay) => ({ ...stay, tasks: stay.tasks.filter((id) => placed.has(id)) })),
    due: [],
  };
}
