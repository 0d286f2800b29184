import type { FoundId } from '#core/products/families';
import { topOf, type StandingSurface } from './care';

/** What an item in care is due for, again and again. */
export const CARE_KINDS = ['wash', 'topper', 'booster', 'inspection'] as const;
export type CareKind = (typeof CARE_KINDS)[number];

/**
 * Days between, where neither a sheet nor the job says otherwise: the trade's habit. A booster is a maker's own product;
 * without one on the sheet there is none.
 */
export const USUAL_CARE_DAYS: Readonly<Record<Exclude<CareKind, 'booster'>, number>> = {
  wash: 21,
  topper: 84,
  inspection: 365,
};

/** Days between one time and the next of each kind; what an item is not due for at all is left out. */
export type CareDays = { readonly [Kind in CareKind]?: number | undefined };

/**
 * How often an item is looked after: as the job says, else by the strictest sheet of what lies on it, else as is usual. A
 * topper only where something lies on it that one looks after.
 */
export function careDaysOf(standing: readonly StandingSurface[], agreed: CareDays = {}): CareDays {
  const sheets = standing.flatMap(({ layers, found }) => [...found, ...layers.map(({ product }) => product)]);
  const bySheet = (kind: CareKind) => {
    const days = sheets.flatMap(({ careDays }) => careDays?.[kind] ?? []);
    return days.length > 0 ? Math.min(...days) : undefined;
  };
  const isTopped = takesTopper(standing);
  const days = (kind: CareKind) =>
    agreed[kind] ??
    bySheet(kind) ??
    (kind === 'booster' || (kind === 'topper' && !isTopped) ? undefined : USUAL_CARE_DAYS[kind]);
  return Object.fromEntries(
    CARE_KINDS.flatMap((kind) => {
      const every = days(kind);
      return every === undefined ? [] : [[kind, every] as const];
    }),
  );
}

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
