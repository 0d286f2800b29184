/** What is minimised. */
export type Goal = 'wishes' | 'first-money' | 'life' | 'minutes';

export interface ChooseOptions {
  /** Area-weighted months that are wanted at least, instead of the wishes' own. */
  readonly leastMonths?: number | undefined;
  readonly relativeGap?: number;
  readonly seconds?: number;
  readonly onProgress?: (bestSoFar: number, bound: number) => boolean;
}

/** Proven to be within a hundredth of the best is near enough for anything that is quoted. */
export const USUAL_GAP = 0.01;

export const USUAL_SECONDS = 20;

/** Weight of money where something else is minimised: only ties are broken by it. */
export const TIE = 1e-6;
