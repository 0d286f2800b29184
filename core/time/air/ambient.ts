import type { Air } from './moist-air';

/** One step of an ambient series: from `atMin` on, the air is this. Minutes count from a zero of the caller's choice. */
export interface AmbientStep extends Air {
  readonly atMin: number;
}

/** Piecewise-constant air, steps rising in time; the first holds before it, the last after it. Never empty. */
export type AmbientSeries = readonly [AmbientStep, ...AmbientStep[]];

/** The air at one moment. */
export function airAt(series: AmbientSeries, tMin: number): AmbientStep {
  let current = series[0];
  for (const step of series) {
    if (step.atMin > tMin) break;
    current = step;
  }
  return current;
}

/**
 * A forecast corrected by what was measured: a reading holds from its moment until the forecast's next step,
 * so that a bay expected to cool after closing still cools.
 */
export function withReadings(series: AmbientSeries, readings: readonly AmbientStep[]): AmbientSeries {
  if (readings.length === 0) return series;
  const byTime = new Map<number, AmbientStep>();
  for (const step of [...series, ...readings]) byTime.set(step.atMin, step);
  const [first, ...rest] = [...byTime.values()].sort((a, b) => a.atMin - b.atMin);
  return [first!, ...rest];
}

/**
 * A room's expected air corrected by one reading at its zero: the difference holds at first and fades with the
 * room's own time constant, so that a bay that cools at night still cools.
 * @param tauMin time constant of the room, minutes
 */
export function correctedBy(series: AmbientSeries, reading: Air, tauMin: number): AmbientSeries {
  const expected = airAt(series, 0);
  const [first, ...rest] = series.filter(({ atMin }) => atMin > 0);
  const steps = [{ ...expected, atMin: 0 }, ...(first ? [first, ...rest] : [])];
  const [zero, ...later] = steps.map((step): AmbientStep => {
    const share = Math.exp(-step.atMin / tauMin);
    return {
      atMin: step.atMin,
      airC: step.airC + share * (reading.airC - expected.airC),
      rhPct: Math.min(100, Math.max(0, step.rhPct + share * (reading.rhPct - expected.rhPct))),
      airSpeed: reading.airSpeed,
    };
  });
  return [zero!, ...later];
}

/** The air warmer or colder by so much all through; its humidity kept, near enough. */
export function warmerBy(series: AmbientSeries, byK: number): AmbientSeries {
  const [first, ...rest] = series.map((step) => ({ ...step, airC: step.airC + byK }));
  return [first!, ...rest];
}
