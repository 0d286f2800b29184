import {
  firstRenewMin,
  hardFromMin,
  removalFrom,
  type RemovalPaint,
  type StandingSurface,
  topOf,
} from '#core/care/upkeep';
import type { LayerRemoval } from '#core/prepare/removal';
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
  readonly key: 'today' | 'hard' | 'one-year' | 'renewal' | 'panel-by-panel' | 'three-years' | 'five-years';
  /** Panel by panel: when the last of them does. */
  readonly atMin: number;
  readonly all: TakenOff;
  readonly top: TakenOff;
  /** Polished off while it is corrected anyway: minutes beside the correction, clear and chance of the polishing. */
  readonly correcting: TakenOff;
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

/** When each panel is done. */
type When = (subject: StandingSurface) => number;

function takenOff(
  standing: readonly StandingSurface[],
  paints: readonly RemovalPaint[],
  when: When,
  takes: 'all' | 'top',
): TakenOff {
  const removals = standing.map((subject, nth) => {
    const { layers, found } = subject;
    const topOnly = layers.length > 0 ? { layers: layers.slice(-1), found: [] } : { layers, found: found.slice(-1) };
    return removalFrom(takes === 'all' ? subject : { ...subject, ...topOnly }, paints[nth]!, when(subject));
  });
  return {
    minutes: removals.reduce((sum, { expectedMin }) => sum + expectedMin, 0),
    clearUm: Math.max(0, ...removals.map(({ expectedClearUm }) => expectedClearUm)),
    staysChance: Math.max(0, ...removals.flatMap(({ layers }) => layers.map(({ staysChance }) => staysChance))),
  };
}

/** A layer as polishing that is done anyway leaves it: no minutes of its own where paint lets it be polished. */
function polishedOff(layer: LayerRemoval): TakenOff {
  const polishes = layer.steps.filter(({ clearUm, refused }) => clearUm[1] > 0 && refused === undefined);
  if (polishes.length === 0)
    return { minutes: layer.expectedMin, clearUm: layer.expectedClearUm, staysChance: layer.staysChance };
  let reached = 1;
  let clearUm = 0;
  for (const { clearUm: takes, chance } of polishes) {
    clearUm += reached * ((takes[0] + takes[1]) / 2);
    reached *= 1 - chance;
  }
  return { minutes: 0, clearUm, staysChance: reached };
}

function whileCorrecting(standing: readonly StandingSurface[], paints: readonly RemovalPaint[], when: When): TakenOff {
  const panels = standing.map((subject, nth) =>
    removalFrom(subject, paints[nth]!, when(subject)).layers.map(polishedOff),
  );
  const all = panels.flat();
  return {
    minutes: all.reduce((sum, { minutes }) => sum + minutes, 0),
    clearUm: Math.max(0, ...panels.map((layers) => layers.reduce((sum, { clearUm }) => sum + clearUm, 0))),
    staysChance: Math.max(0, ...all.map(({ staysChance }) => staysChance)),
  };
}

/**
 * What waiting costs: all of it, only the top, or all while it is corrected anyway, taken off on days to come, at once or
 * each panel when it is due itself. Film grows brittle, coatings harden and then wear, wax goes by itself.
 * @param paints of each surface
 */
export function costOfWaiting(
  standing: readonly StandingSurface[],
  paints: readonly RemovalPaint[],
  nowMin: number,
): WaitingDay[] {
  if (!standing.some(({ layers, found }) => layers.length + found.length > 0)) return [];
  const hard = hardensMin(standing, nowMin);
  const renewal = firstRenewMin(standing);
  const after = (months: number) => nowMin + months * MINUTES_PER_MONTH;
  const on = (key: WaitingDay['key'], atMin: number, when: When = () => atMin): WaitingDay => ({
    key,
    atMin,
    all: takenOff(standing, paints, when, 'all'),
    top: takenOff(standing, paints, when, 'top'),
    correcting: whileCorrecting(standing, paints, when),
  });
  // Each when it is due itself, and what is overdue today.
  const own: When = (subject) => Math.max(nowMin, topOf(subject)?.renewMin ?? nowMin);
  const lastMin = Math.max(...standing.map(own));
  return [
    on('today', nowMin),
    ...(hard === undefined ? [] : [on('hard', hard)]),
    on('one-year', after(12)),
    ...(renewal !== null && renewal > nowMin ? [on('renewal', renewal)] : []),
    ...(renewal !== null && lastMin > Math.max(nowMin, renewal) + MINUTES_PER_MONTH
      ? [on('panel-by-panel', lastMin, own)]
      : []),
    on('three-years', after(36)),
    on('five-years', after(60)),
  ].sort((a, b) => a.atMin - b.atMin);
}
