import type { MethodId } from '#core/products/methods';
import type { Product } from '#core/products/sheets';

export interface PendingCoat {
  readonly product: Product;
  readonly layer: number;
  readonly coat: number;
  readonly method: MethodId;
}
