import { expectedLife } from '#core/layers/life';
import { type RemovalMethodId } from '#core/products/removal-methods';
import { ENOUGH_CLEAR, planRemoval } from '#core/prepare/removal';
import type { SubstrateId } from '#core/item/substrates';
import { MONTHS_PER_YEAR } from '#core/measures';
import type { FamilyId } from '#core/products/families';

export interface StackToCome {
  readonly substrate: SubstrateId;
  /** Bottom first, with the rated life of each sheet where it has one. */
  readonly layers: readonly {
    readonly name: string;
    readonly family: FamilyId;
    readonly comesOffBy?: readonly RemovalMethodId[] | undefined;
    readonly ratedMonths?: number | undefined;
  }[];
  readonly yearsPlanned: number;
}

/**
 * Clear that taking a stack off again will cost over the years an item is planned for, µm: what one removal of it
 * at the end of its life is expected to take, as often as the stack ends within those years. The longest-lived
 * layer says how often: what lies over it is renewed without touching the paint.
 */
export function removalsToComeUm({ substrate, layers, yearsPlanned }: StackToCome): number {
  if (layers.length === 0) return 0;
  const lives = layers.map((layer) => expectedLife(layer, {}).months);
  const { expectedClearUm } = planRemoval({
    substrate,
    areaM2: 1,
    clearUm: ENOUGH_CLEAR,
    layers: layers.map(({ name, family, comesOffBy }, index) => ({
      name,
      family,
      comesOffBy,
      ageMonths: lives[index]!,
      hard: true,
      lifeMonths: lives[index]!,
    })),
  });
  const removals = Math.floor((yearsPlanned * MONTHS_PER_YEAR) / Math.max(...lives));
  return removals * expectedClearUm;
}
