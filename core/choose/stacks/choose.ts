import type { Product } from '#core/products/sheets';
import { type Choice, choiceOf } from './choice-of';
import { type ChooseOptions, type Goal, USUAL_GAP, USUAL_SECONDS } from './goal';
import { type Option, type SurfaceKind, unbeaten } from './options';
import { alikeTogether, gapOf, outright } from './outright';
import { openedBy, solvePortions } from './portions';
import type { Solve } from './program';
import type { Wishes } from './wishes';

/**
 * The best joint choice for a goal; undefined where the wishes cannot be met together.
 *
 * Everything is linear in the area, so that kinds of surface may first be split between stacks by area, with whole
 * packs: a small program whose proven bound holds for any choice surface by surface. Then single surfaces are given
 * the stacks that were found. The gap told is that of the second answer to the bound of the first.
 * @throws OutOfTime where neither an answer nor its absence was found in time
 */
export function choose(
  kinds: readonly SurfaceKind[],
  shelf: readonly Product[],
  wishes: Wishes,
  solve: Solve,
  goal: Goal = 'wishes',
  {
    leastMonths = wishes.leastMonths,
    relativeGap = USUAL_GAP,
    seconds = USUAL_SECONDS,
    onProgress,
  }: ChooseOptions = {},
): Choice | undefined {
  // Where no life is asked for, it counts by the renewals alone: what only lasts longer falls away.
  const lifeCounts = goal === 'life' || leastMonths !== undefined;
  const open = kinds
    .filter(({ options }) => options.length > 0)
    .map((kind) => (lifeCounts ? kind : { ...kind, options: unbeaten(kind.options, () => 0) }));
  // Nothing on the shelf may go on any of it: bare is the answer, unless it is to last.
  if (open.length === 0) {
    return leastMonths ? undefined : { ...choiceOf(kinds, new Map(), shelf, wishes), objective: 0, gap: 0 };
  }
  const limits = { ...wishes, leastMonths };
  const how = { relativeGap: relativeGap / 2, seconds, ...(onProgress && { onProgress }) };
  const split = solvePortions(
    open.map(({ areaM2, options }) => ({ areaM2, options, divisible: true })),
    shelf,
    limits,
    goal,
    solve,
    how,
  );
  if (!split) return undefined;
  // Single surfaces choose among all that can be laid from what is opened anyway.
  const opened = new Set(split.shares.flatMap((shares, index) => openedBy(open[index]!.options, shares)));
  const ofOpened = ({ value }: Option) => [...value.amounts.keys()].every((product) => opened.has(product));
  const giveOut = (candidatesOf: (kind: SurfaceKind) => readonly Option[]) => {
    const singles = open.flatMap((kind) =>
      alikeTogether(kind.surfaces, wishes.twinsAlike).map((alike) => ({
        ids: alike.map(({ id }) => id),
        areaM2: alike.reduce((sum, { areaM2 }) => sum + areaM2, 0),
        options: candidatesOf(kind),
        divisible: false,
      })),
    );
    const solved = solvePortions(singles, shelf, limits, goal, solve, how);
    return solved && { ...solved, singles };
  };
  // A limit that a split just meets may be out of reach for whole surfaces of those products: then of all.
  const whole = giveOut(({ options }) => options.filter(ofOpened)) ?? giveOut(({ options }) => options);
  if (!whole) return undefined;
  const found = { ...whole, bound: split.bound };
  // A small item is solved outright where that is nearer to the best.
  const exact =
    gapOf(found) > relativeGap && goal === 'wishes' ? outright(found, open, shelf, limits, solve, how) : found;
  const picked = new Map(
    exact.singles.flatMap(({ ids, options }, index) => {
      const option = options[exact.shares[index]!.findIndex((share) => share > 0.5)]!;
      return ids.map((id) => [id, option] as const);
    }),
  );
  return { ...choiceOf(kinds, picked, shelf, wishes), objective: exact.objective, gap: gapOf(exact) };
}
