import { DateTime } from 'luxon';

/** So many of the latest days, weeks and months keep a backup each. */
export const KEPT = { days: 7, weeks: 5, months: 12 } as const;

/**
 * Which of some backups are kept: the last of each of the latest days, weeks and months that have one, and always the
 * latest of all.
 * @param times when each was made
 */
export function keptOf(times: readonly Date[]): ReadonlySet<number> {
  const latestFirst = [...times.keys()].sort((a, b) => times[b]!.getTime() - times[a]!.getTime());
  const kept = new Set(latestFirst.slice(0, 1));
  for (const [unit, most] of [
    ['day', KEPT.days],
    ['week', KEPT.weeks],
    ['month', KEPT.months],
  ] as const) {
    const seen = new Set<string>();
    for (const index of latestFirst) {
      const begins = DateTime.fromJSDate(times[index]!).startOf(unit).toISODate()!;
      if (seen.has(begins) || seen.size === most) continue;
      seen.add(begins);
      kept.add(index);
    }
  }
  return kept;
}
