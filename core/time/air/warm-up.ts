/** Time constants of a cold item brought indoors, minutes. Engineering defaults; a spot reading replaces the estimate. */
export const WARM_UP_TAU_MIN = { glass: 50, 'thin-metal': 70, 'thick-composite': 180 } as const;

/** Surface temperature, °C, `tMin` minutes after an item at `fromC` came into air at `airC` (first-order lag). */
export function warmedSurfaceC(fromC: number, airC: number, tauMin: number, tMin: number): number {
  return airC + (fromC - airC) * Math.exp(-tMin / tauMin);
}

/**
 * Minutes until the surface reaches `targetC`; 0 if it is there, null if the air never brings it there.
 * @example minutesToWarm(2, 20, 70, 15) // 89.67: from 2 °C, in 20 °C, with τ 70 min, to 15 °C
 */
export function minutesToWarm(fromC: number, airC: number, tauMin: number, targetC: number): number | null {
  const done = airC >= fromC ? fromC >= targetC : fromC <= targetC;
  if (done) return 0;
  const share = (targetC - airC) / (fromC - airC);
  return share > 0 ? -tauMin * Math.log(share) : null;
}
