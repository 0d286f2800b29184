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

/** What a job needs of one product and what to buy for it, in the product's units and minor money. */
export function purchase(inputs: PurchaseInputs): Purchase {
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
