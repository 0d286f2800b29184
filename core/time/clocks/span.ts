import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';

/** Minutes as they are told in a sentence, tenths where they are few. */
export const minutesInWords = (min: number): string => `${min < 10 ? min.toFixed(1) : Math.round(min)} min`;

/** A length of time as it is told in a sentence: minutes up to two hours, hours up to two days, then whole days. */
export function spanInWords(min: number): string {
  if (min < 2 * MINUTES_PER_HOUR) return minutesInWords(min);
  return min < 2 * MINUTES_PER_DAY
    ? `${(min / MINUTES_PER_HOUR).toFixed(1)} h`
    : `${Math.ceil(min / MINUTES_PER_DAY)} days`;
}
