import { Board, compared, type Layout, type Placement } from './board';
import type { CalendarCase, Scheduled } from './case';
import { calendarFaults } from './faults';
import { type Goal, serialEnd, type SolverAnswer, solverModel } from './model';
import { boundsOf, tried } from './search';

/** How a run of the solver ended. */
export type SolverEnd = 'best' | 'none' | 'stopped';

/** A constraint solver somewhere: a worker of the browser, a thread of the server. */
export interface Solver {
  /**
   * @param model in the solver's language, with arrays `s`, `e` and `m` to be told
   * @param timeMs after which it stops by itself
   * @param onAnswer each answer better than the one before
   * @returns how it ended: the last answer is the best there is, there is none, or it was stopped before it knew
   */
  run(model: string, timeMs: number, seed: number, onAnswer: (answer: SolverAnswer) => void): Promise<SolverEnd>;
  /** Ends what runs; it ends as stopped. */
  stop(): void;
}

export interface ScheduleOptions {
  /** Absent: orders are tried, and nothing is proven but what the bounds prove. */
  readonly solver?: Solver | undefined;
  readonly timeMs: number;
  /** Milliseconds on any clock that only goes forward. */
  readonly now: () => number;
  /** Lets others have their turn. */
  readonly breathe: () => Promise<void>;
  /** The solver failed: what was found without it stands, unproven. */
  readonly onFailed: (error: unknown) => void;
  /** Each better calendar as it is found, the first after some milliseconds. */
  readonly onBetter?: ((scheduled: Scheduled) => void) | undefined;
  /** Asked now and then. */
  readonly isCancelled?: (() => boolean) | undefined;
}

/** Orders tried before the solver is asked: it begins from what they found. */
const BEFORE_SOLVER = 0.04;
/** Work in one go before others have their turn, milliseconds. */
const TURN_MS = 8;

/**
 * The best calendar that is found in a time: as few unplaced as can be, then the least late, then the shortest.
 * A list scheduler gives the first answer and the bounds, orders like it are tried, the solver improves and proves.
 */
export async function schedule(
  asked: CalendarCase,
  { solver, timeMs, now, breathe, onFailed, onBetter, isCancelled }: ScheduleOptions,
): Promise<Scheduled> {
  const start = now();
  const left = () => timeMs - (now() - start);
  const board = new Board(asked);
  const never = board.never.filter((why) => why !== undefined).length;
  let best: Layout | undefined;
  let bound = { lateness: 0, makespanMin: 0 };
  let isTight = false;
  let proof = { lateness: false, makespan: false };
  const isEnough = (layout: Layout) =>
    layout.unplaced === never && layout.lateness <= bound.lateness && layout.makespanMin <= bound.makespanMin;
  const told = (layout: Layout): Scheduled => {
    const lateProven = proof.lateness || layout.lateness <= bound.lateness;
    const proven =
      layout.unplaced === never && lateProven && (proof.makespan || layout.makespanMin <= bound.makespanMin);
    return {
      ...board.told(layout),
      lateMin: board.lateMin(layout),
      makespanMin: layout.makespanMin,
      boundMin: proven ? layout.makespanMin : Math.min(bound.makespanMin, layout.makespanMin),
      proven,
    };
  };
  const better = (layout: Layout) => {
    if (best && compared(layout, best) >= 0) return;
    if (!best || best.unplaced !== layout.unplaced) {
      bound = boundsOf(board, layout, 'quick');
      isTight = false;
    }
    best = layout;
    onBetter?.(told(layout));
  };
  /** The better bounds, once the first answer is out. */
  const tighten = (layout: Layout) => {
    if (isTight || isEnough(layout)) return;
    bound = boundsOf(board, layout, 'best');
    isTight = true;
  };

  let proving: Promise<void> | undefined;
  let isProved = false;
  let turn = now();
  for (const { best: layout, share } of tried(board, isEnough)) {
    better(layout);
    tighten(layout);
    if (left() <= 0 || isCancelled?.() || isProved) break;
    if (solver && !proving && share >= BEFORE_SOLVER) proving = prove(layout).catch(onFailed);
    if (now() - turn >= TURN_MS) {
      await breathe();
      turn = now();
    }
  }
  const found = best!;
  if (solver && !isEnough(found) && left() > 0 && !isCancelled?.()) {
    proving ??= prove(found).catch(onFailed);
    const watching = watch();
    await Promise.race([proving, watching.over]);
    watching.end();
  }
  solver?.stop();
  await proving;
  return told(best!);

  /** Ends when time is up, somebody cancelled, or orders have found what cannot be beaten. */
  function watch(): { readonly over: Promise<void>; readonly end: () => void } {
    let isOver = false;
    const over = (async () => {
      while (!isOver && left() > 0 && !isCancelled?.()) await breathe();
    })();
    return { over, end: () => void (isOver = true) };
  }

  /** The solver's part: all placed, less late, shorter, each from what stood when it began. */
  async function prove(from: Layout): Promise<void> {
    let own = from;
    const ask = async (goal: Goal, isPlaced: (nth: number) => boolean): Promise<SolverEnd> => {
      const model = solverModel(board, isPlaced, goal);
      if (!model || left() <= 0 || isProved || isCancelled?.()) return 'stopped';
      let sound = true;
      const end = await solver!.run(model.text, left(), asked.seed, (answer) => {
        const layout = settled(board, model.read(answer));
        // Whatever a solver says is looked at with other eyes before it is believed.
        if (calendarFaults(asked, board.told(layout).tasks).length > 0) sound = false;
        else {
          if (compared(layout, own) < 0) own = layout;
          better(layout);
        }
      });
      return sound ? end : 'stopped';
    };
    if (own.unplaced > never)
      await ask(
        { what: 'lateness', atMost: undefined, atLeast: 0, horizonMin: 2 * serialEnd(board, own) },
        (nth) => board.never[nth] === undefined,
      );
    const isPlaced = (nth: number) => own.places[nth] !== undefined;
    const { lateness: least, makespanMin: shortest } = boundsOf(board, own, 'best');
    let lateProven = own.lateness <= least;
    if (!lateProven) {
      const goal: Goal = {
        what: 'lateness',
        atMost: own.lateness - 1,
        atLeast: least,
        horizonMin: serialEnd(board, own),
      };
      lateProven = (await ask(goal, isPlaced)) !== 'stopped';
    }
    if (lateProven) proof = { ...proof, lateness: true };
    const shorter: Goal = {
      what: 'makespan',
      atMost: own.makespanMin - 1,
      atLeast: shortest,
      latenessAtMost: own.lateness,
      horizonMin: own.makespanMin,
    };
    const end = own.makespanMin <= shortest ? 'none' : await ask(shorter, isPlaced);
    if (end !== 'stopped' && lateProven) {
      proof = { lateness: true, makespan: true };
      // Orders tried meanwhile may have found another as good: the one the solver ended with is the same every time.
      best = own;
      isProved = true;
    }
  }
}

/** A solver leaves room where nothing asks it not to: everything is moved as early as it goes, in the same order. */
function settled(board: Board, places: readonly (Placement | undefined)[]): Layout {
  const raw = board.judged(places, board.never);
  const rank = places.map((place) => (place ? place.fromMin : Infinity));
  const early = board.layOut(
    rank,
    places.map((place) => place?.uses),
  );
  return compared(early, raw) <= 0 ? early : raw;
}
