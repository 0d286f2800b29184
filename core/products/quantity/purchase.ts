import { TENTH_SIGMAS } from '#core/measures';
import { applicatorCount } from './amount';
import { choosePacks, type Pack, type PackCount } from './packs';

export interface PurchaseInputs {
  /** Sum of the amounts of all coats laid. */
  readonly laid: number;
  /** Area laid with it in the whole job, all coats and copies, m². */
  readonly laidM2: number;
  readonly prime: number;
  readonly applicatorM2: number | null;
  readonly residue: number;
  readonly usageSigma: number;
  readonly onHand: number;
  /** What is cut of a film, where that is known: all of it, and what of it comes off rolls to buy. */
  readonly cut?: { readonly wholeM2: number; readonly toBuyM2: number } | undefined;
  readonly packs: readonly Pack[];
}

export interface Purchase {
  readonly need: number;
  /** The 90 % quantity. */
  readonly order: number;
  readonly applicators: number;
  readonly packs: readonly PackCount[];
  readonly cost: number;
  readonly leftover: number;
}

/**
 * What a job needs of one product and what to buy for it, in the product's units and minor money. What is cut off a roll is
 * known to the millimetre: nothing is added for chance, and a roll in hand serves only what is nested on it, as long as it is there.
 */
export function purchase(inputs: PurchaseInputs): Purchase {
  const { cut, onHand } = inputs;
  if (cut) {
    const { packs, cost, bought } = choosePacks(Math.max(cut.toBuyM2, cut.wholeM2 - onHand), inputs.packs);
    const leftover = bought + onHand - cut.wholeM2;
    return { need: cut.wholeM2, order: cut.wholeM2, applicators: 0, packs, cost, leftover };
  }
  const applicators = applicatorCount(inputs.laidM2, inputs.applicatorM2);
  const fixed = inputs.prime * applicators + inputs.residue;
  const order = inputs.laid * Math.exp(TENTH_SIGMAS * inputs.usageSigma) + fixed;
  const choice = choosePacks(order - inputs.onHand, inputs.packs);
  return {
    need: inputs.laid + fixed,
    order,
    applicators,
    packs: choice.packs,
    cost: choice.cost,
    leftover: choice.bought + inputs.onHand - order,
  };
}
