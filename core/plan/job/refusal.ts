import type { Ruling } from '#core/layers/rules';

export type RefusalCode = 'not-allowed' | 'bond' | 'window-closed' | 'recoat-window';

/** Why a coat is not laid, and when that was found. */
export interface Refusal {
  readonly code: RefusalCode;
  readonly rulings: readonly Ruling[];
  readonly atMin: number;
}
