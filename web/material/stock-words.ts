import { BASES } from '#core/stock';
import type { StockRow } from '#formats/stock';
import { m2, measured } from '../ui/measures';

/** An amount of a thing in its unit, in the measures of this device. */
export function amountIn(unit: StockRow['unit'], amount: number): string {
  const digits = Math.abs(amount) < 10 ? 1 : 0;
  switch (unit) {
    case 'ml':
      return measured('volume', amount, digits);
    case 'g':
      return measured('mass', amount, digits);
    case 'm2':
      return m2(amount);
    case 'm':
      return measured('reach', amount, 0);
    case '':
      return amount.toFixed(Number.isInteger(amount) ? 0 : 1);
  }
}

/** A unit as it stands beside a field. */
export const UNIT_SHOWN: Readonly<Record<StockRow['unit'], string>> = {
  ml: 'ml',
  g: 'g',
  m2: 'm²',
  m: 'm',
  '': 'pieces',
};

/** What is left of what it held. */
export const leftOf = ({ unit, remaining, size }: StockRow): string =>
  `${amountIn(unit, remaining)} of ${amountIn(unit, size)}`;

/** How one knows. */
export const basisOf = ({ basis }: StockRow): string => BASES[basis];
