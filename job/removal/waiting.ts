import { firstRenewMin, hardFromMin, removalFrom, type StandingSurface } from '#core/after/care';
import { MINUTES_PER_MONTH } from '#core/measures';

/** What taking off comes to on a day, over the whole item. */
export interface TakenOff {
  readonly minutes: number;
  /** Expected on the panel that loses most, µm. */
  readonly clearUm: number;
  /** Chance that something stays on the panel where that is likeliest. */
  readonly staysChance: number;
}

export interface WaitingDay {
  readonly key: 'today' | 'hard' | 'one-year' | 'renewal' | 'three-years' | 'five-years';
  readonly atMin: number;
  readonly all: TakenOff;
  readonly top: TakenOff;
}

/** From when something that is still soft is hard, and comes off by chemistry no longer; undefined: nothing is soft. */
function hardensMin(standing: readonly StandingSurface[], nowMin: number): number | undefined {
  const soft = standing.flatMap(({ layers }) =>
    layers.flatMap((layer) => {
      const at = hardFromMin(layer);
      return at !== null && at > nowMin ? [at] : [];
    }),
  );
  return soft.length > 0 ? Math.min(...soft) : undefined;
}

function takenOff(
  standing: readonly StandingSurface[],
  clear: readonly (number | undefined)[],
  atMin: number,
  takes: 'all' | 'top',
): TakenOff {
  const removals = standing.map((subject, nth) => {
    const { layers, found } = subject;
    const topOnly = layers.length > 0 ? { layers: layers.slice(-1), found: [] } : { layers, found: found.slice(-1) };
    return removalFrom(takes === 'all' ? subject : { ...subject, ...topOnly }, clear[nth], atMin);
  });
  return {
    minutes: removals.reduce((sum, { expectedMin }) => sum + expectedMin, 0),
    clearUm: Math.max(0, ...removals.map(({ expectedClearUm }) => expectedClearUm)),
    staysChance: Math.max(0, ...removals.flatMap(({ layers }) => layers.map(({ staysChance }) => staysChance))),
  };
}

/**
 * What waiting costs: all of it, or only the top, taken off on days to come. Film grows brittle, coatings harden and
 * then wear, wax goes by itself.
 * @param clear µm on each surface; undefined: nobody has read it
 */
export function costOfWaiting(
  standing: readonly StandingSurface[],
  clear: readonly (number | undefined)[],
  nowMin: number,
): WaitingDay[] {
  if (!standing.some(({ layers, found }) => layers.length + found.length > 0)) return [];
  const hard = hardensMin(standing, nowMin);
  const renewal = firstRenewMin(standing);
  const after = (months: number) => nowMin + months * MINUTES_PER_MONTH;
  const days: readonly (readonly [WaitingDay['key'], number | undefined])[] = [
    ['today', nowMin],
    ['hard', hard],
    ['one-year', after(12)],
    ['renewal', renewal !== null && renewal > nowMin ? renewal : undefined],
    ['three-years', after(36)],
    ['five-years', after(60)],
  ];
  return days
    .flatMap(([key, atMin]): WaitingDay[] =>
      atMin === undefined
        ? []
        : [
            {
              key,
              atMin,
              all: takenOff(standing, clear, atMin, 'all'),
              top: takenOff(standing, clear, atMin, 'top'),
            },
          ],
    )
    .sort((a, b) => a.atMin - b.atMin);
}
