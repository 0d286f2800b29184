import { MINUTES_PER_DAY } from '#core/measures';
import type { AmbientSeries, AmbientStep } from './ambient';
import { rhAfterTemperatureChange, STILL_AIR } from './moist-air';

/** How a bay's air runs through a day: heated while open, falling towards a setback after closing. */
export interface BayClimate {
  /** Air while open, °C. */
  readonly openC: number;
  /** Humidity while open, %. */
  readonly openRhPct: number;
  /** Where the air settles after closing, °C. */
  readonly nightC: number;
  /** Local hour the heating goes on and off, 0..24, opening before closing. */
  readonly opensAtHour: number;
  readonly closesAtHour: number;
  /** Time constant of the room, minutes. */
  readonly tauMin: number;
}

/** Length of one step of a generated series, minutes: short against any room's time constant. */
const STEP_MIN = 30;
/** Air in a closed room does not stay supersaturated; the rest is on the walls. */
const HIGHEST_RH_PCT = 98;

/**
 * The bay's expected air as a series of half-hour steps.
 * The room follows its set point with a first-order lag; the water in the air stays what it was, so the
 * relative humidity rises as the bay cools.
 * @param startMinuteOfDay local minutes since midnight at the series' zero
 * @param days length of the series; the last step holds after it
 */
export function bayAmbient(bay: BayClimate, startMinuteOfDay: number, days: number): AmbientSeries {
  const isOpen = (minuteOfDay: number) => minuteOfDay >= bay.opensAtHour * 60 && minuteOfDay < bay.closesAtHour * 60;
  const lag = Math.exp(-STEP_MIN / bay.tauMin);
  const first = minuteBefore(bay.opensAtHour * 60, startMinuteOfDay);
  const steps: AmbientStep[] = [];
  // Starts at the last opening before zero, when the bay is taken to stand at its night temperature.
  let airC = bay.nightC;
  for (let atMin = -first; atMin <= days * MINUTES_PER_DAY; atMin += STEP_MIN) {
    const minuteOfDay = (((startMinuteOfDay + atMin) % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
    const target = isOpen(minuteOfDay) ? bay.openC : bay.nightC;
    airC = target + (airC - target) * lag;
    const rhPct = Math.min(HIGHEST_RH_PCT, rhAfterTemperatureChange(bay.openC, bay.openRhPct, airC));
    steps.push({ atMin, airC: round2(airC), rhPct: round2(rhPct), airSpeed: STILL_AIR });
  }
  const fromZero = steps.findLastIndex((step) => step.atMin <= 0);
  const [now, ...later] = steps.slice(fromZero);
  return [{ ...now!, atMin: 0 }, ...later];
}

/** Minutes from the latest `momentOfDay` at or before `minuteOfDay` until it. */
function minuteBefore(momentOfDay: number, minuteOfDay: number): number {
  return (((minuteOfDay - momentOfDay) % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
}

function round2(value: number): number {
  return Math.round(value * 100) / 100;
}
