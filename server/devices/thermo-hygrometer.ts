import { MINUTES_PER_DAY } from '#core/measures';
import { airAt, bayAmbient } from '#core/time/air';
import type { AirReading, Bay } from '#formats/job';

/** Reads the air of one bay, and the surface its contact probe lies on. */
export interface ThermoHygrometer {
  read(at: Date): AirReading;
}

/** The probe lies on a panel that lags the air, K. */
const SURFACE_BELOW_AIR_K = 1.2;

/**
 * Stands in for a real instrument: follows the bay's climate through the local day, with the slow swing and
 * the small noise a real one shows. The same moment gives the same reading.
 */
export function simulatedThermoHygrometer(bay: Bay): ThermoHygrometer {
  return {
    read(at) {
      const minuteOfDay = at.getHours() * 60 + at.getMinutes() + at.getSeconds() / 60;
      const air = airAt(bayAmbient(bay.climate, Math.floor(minuteOfDay), 1), 0);
      const minutes = at.getTime() / 60_000;
      const swing = 0.3 * Math.sin((2 * Math.PI * minutes) / 17) + 0.1 * Math.sin((2 * Math.PI * minutes) / 2.3);
      return {
        at: at.toISOString(),
        airC: tenth(air.airC + swing),
        rhPct: tenth(Math.min(99, Math.max(1, air.rhPct - 1.5 * swing))),
        surfaceC: tenth(air.airC + swing / 2 - SURFACE_BELOW_AIR_K * nightShare(minuteOfDay)),
        airSpeed: air.airSpeed,
        simulated: true,
      };
    },
  };
}

/** 1 in the cold of the early morning, 0 in the afternoon: panels follow the air with a delay. */
function nightShare(minuteOfDay: number): number {
  return (1 + Math.cos((2 * Math.PI * (minuteOfDay - 6 * 60)) / MINUTES_PER_DAY)) / 2;
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
