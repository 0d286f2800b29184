import type { Product } from '#core/products/sheets';
import { type Choice, choiceOf } from './choice-of';
import type { Option, SurfaceKind } from './options';
import { cheapestUnit, unitsMoney, workMoney } from './value';
import type { Wishes } from './wishes';

/**
 * The plain way: on every kind of surface by itself what is cheapest there at the cheapest unit price, packs not
 * thought of. What the joint choice is measured against.
 */
export function cheapestAlone(
  kinds: readonly SurfaceKind[],
  shelf: readonly Product[],
  wishes: Wishes,
): Omit<Choice, 'objective' | 'gap'> {
  const unitPrices = new Map(shelf.map((product) => [product.id, cheapestUnit(product)]));
  const costOf = ({ value }: Option) => unitsMoney(value, unitPrices) + workMoney(value, wishes);
  const picked = new Map<string, Option>();
  for (const { surfaces, options } of kinds) {
    if (options.length === 0) continue;
    const cheapest = options.reduce((a, b) => (costOf(b) < costOf(a) ? b : a));
    for (const { id } of surfaces) picked.set(id, cheapest);
  }
  return choiceOf(kinds, picked, shelf, wishes);
}
