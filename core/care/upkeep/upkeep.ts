import type { FoundId } from '#core/products/families';
import { topOf, type StandingSurface } from './care';

/** A wash every few weeks, and a topper every few washes: the trade's habit, where neither sheet nor owner says otherwise. */
export const WASH_EVERY_WEEKS = 3;
export const TOPPER_EVERY_WASHES = 4;

/** What a topper renews the feel of and wears in the place of. Waxes and sealants are themselves what wears. */
const TOPPED: readonly FoundId[] = [
  'ceramic',
  'ceramic-base',
  'ceramic-top',
  'spray-coating',
  'glass-coating',
  'wheel-coating',
  'film',
];

/** Whether something lies on the item that a topper looks after. */
export const takesTopper = (standing: readonly StandingSurface[]): boolean =>
  standing.some((subject) => {
    const family = subject.layers.at(-1)?.product.family ?? subject.found.at(-1)?.family;
    return topOf(subject) !== undefined && family !== undefined && TOPPED.includes(family);
  });
