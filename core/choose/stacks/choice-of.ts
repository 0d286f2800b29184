import { MINUTES_PER_HOUR, MONTHS_PER_YEAR } from '#core/measures';
import type { Product } from '#core/products/sheets';
import { ADDED_MIN } from '#core/schedule/hours';
import { purchase, type Purchase } from '#core/products/quantity';
import type { Option, SurfaceKind } from './options';
import type { ChoiceSurface, StackLayer } from './stacks';
import type { Wishes } from './wishes';

/** A joint choice for the whole item. Money in minor units. */
export interface Choice {
  readonly surfaces: readonly {
    readonly id: string;
    readonly layers: readonly StackLayer[];
    readonly testSpot: boolean;
    readonly lifeMonths: number;
  }[];
  readonly purchases: readonly (Purchase & { readonly product: string })[];
  /** Packs to buy and hours, now. */
  readonly materialMoney: number;
  readonly firstMoney: number;
  readonly minutes: number;
  /** Over the time it is kept, renewals included. */
  readonly keptMoney: number;
  readonly keptMinutes: number;
  /** Per year of the time it is kept, renewals included. */
  readonly yearMoney: number;
  readonly yearMinutes: number;
  readonly yearUm: number;
  /** Area-weighted expected months before the first renewal. */
  readonly lifeMonths: number;
  /** Clear that removals are expected to take over the time it is kept, µm, area-weighted. */
  readonly removalUm: number;
  /** What was minimised, and how far it may be from the best there is, as a share. */
  readonly objective: number;
  readonly gap: number;
}

/** What given picks come to, packs bought together; surfaces without a pick stay bare. */
export function choiceOf(
  kinds: readonly SurfaceKind[],
  picked: ReadonlyMap<string, Option>,
  shelf: readonly Product[],
  wishes: Wishes,
): Omit<Choice, 'objective' | 'gap'> {
  const rate = wishes.hourRate / MINUTES_PER_HOUR;
  const surfaces = kinds.flatMap((kind) => kind.surfaces);
  const needs = new Map<string, number>();
  const sums = { minutes: 0, later: 0, laterMinutes: 0, life: 0, removalUm: 0, areaM2: 0 };
  for (const { id, areaM2 } of surfaces) {
    const value = picked.get(id)?.value;
    if (!value) continue;
    for (const [product, amount] of value.amounts) needs.set(product, (needs.get(product) ?? 0) + amount * areaM2);
    sums.areaM2 += areaM2;
    sums.minutes += areaM2 * value.minutes;
    sums.later += areaM2 * value.renewals * value.renewalMoney;
    sums.laterMinutes += areaM2 * value.renewals * value.renewalMinutes;
    sums.life += areaM2 * value.lifeMonths;
    sums.removalUm += areaM2 * value.renewals * value.removalUm;
  }
  const purchases = shelf.flatMap((product) => {
    const need = needs.get(product.id);
    return need === undefined ? [] : [{ product: product.id, ...buy(product, need) }];
  });
  // What is brought and put away once, however much is laid: the same hours as a run sheet's.
  if (purchases.length > 0) sums.minutes += ADDED_MIN.setUp + ADDED_MIN.packUp + purchases.length * ADDED_MIN.product;
  const materialMoney = purchases.reduce((sum, { cost }) => sum + cost, 0);
  const firstMoney = materialMoney + sums.minutes * rate;
  const keptMoney = firstMoney + sums.later;
  const keptMinutes = sums.minutes + sums.laterMinutes;
  const removalUm = sums.areaM2 > 0 ? sums.removalUm / sums.areaM2 : 0;
  const keptYears = wishes.keptMonths / MONTHS_PER_YEAR;
  return {
    surfaces: surfaces.map((surface: ChoiceSurface) => {
      const option = picked.get(surface.id);
      return {
        id: surface.id,
        layers: (option?.stack.layers ?? []).map(({ product, coats }): StackLayer => ({ product: product.id, coats })),
        testSpot: option?.stack.answer === 'test',
        lifeMonths: option?.value.lifeMonths ?? 0,
      };
    }),
    purchases,
    materialMoney,
    firstMoney,
    minutes: sums.minutes,
    keptMoney,
    keptMinutes,
    yearMoney: keptMoney / keptYears,
    yearMinutes: keptMinutes / keptYears,
    yearUm: removalUm / keptYears,
    lifeMonths: sums.areaM2 > 0 ? sums.life / sums.areaM2 : 0,
    removalUm,
  };
}

/** Packs for an amount that is a 90 % quantity with its applicators already. */
function buy({ prime, residue, onHand, packs }: Product, amount: number): Purchase {
  return purchase({ laid: amount, laidM2: 1, prime, applicatorM2: null, residue, usageSigma: 0, onHand, packs });
}
