import { airAt, type AmbientSeries, type AmbientStep } from './ambient';
import { rhAfterTemperatureChange } from './moist-air';

/** How fast a workshop bay cools once its heating stands still, time constant in minutes (engineering default). */
export const COOLING_TAU_MIN = 240;
/** Air is told in steps of this; a bay moves little in one, minutes. */
const STEP_MIN = 30;
/** After so many time constants what was missing is back. */
const TAUS = 5;
const HIGHEST_RH_PCT = 99;

/**
 * The air of a bay whose heating stands still in some stretches: from its beginning each lets the air fall towards the
 * coldest it gets over night, exponentially with the room's time constant, and after it the air comes back the same way;
 * it keeps its water. Air that stands at one value all through says nothing of nights: it is left as it is.
 * @param lost stretches without power, minutes of the series, in their order and apart
 */
export function withoutHeating(
  series: AmbientSeries,
  lost: readonly (readonly [fromMin: number, toMin: number])[],
  tauMin = COOLING_TAU_MIN,
): AmbientSeries {
  const coldC = Math.min(...series.map(({ airC }) => airC));
  const [begin] = lost;
  if (begin === undefined || series.every(({ airC }) => airC === coldC)) return series;
  const moments = new Set(series.map(({ atMin }) => atMin));
  for (const [from, to] of lost) for (let min = from; min < to + TAUS * tauMin; min += STEP_MIN) moments.add(min);
  for (const [, to] of lost) moments.add(to);
  const cuts = [...moments].sort((a, b) => a - b);
  const isLost = (min: number) => lost.some(([from, to]) => min >= from && min < to);
  let missingK = 0;
  let before: { readonly atMin: number; readonly airC: number } | undefined;
  const steps = cuts.map((atMin): AmbientStep => {
    const expected = airAt(series, atMin);
    if (before) {
      const kept = Math.exp(-(atMin - before.atMin) / tauMin);
      // Without heating the air goes its own way; with it, only what is missing of the expected air fades.
      missingK = isLost(before.atMin)
        ? Math.max(0, expected.airC - (coldC + (before.airC - coldC) * kept))
        : missingK * kept;
    }
    // Colder than its coldest night it does not become.
    missingK = Math.min(missingK, expected.airC - coldC);
    const airC = expected.airC - missingK;
    before = { atMin, airC };
    return missingK === 0
      ? { ...expected, atMin }
      : {
          ...expected,
          atMin,
          airC,
          rhPct: Math.min(HIGHEST_RH_PCT, rhAfterTemperatureChange(expected.airC, expected.rhPct, airC)),
        };
  });
  const [first, ...rest] = steps;
  return [first!, ...rest];
}
