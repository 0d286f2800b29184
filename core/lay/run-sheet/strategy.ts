/** When to go back to what is open: as soon as it is, as late as it can wait, or once nothing more can be laid, then to the last. */
export const AHEAD = ['safe', 'quick', 'batch'] as const;
export type Ahead = (typeof AHEAD)[number];

/** What is started first of what may be: lower coats, upper coats, what has most still to come, what takes longest to open. */
export type First = 'lower' | 'upper' | 'longest' | 'slowest';

/** A way of going about the work; the search takes the one with the shortest sheet. */
export interface Strategy {
  readonly ahead: Ahead;
  /** Neither laying a section nor levelling it takes longer than this share of the time until its window closes. */
  readonly ofWindow: number;
  /** Nor longer than this, minutes. */
  readonly mostMin: number;
  /** Sections may be so large that only somebody following can level them in time. */
  readonly followed: boolean;
  readonly first: First;
  /** One-piece coats are not left to two people: they are never there together. */
  readonly alone: boolean;
}
