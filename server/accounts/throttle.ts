import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { tooOften } from '../http/problem';

const MINUTES = 60;
/** Wrong attempts, and how long it is until they are forgotten. */
const LIMITS = {
  /** Passwords of one name, from one address: whoever guesses elsewhere shuts nobody out here. */
  nameHere: { points: 10, duration: 15 * MINUTES },
  /** Passwords of one name from addresses it never signed in from, however many there are. */
  nameAnywhere: { points: 100, duration: 15 * MINUTES },
  /** Passwords, codes and links from one address. */
  address: { points: 60, duration: 15 * MINUTES },
  /** PINs of one person at one tablet. */
  pin: { points: 5, duration: 15 * MINUTES },
  /** PINs at one tablet. */
  tablet: { points: 20, duration: 15 * MINUTES },
} as const;
export type Limit = keyof typeof LIMITS;

/** Counts attempts and refuses what comes too often. An attempt counts before it is looked at: many at once are many. */
export function throttle() {
  const limiters = new Map(
    Object.entries(LIMITS).map(([name, limit]) => [
      name as Limit,
      new RateLimiterMemory({ keyPrefix: name, ...limit }),
    ]),
  );
  return {
    /** @throws ProblemError (429) where there have been too many, with how long to wait */
    async attempt(...keys: readonly (readonly [Limit, string])[]): Promise<void> {
      for (const [limit, key] of keys) {
        try {
          await limiters.get(limit)!.consume(key);
        } catch (error) {
          if (error instanceof RateLimiterRes) throw tooOften(Math.ceil(error.msBeforeNext / 1000));
          throw error;
        }
      }
    },
    /** It was right: what came before was a slip. */
    async right(...keys: readonly (readonly [Limit, string])[]): Promise<void> {
      for (const [limit, key] of keys) await limiters.get(limit)!.delete(key);
    },
  };
}
