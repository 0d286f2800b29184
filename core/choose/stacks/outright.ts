import type { Product } from '#core/products/sheets';
import type { Option, SurfaceKind } from './options';
import { OutOfTime } from './out-of-time';
import { LEAST_SHARE, type Portion, type Solved, solvePortions } from './portions';
import type { Solve } from './program';
import type { ChoiceSurface } from './stacks';
import { cheapestUnit, unitsMoney, workMoney } from './value';
import type { Wishes } from './wishes';

export const gapOf = ({ objective, bound }: Solved) =>
  Math.max(0, (objective - bound) / Math.max(Math.abs(objective), LEAST_SHARE));

interface Single extends Portion {
  readonly ids: readonly string[];
}

interface GivenOut extends Solved {
  readonly singles: readonly Single[];
}

/** More columns than this are not solved outright. */
const MOST_OUTRIGHT = 4000;

const OUTRIGHT_SECONDS = 4;

/**
 * Solves an item surface by surface with every option that could still be in a better answer: one that alone costs
 * more than all others at their cheapest leave room for cannot. Only where few enough are left.
 */
export function outright(
  found: GivenOut,
  open: readonly SurfaceKind[],
  shelf: readonly Product[],
  wishes: Wishes,
  solve: Solve,
  how: Parameters<Solve>[1],
): GivenOut {
  const units = new Map(shelf.map((product) => [product.id, product.onHand > 0 ? 0 : cheapestUnit(product)]));
  const leastOf = ({ value }: Option) => unitsMoney(value, units) + workMoney(value, wishes) + value.penalty;
  const kindOf = new Map(open.flatMap((kind) => kind.surfaces.map(({ id }) => [id, kind] as const)));
  const all = found.singles.map((single) => {
    const costs = kindOf.get(single.ids[0]!)!.options.map((option) => ({
      option,
      cost: single.areaM2 * leastOf(option),
    }));
    return { single, costs, least: Math.min(...costs.map(({ cost }) => cost)) };
  });
  const room = found.objective - all.reduce((sum, { least }) => sum + least, 0);
  const singles = all.map(({ single, costs, least }) => ({
    ...single,
    options: costs.filter(({ cost }) => cost - least <= room).map(({ option }) => option),
  }));
  if (singles.reduce((sum, { options }) => sum + options.length, 0) > MOST_OUTRIGHT) return found;
  try {
    const solved = solvePortions(singles, shelf, wishes, 'wishes', solve, { ...how, seconds: OUTRIGHT_SECONDS });
    if (!solved) return found;
    const bound = Math.max(found.bound, Math.min(solved.bound, found.objective));
    return solved.objective < found.objective ? { ...solved, singles, bound } : { ...found, bound };
  } catch (error) {
    if (error instanceof OutOfTime) return found;
    throw error;
  }
}

/** Surfaces of a kind as they are given out: twins together where they are to be alike, each other one alone. */
export function alikeTogether(
  surfaces: readonly ChoiceSurface[],
  twinsAlike: boolean,
): readonly (readonly ChoiceSurface[])[] {
  const together = new Map<string, ChoiceSurface[]>();
  for (const surface of surfaces) {
    const key = twinsAlike && surface.pair !== undefined ? `pair ${surface.pair}` : `alone ${surface.id}`;
    together.set(key, [...(together.get(key) ?? []), surface]);
  }
  return [...together.values()];
}
