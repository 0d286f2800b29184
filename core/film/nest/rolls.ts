import { nest, type NestCase, type Nested } from './nest';
import { pieceKey, type Placement } from './pieces';

/**
 * The same pieces nested over several rolls in their order: each takes as much film as it holds, the rest is passed on to
 * the next. What is pinned on a roll stays there.
 * @param rolls the same pieces on each
 * @param enough asked between steps, for the roll that is being nested
 */
export function nestOnRolls(
  rolls: readonly NestCase[],
  enough: (roll: number) => boolean,
  onBetter: (roll: number, nested: Nested) => void = () => undefined,
): Nested[] {
  const lying = new Set<string>();
  return rolls.map((roll, index) => {
    const pinnedOnOthers = rolls.flatMap((other) => (other === roll ? [] : (other.pinned ?? []).map(pieceKey)));
    const elsewhere = new Set([...lying, ...pinnedOnOthers, ...(roll.elsewhere ?? [])]);
    const nested = nest(
      { ...roll, elsewhere },
      () => enough(index),
      (better) => onBetter(index, better),
    );
    for (const placement of nested.placements) lying.add(pieceKey(placement));
    return nested;
  });
}

/** Copies that lie on rolls other than the one that is asked for, by name. */
export const lyingElsewhere = (rolls: readonly (readonly Placement[])[], roll: number): ReadonlySet<string> =>
  new Set(rolls.flatMap((placements, index) => (index === roll ? [] : placements.map(pieceKey))));
