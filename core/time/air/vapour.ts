/** Vapour let into a well-mixed room. */
export interface VapourRelease {
  readonly grams: number;
  /** Released evenly over so many minutes. */
  readonly overMin: number;
  readonly volumeM3: number;
  readonly airChangesPerHour: number;
}

const MG_PER_G = 1000;

/**
 * Concentration, mg/m³, `tMin` minutes after the release began (well-mixed room, first-order dilution).
 */
export function concentrationMgPerM3(release: VapourRelease, tMin: number): number {
  const { grams, overMin, volumeM3 } = release;
  if (grams <= 0 || tMin <= 0) return 0;
  const perMin = release.airChangesPerHour / 60;
  const releasing = Math.min(tMin, overMin);
  const whole = (grams * MG_PER_G) / volumeM3;
  // Limits of the same formula: all at once, and a room without any air change.
  const atEnd =
    overMin <= 0
      ? whole
      : perMin <= 0
        ? (whole * releasing) / overMin
        : ((whole / overMin) * (1 - Math.exp(-perMin * releasing))) / perMin;
  return atEnd * Math.exp(-perMin * Math.max(0, tMin - overMin));
}

/** Highest concentration, mg/m³: at the end of the release. */
export function peakMgPerM3(release: VapourRelease): number {
  return concentrationMgPerM3(release, Math.max(release.overMin, Number.MIN_VALUE));
}

/** Minutes from the end of the release until the room is below `limitMgPerM3`; 0 if it is, null if it never will be. */
export function clearAfterMin(release: VapourRelease, limitMgPerM3: number): number | null {
  const peak = peakMgPerM3(release);
  if (peak <= limitMgPerM3) return 0;
  if (release.airChangesPerHour <= 0) return null;
  return (Math.log(peak / limitMgPerM3) * 60) / release.airChangesPerHour;
}
