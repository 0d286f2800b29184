import type { StandingSurface } from '#core/care/upkeep';
import type { Job } from '#formats/job';

/** Conditions a workshop usually grants a warranty on; each can be changed or left out. */
export const USUAL_CONDITIONS: readonly string[] = [
  'Washed by hand with a mild shampoo, rinsed first, without brushes.',
  'Bird lime, sap, fuel and road salt removed within days.',
  'Inspected by the workshop when it is due; what is found is noted.',
  'Not polished or coated over by others; repairs reported to the workshop.',
];

/** What could be warranted: a product that was laid, with what its maker rates it for and what it is expected to last here. */
export interface WarrantyLine {
  readonly product: string;
  readonly name: string;
  /** By its sheet, months; absent: it rates none. */
  readonly ratedMonths?: number | undefined;
  /** On the panel where it is expected to end first, months. */
  readonly expectedMonths: number;
  /** What the workshop grants, months; absent: nothing. */
  readonly grantedMonths?: number | undefined;
  /** It is granted for longer than it is expected to last. */
  readonly isLonger: boolean;
}

/** Every product that lies on the item, with what is granted for it. */
export function warrantyLines(
  { warranty }: Pick<Job, 'warranty'>,
  standing: readonly StandingSurface[],
): WarrantyLine[] {
  const lines = new Map<string, WarrantyLine>();
  for (const { product, life } of standing.flatMap(({ layers }) => layers)) {
    const expectedMonths = Math.min(life.months, lines.get(product.id)?.expectedMonths ?? Infinity);
    const grantedMonths = warranty?.covers.find((cover) => cover.product === product.id)?.months;
    lines.set(product.id, {
      product: product.id,
      name: product.name,
      ratedMonths: product.ratedMonths,
      expectedMonths,
      grantedMonths,
      isLonger: grantedMonths !== undefined && grantedMonths > expectedMonths,
    });
  }
  return [...lines.values()];
}

/**
 * A warranty with another term for one product.
 * @param months undefined: nothing is granted for it; where nothing is granted at all any more, there is no warranty
 */
export function withCover(
  warranty: Job['warranty'],
  product: string,
  months: number | undefined,
): NonNullable<Job['warranty']> | undefined {
  const others = (warranty?.covers ?? []).filter((cover) => cover.product !== product);
  const covers = months === undefined ? others : [...others, { product, months }];
  if (covers.length === 0) return undefined;
  return { ...(warranty ?? { conditions: [...USUAL_CONDITIONS] }), covers };
}
