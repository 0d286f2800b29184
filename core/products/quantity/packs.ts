/** A pack on sale: `size` in the product's units, `price` in minor units of money. */
export interface Pack {
  readonly size: number;
  readonly price: number;
}

export interface PackCount {
  readonly size: number;
  readonly count: number;
}

export interface PackChoice {
  readonly packs: readonly PackCount[];
  readonly cost: number;
  /** Units bought. */
  readonly bought: number;
}

/** Shortfalls below this share of the amount are rounding, not thirst. */
const RELATIVE_SLACK = 1e-9;
/** Bounds this close are equal: prices are whole minor units. */
const MONEY_ROUNDING = 1e-6;

/**
 * Packs that cover `amount` for least money, then with least left over. Exact: depth-first over counts,
 * cut off where even the best unit price of the packs still to come cannot beat the best choice so far.
 * @throws RangeError when something is needed and nothing is on sale, or for a pack without size.
 * @example choosePacks(83, [{ size: 15, price: 2500 }, { size: 30, price: 4200 }, { size: 50, price: 6100 }]) // two of 50, 12200
 */
export function choosePacks(amount: number, onSale: readonly Pack[]): PackChoice {
  if (amount <= 0) return { packs: [], cost: 0, bought: 0 };
  if (onSale.length === 0) throw new RangeError('nothing on sale to cover what is needed');
  if (onSale.some(({ size, price }) => !(size > 0) || price < 0)) throw new RangeError('a pack has a size and a price');
  const packs = withoutDearer(onSale);
  const unitPrices = packs.map(({ size, price }) => price / size);
  const bestFrom = unitPrices.map((_, index) => Math.min(...unitPrices.slice(index)));
  const slack = amount * RELATIVE_SLACK;

  let best: { counts: readonly number[]; cost: number; bought: number } | null = null;
  const beats = (cost: number, bought: number) =>
    best === null || cost < best.cost || (cost === best.cost && bought < best.bought - slack);

  const visit = (index: number, counts: readonly number[], cost: number, bought: number): void => {
    const missing = amount - bought;
    if (missing <= slack) {
      if (beats(cost, bought)) best = { counts, cost, bought };
      return;
    }
    const pack = packs[index];
    if (!pack) return;
    const most = Math.ceil((missing - slack) / pack.size);
    const least = index === packs.length - 1 ? most : 0;
    for (let count = most; count >= least; count--) {
      const costNow = cost + count * pack.price;
      const boughtNow = bought + count * pack.size;
      const leastCost = costNow + Math.max(0, amount - boughtNow) * (bestFrom[index + 1] ?? 0);
      if (best !== null && leastCost > best.cost + MONEY_ROUNDING) {
        // Below the overshooting count, fewer of a cheaper kind only raise this bound: the rest cannot win either.
        if (count < most) break;
        continue;
      }
      visit(index + 1, [...counts, count], costNow, boughtNow);
    }
  };
  visit(0, [], 0, 0);

  const { counts, cost, bought } = best!;
  const chosen = counts.flatMap((count, index) => (count > 0 ? [{ size: packs[index]!.size, count }] : []));
  return { packs: chosen.sort((a, b) => a.size - b.size), cost, bought };
}

/** Drops packs that another, at least as big, undercuts; cheapest per unit first, so that good answers come early. */
function withoutDearer(packs: readonly Pack[]): Pack[] {
  return packs
    .filter((pack) => !packs.some((other) => other.size >= pack.size && other.price < pack.price))
    .filter((pack, index, kept) => kept.findIndex((o) => o.size === pack.size && o.price === pack.price) === index)
    .sort((a, b) => a.price / a.size - b.price / b.size || b.size - a.size);
}
