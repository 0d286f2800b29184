import type { MethodId } from '#core/products/methods';
import { millilitres, type Product } from '#core/products/sheets';
import { dropsOf, pullsOf } from '#core/products/quantity';
import { millilitresSaid } from '../ui/measures';
import { amountIn } from './stock-words';

/** An amount as a hand counts it: sprays of a trigger bottle, drops of a dropper, grams of a tin. */
export function amountInHand(product: Product, method: MethodId, amount: number): string {
  if (product.unit !== 'ml') return inUnit(product, amount);
  const ml = millilitres(product, amount);
  if (method === 'sprayed') return `${pullsOf(ml)} sprays`;
  return ml < 4 ? `${dropsOf(ml)} drops` : `${millilitresSaid(ml)}`;
}

/** An amount in the unit of its sheet, in the measures of this device. */
export const inUnit = ({ unit }: Pick<Product, 'unit'>, amount: number): string => amountIn(unit, amount);
