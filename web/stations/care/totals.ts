import type { Removal } from '#core/prepare/removal';

/** Said where a removal uses nothing up. */
export const NOTHING_USED = 'Nothing is used up.';

/** Less than this is not put out. */
const LEAST = 0.05;

/** What several panels come to together: hours, what is used up, and each warning once. */
export function totalRemoval(removals: readonly Removal[]) {
  const uses = new Map<string, { what: string; unit: string; amount: number }>();
  for (const { what, unit, amount } of removals.flatMap(({ layers }) => layers.flatMap((layer) => layer.uses))) {
    uses.set(what, { what, unit, amount: (uses.get(what)?.amount ?? 0) + amount });
  }
  return {
    minutes: removals.reduce((sum, { expectedMin }) => sum + expectedMin, 0),
    uses: [...uses.values()].filter(({ amount }) => amount >= LEAST),
    warnings: [...new Set(removals.flatMap(({ warnings }) => warnings))],
  };
}
