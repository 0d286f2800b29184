import type { StandingSurface } from '#core/care/upkeep';
import type { ProductSheet } from '#formats/shelf';

/** A layer of a stack as it stands somewhere on the item, bottom first. */
export interface StackLayer {
  readonly product: ProductSheet;
  readonly coats: number;
}

/** What stands on a panel and there is still a sheet of, bottom first: of what was found, by the name it was told by. */
export function stackOf({ found, layers }: StandingSurface, sheets: readonly ProductSheet[]): StackLayer[] {
  const earlier = found.map(({ name }) => ({ product: sheets.find((sheet) => sheet.name === name), coats: 1 }));
  const laid = layers.map(({ product, coats }) => ({ product: sheets.find(({ id }) => id === product.id), coats }));
  return [...earlier, ...laid].flatMap(({ product, coats }) => (product ? [{ product, coats }] : []));
}
