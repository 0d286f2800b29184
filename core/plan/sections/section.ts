import type { LevelWindow } from '#core/time/clocks';

/** How fast one product is laid and levelled with one method by these hands, m²/min. */
export interface Pace {
  readonly layM2PerMin: number;
  readonly levelM2PerMin: number;
}

/** One person lays and levels in turn, or a second follows the first on the same patch. */
export const CREW_MODES = ['solo', 'pair'] as const;
export type CrewMode = (typeof CREW_MODES)[number];

/** A person's own pace, m²/min, until runs have taught better. */
export const DEFAULT_PACE: Pace = { layM2PerMin: 0.45, levelM2PerMin: 0.5 };

/** How one section is worked, minutes from its first stroke. */
export interface SectionTiming {
  readonly layMin: number;
  /** Solo: pause between the last stroke of laying and the first of levelling. Pair: how far behind the second starts. */
  readonly waitMin: number;
  readonly levelMin: number;
  /** Until the last stroke of levelling. */
  readonly totalMin: number;
}

/**
 * Largest section, m², that can be laid and levelled with the age of every point inside the window; null
 * where there is no limit. Along the path the age runs evenly from the first point's to the last one's.
 * @example maxSectionM2({ fromMin: 2, byMin: 5 }, { layM2PerMin: 0.25, levelM2PerMin: 0.2 }, 'solo') // 1 m²; 'pair': 3 m²
 */
export function maxSectionM2(window: LevelWindow, pace: Pace, mode: CrewMode): number | null {
  if (window.byMin === null) return null;
  const layPerM2 = 1 / pace.layM2PerMin;
  const levelPerM2 = 1 / pace.levelM2PerMin;
  const ageSpreadPerM2 = Math.abs(levelPerM2 - layPerM2);
  const width = Math.max(0, window.byMin - window.fromMin);
  const bySpread = ageSpreadPerM2 === 0 ? Infinity : width / ageSpreadPerM2;
  // Alone, the first point is as old as the laying took before levelling begins.
  const byAge = mode === 'solo' ? window.byMin / Math.max(layPerM2, levelPerM2) : Infinity;
  const largest = Math.min(bySpread, byAge);
  return Number.isFinite(largest) ? largest : null;
}

/**
 * The shortest way to work a section of `areaM2` that keeps its youngest point past `window.fromMin`.
 * @example sectionTiming(0.5, { fromMin: 4, byMin: 9 }, { layM2PerMin: 0.25, levelM2PerMin: 0.25 }, 'solo') // lay 2, wait 2, level 2 min
 */
export function sectionTiming(areaM2: number, window: LevelWindow, pace: Pace, mode: CrewMode): SectionTiming {
  const layMin = areaM2 / pace.layM2PerMin;
  const levelMin = areaM2 / pace.levelM2PerMin;
  if (mode === 'pair') {
    const lagMin = window.fromMin + Math.max(0, layMin - levelMin);
    return { layMin, waitMin: lagMin, levelMin, totalMin: lagMin + levelMin };
  }
  const waitMin = Math.max(0, window.fromMin - Math.min(layMin, levelMin));
  return { layMin, waitMin, levelMin, totalMin: layMin + waitMin + levelMin };
}

/** Sections one surface is worked in; a limit hit exactly does not make one more. */
export function sectionCount(areaM2: number, largestM2: number | null, onePiece: boolean): number {
  if (onePiece || largestM2 === null) return 1;
  const roundingSlack = 1e-9;
  return Math.max(1, Math.ceil(areaM2 / largestM2 - roundingSlack));
}
