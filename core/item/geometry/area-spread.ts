import { TENTH_SIGMAS } from '#core/measures';

/** One sigma of an area, as a share of it, by how it was come by. Engineering defaults. */
export const AREA_SIGMA = { template: 0.08, tape: 0.03, trace: 0.04 } as const;
export type AreaSource = keyof typeof AREA_SIGMA;

/** How far the 10 % and 90 % points lie from the middle, in sigmas. */

/** An area with its spread, m². */
export interface AreaEstimate {
  readonly areaM2: number;
  readonly sigmaM2: number;
}

export function areaEstimate(areaM2: number, source: AreaSource): AreaEstimate {
  return { areaM2, sigmaM2: areaM2 * AREA_SIGMA[source] };
}

/**
 * Total of several areas. Errors of tape and trace are independent and add in quadrature; the error of a
 * template is shared by all its panels (the item is bigger or smaller as a whole) and adds linearly.
 */
export function totalArea(parts: readonly { readonly areaM2: number; readonly source: AreaSource }[]): AreaEstimate {
  let areaM2 = 0;
  let shared = 0;
  let independentSquared = 0;
  for (const part of parts) {
    const sigma = part.areaM2 * AREA_SIGMA[part.source];
    areaM2 += part.areaM2;
    if (part.source === 'template') shared += sigma;
    else independentSquared += sigma ** 2;
  }
  return { areaM2, sigmaM2: Math.sqrt(shared ** 2 + independentSquared) };
}

/** The 10 % and 90 % points of an estimate, m², never below zero. */
export function areaRange({ areaM2, sigmaM2 }: AreaEstimate): readonly [low: number, high: number] {
  return [Math.max(0, areaM2 - TENTH_SIGMAS * sigmaM2), areaM2 + TENTH_SIGMAS * sigmaM2];
}
