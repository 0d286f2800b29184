import type { SupplyId } from '#core/stock';
import type { FamilyId } from '#core/products/families';
import type { Product } from '#core/products/sheets';
import type { StepKindId } from '#core/prepare/steps';

/** From here on a solvent is breathed in, g of it a litre: a mask against its vapour. Engineering default. */
export const MASK_FROM_VOC_G_PER_L = 100;

/** Resins that react on the skin and in the lungs, whatever their solvent. */
const REACTIVE: ReadonlySet<FamilyId> = new Set([
  'ceramic-primer',
  'ceramic-base',
  'ceramic-top',
  'ceramic',
  'glass-coating',
  'wheel-coating',
  'trim-coating',
  'vinyl-coating',
]);

/** Whether it sets by reacting: what it lies in stiffens, and what was wiped with it hardens. */
export const isReactive = (family: FamilyId): boolean => REACTIVE.has(family);

/** What has to be worn while a product is laid; its own safety sheet stands above this. */
export function wornFor({ family, vocGPerL }: Pick<Product, 'family' | 'vocGPerL'>): readonly SupplyId[] {
  const mask = REACTIVE.has(family) || vocGPerL >= MASK_FROM_VOC_G_PER_L;
  return ['gloves', ...(REACTIVE.has(family) ? (['glasses'] as const) : []), ...(mask ? (['mask'] as const) : [])];
}

const SPLASHES: readonly SupplyId[] = ['gloves', 'glasses'];
const DUST: readonly SupplyId[] = ['dust-mask', 'glasses'];
const VAPOUR: readonly SupplyId[] = ['gloves', 'mask'];

/** What has to be worn at a step of preparation. What is not named wants nothing but sense. */
const WORN_AT: Readonly<Partial<Record<StepKindId, readonly SupplyId[]>>> = {
  wheels: SPLASHES,
  'pre-wash': SPLASHES,
  tar: VAPOUR,
  iron: SPLASHES,
  degrease: SPLASHES,
  'strip-found': ['gloves', 'glasses', 'mask'],
  'peel-transit': ['gloves'],
  'interior-clean': ['gloves'],
  'run-level': DUST,
  'sanding-p3000': DUST,
  'sanding-p2000': DUST,
  abrade: DUST,
  cutting: DUST,
  refining: ['glasses'],
  'single-stage': DUST,
  'metal-polish': ['gloves', 'glasses'],
  'chip-clean': SPLASHES,
  'chip-fill': VAPOUR,
  'panel-wipe': VAPOUR,
};
export const wornAt = (kind: StepKindId): readonly SupplyId[] => WORN_AT[kind] ?? [];
