/** Secrets that are tried: attempts are counted, and slips forgotten after a right one. */
import { wrongSecret } from '../../http/problem';
import { type Limit, throttle } from '../../accounts/throttle';

export type Try = ReturnType<typeof attempts>;

/** @returns looks whether what was given is right; throws ProblemError (401) where it is not, (429) where tried too often */
export function attempts() {
  const counted = throttle();
  return async <T>(
    keys: readonly (readonly [Limit, string])[],
    look: () => Promise<T | undefined> | T | undefined,
    wrong?: string,
  ): Promise<T> => {
    await counted.attempt(...keys);
    const found = await look();
    if (found === undefined) throw wrongSecret(wrong);
    await counted.right(...keys);
    return found;
  };
}
