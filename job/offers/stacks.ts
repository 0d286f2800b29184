import type { StackLayer } from '#core/choose/stacks';
import { usualMethod } from '#core/products/methods';
import type { Layer } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';

/** A stack as it is read out: "Ledger Base, then Ledger Top × 2". */
export const stackInWords = (layers: readonly StackLayer[], nameOf: (product: string) => string): string =>
  layers.map(({ product, coats }) => (coats > 1 ? `${nameOf(product)} × ${coats}` : nameOf(product))).join(', then ') ||
  'stays bare';

const MOST_NAMED = 3;

/** Panels as they are told: a few by name, more by their number. */
export const panelsInWords = (names: readonly string[]): string =>
  names.length <= MOST_NAMED ? names.join('; ') : `${names.length} panels`;

/** Stacks as a job plans them, each layer in the way its family is usually laid; what is laid already stays out. */
export function toPlan(
  stacks: readonly { readonly id: string; readonly layers: readonly StackLayer[] }[],
  shelf: readonly Pick<ProductSheet, 'id' | 'family' | 'method'>[],
  laid: ReadonlySet<string> = new Set(),
): ReadonlyMap<string, readonly Layer[]> {
  const sheets = new Map(shelf.map((sheet) => [sheet.id, sheet]));
  const planned = ({ product, coats }: StackLayer): Layer => {
    const sheet = sheets.get(product);
    return { product, coats, method: sheet ? usualMethod(sheet) : 'small-block' };
  };
  return new Map(stacks.filter(({ id }) => !laid.has(id)).map(({ id, layers }) => [id, layers.map(planned)]));
}
