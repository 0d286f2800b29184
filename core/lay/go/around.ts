import type { Tone } from '#core/survey/condition';

/** What is going on around a panel that the air of the room does not say. */
export interface Around {
  /** By so much the sun warms the panel over its air while it shines, K; 0 in the shade or at night. */
  readonly sunK: number;
  /** Somebody sands or polishes in the same room. */
  readonly dusty: boolean;
}
export const QUIET: Around = { sunK: 0, dusty: false };

/** Over its air a panel in the midday sun of a clear day, K: engineering defaults. */
export const SUN_GAIN_K: Readonly<Record<Tone, number>> = { dark: 30, mid: 20, pale: 10 };
/** The sun stands between these hours of the day; lower than that it warms nothing. */
const SUN_HOURS = [6, 18] as const;

/**
 * By how much the sun warms a panel at a time of day, K: with the height of the sun, as a sine between morning and evening.
 * @param tone of its colour; absent: in the middle
 * @param minuteOfDay from local midnight, of any day
 */
export function sunGainK(tone: Tone | undefined, minuteOfDay: number): number {
  const hour = (((minuteOfDay / 60) % 24) + 24) % 24;
  const [from, to] = SUN_HOURS;
  if (hour <= from || hour >= to) return 0;
  return SUN_GAIN_K[tone ?? 'mid'] * Math.sin((Math.PI * (hour - from)) / (to - from));
}
