import { type AmbientSeries, airAt, WARM_UP_TAU_MIN, warmedSurfaceC } from '#core/time/air';
import { stepAt } from '#core/time/clocks';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

/** Substrates so thick that they take their time to warm. */
const THICK: readonly SubstrateId[] = ['gelcoat', 'carbon', 'wood'];

/** How fast a surface takes on the air's temperature, by construction: time constant, minutes. */
export function warmUpTauMin(substrate: SubstrateId): number {
  if (SUBSTRATES[substrate].glass) return WARM_UP_TAU_MIN.glass;
  return WARM_UP_TAU_MIN[THICK.includes(substrate) ? 'thick-composite' : 'thin-metal'];
}

/** A surface through time, °C: by moments on the scale of the air. */
export type SurfaceTrack = (tMin: number) => number;

/**
 * A surface that follows the air with a first-order lag: exact, since the air is constant between its steps.
 * @param from a spot reading and when it was taken; absent: it has stood in the air so far
 */
export function followingAir(
  series: AmbientSeries,
  tauMin: number,
  from?: { atMin: number; surfaceC: number },
): SurfaceTrack {
  const startMin = from?.atMin ?? series[0].atMin;
  const startC = from?.surfaceC ?? airAt(series, startMin).airC;
  const first = stepAt(series, startMin);
  // Where it stands at the beginning of each step after the reading.
  const begins: { readonly atMin: number; readonly surfaceC: number; readonly airC: number }[] = [
    { atMin: startMin, surfaceC: startC, airC: series[first]!.airC },
  ];
  for (const step of series.slice(first + 1)) {
    const last = begins.at(-1)!;
    begins.push({ atMin: step.atMin, surfaceC: lagged(last, tauMin, step.atMin), airC: step.airC });
  }
  return (tMin) => {
    let [low, high] = [0, begins.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (begins[middle]!.atMin <= tMin) low = middle;
      else high = middle - 1;
    }
    return lagged(begins[low]!, tauMin, Math.max(tMin, startMin));
  };
}

const lagged = (
  { atMin, surfaceC, airC }: { readonly atMin: number; readonly surfaceC: number; readonly airC: number },
  tauMin: number,
  tMin: number,
) => warmedSurfaceC(surfaceC, airC, tauMin, tMin - atMin);
