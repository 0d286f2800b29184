import type { Mark, Outcome } from '#core/survey/condition';
import type { MarkFate } from './panel-case';

/** What becomes of a mark, and whose word that is: agreed with the owner, or what the preparation planned does to it. */
export interface Fate {
  readonly outcome: Outcome;
  readonly by: 'agreed' | 'plan';
  /** Share of it that goes by the plan, 0 to 1. */
  readonly share: number;
}

/** From this share on a mark goes; below the other it stays. Engineering defaults. */
export const GOES_FROM = 0.95;
export const STAYS_BELOW = 0.15;

const planned = ({ share, hidden }: Omit<MarkFate, 'mark'>): Outcome =>
  hidden ? 'hidden' : share >= GOES_FROM ? 'removed' : share >= STAYS_BELOW ? 'reduced' : 'stays';

/**
 * What becomes of a mark by this plan, the same on every screen and paper. That it stays is agreed; that it goes, is eased
 * or hidden is what the plan does, whatever was hoped for.
 * @param fate what preparation does to it; undefined: nothing is prepared there
 */
export function fateOf({ outcome }: Pick<Mark, 'outcome'>, fate: Omit<MarkFate, 'mark'> | undefined): Fate {
  const { share = 0, hidden } = fate ?? {};
  if (outcome === 'stays') return { outcome, by: 'agreed', share };
  return { outcome: planned({ share, ...(hidden && { hidden }) }), by: 'plan', share };
}

/** In words: how much of it goes where it is neither all nor nothing, and that it was agreed. */
export function fateInWords({ outcome, by, share }: Fate, names: Readonly<Record<Outcome, string>>): string {
  if (by === 'agreed') return `${names[outcome]}, as agreed`;
  if (outcome === 'hidden') return `${names[outcome]}, and comes back when the filler goes`;
  return outcome === 'reduced' ? `${names[outcome]}: about ${Math.round(100 * share)} % of it goes` : names[outcome];
}
