import { planRemoval, type RemovalCase, type RemovalStep } from './ladder';
import type { RemovalMethodId } from '#core/products/removal-methods';

/** A method tried on a patch a hand wide where it does not show, rinsed, and what water did then. */
export interface PatchTried {
  readonly method: RemovalMethodId;
  /** It lay flat and sheeted off: what was there is gone. */
  readonly sheets: boolean;
}

/** What tried patches say of a layer: what takes it off, and what it stands. A later word on a method goes before an earlier. */
export function patchesSay(tried: readonly PatchTried[]): {
  readonly comesOffBy: readonly RemovalMethodId[];
  readonly resists: readonly RemovalMethodId[];
} {
  const last = new Map(tried.map(({ method, sheets }) => [method, sheets]));
  const those = (wanted: boolean) => [...last].flatMap(([method, sheets]) => (sheets === wanted ? [method] : []));
  return { comesOffBy: those(true), resists: those(false) };
}

/**
 * What to try next on a patch: the mildest the paint can stand that nobody has tried, until water sheets. Of the layer on
 * top of the stack alone; waiting until it wears off is nothing to try.
 * @returns undefined once it is known what takes it off, or nothing is left to try
 */
export function nextToTry(subject: RemovalCase, tried: readonly PatchTried[]): RemovalStep | undefined {
  const top = subject.layers.at(-1);
  if (!top || patchesSay(tried).comesOffBy.length > 0) return undefined;
  const [removal] = planRemoval({ ...subject, layers: [top] }).layers;
  return removal!.steps.find(
    ({ method, refused }) =>
      refused === undefined && method !== 'wear-off' && !tried.some((patch) => patch.method === method),
  );
}
