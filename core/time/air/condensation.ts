import { dewPointC } from './moist-air';

/** A surface should be this far above the dew point, K: the usual convention of coating inspection. */
export const DEW_MARGIN_K = 3;

export interface Condensation {
  readonly dewPointC: number;
  /** Surface minus dew point, K. */
  readonly marginK: number;
  /** `stop` below the dew point, `warn` up to {@link DEW_MARGIN_K} above it. */
  readonly verdict: 'ok' | 'warn' | 'stop';
}

/**
 * Whether water may stand, unseen, on a surface at `surfaceC` in air of `airC` and `rhPct`.
 * @example condensation(24, 65, 17) // dew point 17.02 °C, margin -0.02 K, 'stop': the surface last
 */
export function condensation(airC: number, rhPct: number, surfaceC: number): Condensation {
  const dew = dewPointC(airC, rhPct);
  const marginK = surfaceC - dew;
  const verdict = marginK < 0 ? 'stop' : marginK < DEW_MARGIN_K ? 'warn' : 'ok';
  return { dewPointC: dew, marginK, verdict };
}
