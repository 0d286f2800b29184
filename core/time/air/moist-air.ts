import psychrolib from 'psychrolib';

// The package keeps its unit system in one global; this module is the only one that touches it.
psychrolib.SetUnitSystem(psychrolib.SI);

/** State of the air around a surface. `airSpeed` in m/s; still air in a closed bay is about 0.1. */
export interface Air {
  readonly airC: number;
  readonly rhPct: number;
  readonly airSpeed: number;
}

/** Air speed of a closed bay with nothing running, m/s. Trade convention, used wherever none is given. */
export const STILL_AIR = 0.1;

/** Temperatures the saturation formula is fitted for, °C. */
export const SATURATION_RANGE_C = [-100, 200] as const;

/**
 * Saturation vapour pressure over water, or over ice below 0 °C, in Pa.
 * Source: ASHRAE Handbook, Fundamentals, psychrometrics (through psychrolib).
 * @throws RangeError outside -100..200 °C.
 */
export function saturationPressurePa(celsius: number): number {
  const [low, high] = SATURATION_RANGE_C;
  if (!(celsius >= low && celsius <= high)) {
    throw new RangeError(`saturation pressure is known from ${low} to ${high} °C, not at ${celsius}`);
  }
  return psychrolib.GetSatVapPres(celsius);
}

/** Pressure of the water vapour actually in the air, Pa. */
export function vapourPressurePa(airC: number, rhPct: number): number {
  return (rhPct / 100) * saturationPressurePa(airC);
}

/**
 * Dew point in °C of air at `airC` and `rhPct`; -100 (the floor of the formula) for bone-dry air.
 * Source: inversion of the ASHRAE saturation curve (psychrolib).
 */
export function dewPointC(airC: number, rhPct: number): number {
  const driestPct = 100 * (saturationPressurePa(SATURATION_RANGE_C[0]) / saturationPressurePa(airC));
  if (rhPct <= driestPct) return SATURATION_RANGE_C[0];
  return psychrolib.GetTDewPointFromRelHum(airC, Math.min(rhPct, 100) / 100);
}

/** Relative humidity, %, of the same air (same water in it) brought to another temperature; at most 100. */
export function rhAfterTemperatureChange(airC: number, rhPct: number, newAirC: number): number {
  return Math.min(100, (100 * vapourPressurePa(airC, rhPct)) / saturationPressurePa(newAirC));
}
