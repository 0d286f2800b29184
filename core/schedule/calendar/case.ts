import type { Hours } from '#core/plan/crew';

/** A bay, a person, a tool: what work takes while it lasts. */
export interface Resource {
  readonly id: string;
  /** Tasks it serves at once. */
  readonly capacity: number;
  /** When it is there, whole minutes; absent: always. */
  readonly hours?: Hours | undefined;
}

/** Some of these, all at the same time, from the start of the task to its end. */
export interface Need {
  readonly anyOf: readonly string[];
  readonly count: number;
}

export interface Task {
  readonly id: string;
  /** Whole minutes of work. */
  readonly min: number;
  /** No resource serves two needs of one task. */
  readonly needs: readonly Need[];
  /** Worked in the hours common to all it takes, which it keeps meanwhile; else without a break. */
  readonly pausable: boolean;
  /** Where it is fixed. */
  readonly atMin?: number | undefined;
}

/** From the end of one task to the start of another. */
export interface Lag {
  readonly after: string;
  readonly before: string;
  readonly minMin: number;
  readonly maxMin?: number | undefined;
}

export interface Due {
  readonly task: string;
  readonly byMin: number;
  readonly weight: number;
}

export interface Stay {
  /** Each of capacity 1. Each of the tasks needs one of them; the first takes it, and the others take the same. */
  readonly anyOf: readonly string[];
  /** In their order: each waits for the one before it. */
  readonly tasks: readonly string[];
}

/** What is to be planned. Whole minutes from a start before which nothing happens. */
export interface CalendarCase {
  readonly resources: readonly Resource[];
  readonly tasks: readonly Task[];
  readonly lags: readonly Lag[];
  /** Those of one group take the same of what both may take. */
  readonly same: readonly (readonly string[])[];
  readonly due: readonly Due[];
  /** What stands somewhere from the first of its tasks to the last: between them nobody else comes in. */
  readonly stays?: readonly Stay[] | undefined;
  readonly seed: number;
}

export interface PlacedTask {
  readonly id: string;
  readonly fromMin: number;
  readonly toMin: number;
  /** In the order of its needs. */
  readonly uses: readonly string[];
}

export interface UnplacedTask {
  readonly id: string;
  readonly why: string;
}

/** A calendar that keeps every rule of its case. */
export interface Scheduled {
  readonly tasks: readonly PlacedTask[];
  readonly unplaced: readonly UnplacedTask[];
  /** Of each task that is due, minutes. */
  readonly lateMin: ReadonlyMap<string, number>;
  readonly makespanMin: number;
  /** No calendar that is no later than this one ends sooner. */
  readonly boundMin: number;
  /** Nothing better exists. */
  readonly proven: boolean;
}
