import type { FamilyId } from '#core/products/families';

/** Bonds only to bare paint: everything between has to be gone. */
export const BONDING: readonly FamilyId[] = [
  'ceramic-primer',
  'ceramic-base',
  'ceramic-top',
  'ceramic',
  'spray-coating',
  'film',
  'glass-coating',
  'wheel-coating',
  'trim-coating',
  'vinyl-coating',
];
