import type { ShelfProduct } from '#formats/job';
import type { NewLesson } from '../repositories/lessons';
import type { KeptSummary } from '../repositories/summaries';

/** Summaries that were worked out, to be kept, and how many are left: moved since, or only a moment old. */
export interface Worked {
  readonly rows: readonly (readonly [id: string, kept: KeptSummary])[];
  /** What jobs teach now, to be kept. */
  readonly lessons: readonly NewLesson[];
  readonly pending: number;
  readonly stale: number;
  /** Whether something else than time has moved what is not pending. */
  readonly isShifted: boolean;
  /** When time moves one of those that nobody works at, ms. */
  readonly goodUntilMs: number;
  /** Jobs that could not be worked out, and why: they are shown as what stands in them. */
  readonly faults: readonly string[];
}

/** What the server itself wants worked out. */
export interface Questions {
  /** Summaries of what has moved, for so many ms. */
  summaries(forMs: number): Worked;
  /** A product with what was learned of it. @throws ProblemError (404) */
  product(id: string): ShelfProduct;
}

/** Where what takes long is worked out: in threads beside the server, or, in tests and commands, where it is asked. */
export interface Computing {
  ask<Name extends keyof Questions>(
    name: Name,
    ...args: Parameters<Questions[Name]>
  ): Promise<ReturnType<Questions[Name]>>;
}

/** Answers where it is asked. */
export const computedHere = (questions: () => Questions): Computing => ({
  ask: async (name, ...args) => (questions()[name] as (...all: typeof args) => never)(...args),
});

/** In a thread nothing is asked of others: what is kept is read as it is. */
export const askedNothing: Computing = {
  ask: () => Promise.reject(new Error('What is worked out asks for nothing else to be worked out.')),
};
