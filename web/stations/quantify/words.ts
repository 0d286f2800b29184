import type { MethodId } from '#core/products/methods';
import { millilitres, type Product } from '#core/products/sheets';
import { dropsOf, pullsOf } from '#core/work/quantity';
import { m2, millilitresSaid } from '../../ui/measures';

/** An amount as a hand counts it: sprays of a trigger bottle, drops of a dropper, grams of a tin. */
export function amountInHand(product: Product, method: MethodId, amount: number): string {
  if (product.unit === 'm2') return `${m2(amount)}`;
  if (product.unit === 'g') return `${amount.toFixed(1)} g`;
  const ml = millilitres(product, amount);
  if (method === 'sprayed') return `${pullsOf(ml)} sprays`;
  return ml < 4 ? `${dropsOf(ml)} drops` : `${millilitresSaid(ml)}`;
}

export const inUnit = (product: Pick<Product, 'unit'>, amount: number): string =>
  `${amount.toFixed(amount < 10 ? 1 : 0)} ${product.unit === 'm2' ? 'm²' : product.unit}`;
