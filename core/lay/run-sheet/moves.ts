import { coatKey, coatName, type Move, type SurfaceCoat } from '#core/plan/job';

/** Why a move does not hold: what it names is not laid any more, nobody of that name works on it, or each would wait for the other. */
export type LostMove = 'gone' | 'person' | 'circle';

/** What was moved by hand, as far as it can hold. */
export interface HeldMoves {
  /** By the key of the coat that was moved. */
  readonly held: ReadonlyMap<string, Move>;
  readonly lost: readonly { readonly move: Move; readonly why: LostMove }[];
}

/**
 * The moves that can hold together: of those of one coat the last, and none that would have a coat wait for itself, by
 * way of the coats below it or of what its panel follows. What was moved last holds before what was moved earlier.
 * @param people names of those who work on it
 */
export function heldMoves(
  coats: readonly (readonly SurfaceCoat[])[],
  moves: readonly Move[],
  people: readonly string[],
): HeldMoves {
  const known = new Map(coats.flat().map((coat) => [coatKey(coatName(coat)), coat] as const));
  const bySurface = new Map(coats.flatMap((own) => (own[0] ? [[own[0].surface.id, own] as const] : [])));
  const held = new Map<string, Move>();
  const lost: { move: Move; why: LostMove }[] = [];
  /** What a coat waits for: the one below it, the same round of what its panel follows, and what it was moved behind. */
  const waitsFor = (key: string): string[] => {
    const { surface, round } = known.get(key)!;
    const inRound = (id: string) => bySurface.get(id)?.[round];
    const below = bySurface.get(surface.id)![round - 1];
    const after = held.get(key)?.after;
    return [
      ...[below, ...(surface.follows ?? []).map(inRound)].flatMap((coat) => (coat ? [coatKey(coatName(coat))] : [])),
      ...(after ? [coatKey(after)] : []),
    ];
  };
  const reaches = (from: string, to: string): boolean => {
    const seen = new Set([from]);
    for (const key of seen) {
      if (key === to) return true;
      for (const next of waitsFor(key)) seen.add(next);
    }
    return false;
  };
  for (const move of moves.toReversed()) {
    const key = coatKey(move);
    if (held.has(key)) continue;
    if (!known.has(key) || (move.after && !known.has(coatKey(move.after)))) lost.push({ move, why: 'gone' });
    else if (move.by !== undefined && !people.includes(move.by)) lost.push({ move, why: 'person' });
    else if (move.after && reaches(coatKey(move.after), key)) lost.push({ move, why: 'circle' });
    else held.set(key, move);
  }
  return { held, lost };
}
