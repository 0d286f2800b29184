import { boxed, overlapM2, type Polygon } from '#core/item/geometry';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

/** Two surfaces that both lay claim to the same place. */
export interface Claim {
  readonly a: string;
  readonly b: string;
  readonly areaM2: number;
}

/** Less than this, m², is a line drawn over another, not a claim: one per mille of a bonnet. */
const SMALLEST_CLAIM_M2 = 0.001;

/**
 * Which panels of a sheet claim the same area, so that it would be coated, counted and paid for twice. What is
 * kept clear may lie in another: nothing is laid on it.
 */
export function claims(
  panels: readonly { readonly id: string; readonly outline: Polygon; readonly substrate: SubstrateId }[],
): Claim[] {
  const laid = panels
    .filter(({ substrate }) => !SUBSTRATES[substrate].keepClear)
    .map(({ id, outline }) => ({ id, ...boxed(outline) }));
  return laid.flatMap((a, index) =>
    laid.slice(index + 1).flatMap((b): Claim[] => {
      const areaM2 = overlapM2(a, b);
      return areaM2 < SMALLEST_CLAIM_M2 ? [] : [{ a: a.id, b: b.id, areaM2 }];
    }),
  );
}
