import { DateTime } from 'luxon';

/** So many of the latest days, weeks and months keep a backup each. */
export const KEPT = { days: 7, weeks: 5, months: 12 } as const;

/**
 * Until when a backup is kept where one is made every day: as the last of its day, its week, its month.
 * @param times when each was made
 */
export function keptUntil(times: readonly Date[], index: number, now: Date): Date {
  const at = DateTime.fromJSDate(times[index]!);
  const untils = (['day', 'week', 'month'] as const).flatMap((unit) => {
    const end = at.endOf(unit);
    const isLast = times.every((other) => other <= times[index]! || other > end.toJSDate());
    // Another comes tomorrow: it is the last of its week only on the last day of it.
    const stays = isLast && (end <= DateTime.fromJSDate(now) || +at.endOf('day') === +end);
    return stays ? [at.startOf(unit).plus({ [`${unit}s`]: KEPT[`${unit}s`] })] : [];
  });
  const [latest] = untils.sort((a, b) => +b - +a);
  // The next one that is made lets go of whatever is kept no more.
  const soonest = DateTime.fromJSDate(now).plus({ days: 1 });
  return (latest && latest > soonest ? latest : soonest).toJSDate();
}

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
