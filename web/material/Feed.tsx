import { memo } from 'react';
import type { MethodId } from '#core/products/methods';
import { millilitres, type Product } from '#core/products/sheets';
import { feeding } from '#core/products/quantity';
import { m2 } from '../ui/measures';
import { amountInHand } from './product-words';

interface Props {
  readonly product: Product;
  readonly method: MethodId;
  /** Of one section. */
  readonly amount: number;
  readonly areaM2: number;
}

/** How the applicator is loaded and fed on one section: what to begin with, how much more, and where. */
export const Feed = memo(function Feed({ product, method, amount, areaM2 }: Props) {
  if (product.unit === 'm2') return null;
  const ml = millilitres(product, amount);
  const { firstMl, moreMl, times, everyM2 } = feeding(ml, areaM2, method);
  const said = (part: number) => amountInHand(product, method, (part / ml) * amount);
  if (ml <= 0) return null;
  return (
    <span className="text-ink-2">
      {said(firstMl)} to begin
      {times === 1 && `, ${said(moreMl)} more at its middle`}
      {times > 1 && `, ${said(moreMl)} more ${times} times, every ${m2(everyM2)}`}
    </span>
  );
});
