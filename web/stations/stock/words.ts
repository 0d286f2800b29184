import { BASES } from '#core/stock';
import type { StockRow } from '#formats/stock';
import { measured } from '../../ui/measures';

/** An amount of a thing in its unit, in the measures of this device. */
export function amountIn(unit: StockRow['unit'], amount: number): string {
  const digits = amount < 10 && !Number.isInteger(amount) ? 1 : 0;
  switch (unit) {
    case 'ml':
      return measured('volume', amount, digits);
    case 'g':
      return measured('mass', amount, digits);
    case 'm2':
      return measured('area', amount, amount < 10 ? 1 : 0);
    case 'm':
      return measured('reach', amount, 0);
    case '':
      return amount.toFixed(digits);
  }
}

/** What is left of what it held. */
export const leftOf = ({ unit, remaining, size }: StockRow): string =>
  `${amountIn(unit, remaining)} of ${amountIn(unit, size)}`;

/** How one knows. */
export const basisOf = ({ basis }: StockRow): string => BASES[basis];
