import { FAMILIES, type FamilyId } from '#core/products/families';
import type { Product, Worn } from './product';

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

type Vapour = Pick<Product, 'family' | 'vocGPerL'>;

/** Solvent a litre gives off, g: by its sheet, or where that does not say as is usual for its family. Unknown is not none. */
export const vocOf = ({ family, vocGPerL }: Vapour): number => vocGPerL ?? FAMILIES[family].usualVocGPerL;

/** Whether its vapour wants a mask; also where nobody knows it. Film gives off none. */
const wantsMask = ({ family, vocGPerL }: Vapour): boolean =>
  REACTIVE.has(family) || (family !== 'film' && (vocGPerL === undefined || vocGPerL >= MASK_FROM_VOC_G_PER_L));

/**
 * What has to be worn while a product is laid: by its sheet, or where that does not say by family and vapour. Its own safety
 * sheet stands above this.
 */
export function wornFor(product: Vapour & Pick<Product, 'wear'>): readonly Worn[] {
  const { family, wear } = product;
  if (wear) return wear;
  return [
    'gloves',
    ...(REACTIVE.has(family) ? (['glasses'] as const) : []),
    ...(wantsMask(product) ? (['mask'] as const) : []),
  ];
}
