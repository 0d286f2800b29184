import { MINUTES_PER_DAY, MS_PER_MIN, seeded } from '#core/measures';
import { airAt, bayAmbient } from '#core/time/air';
import type { AirReading, Bay } from '#formats/job';

/** Reads the air of one bay, and the surface its contact probe lies on. */
export interface ThermoHygrometer {
  /** Undefined where it does not answer. What it says may be nonsense: whoever keeps it judges it. */
  read(at: Date): AirReading | undefined;
}

/** The probe lies on a panel that lags the air, K. */
const SURFACE_BELOW_AIR_K = 1.2;

/** It drifts either way by so much, over so many days, K. */
const DRIFT = { byK: 0.4, days: 11 };
/** Of its quarters of an hour so many are silent, of its five minutes so many nonsense. */
const SILENT = { share: 1 / 250, min: 15 };
const NONSENSE = { share: 1 / 700, min: 5, airC: 85, rhPct: 0 };

/**
 * Stands in for a real instrument: follows the bay's climate through the local day, with the slow swing and
 * the small noise a real one shows; it drifts over the weeks, drops out now and then, and sometimes sends nonsense. The
 * same moment gives the same reading.
 */
export function simulatedThermoHygrometer(bay: Bay): ThermoHygrometer {
  return {
    read(at) {
      const minutes = at.getTime() / MS_PER_MIN;
      const chance = (everyMin: number) => seeded(Math.floor(minutes / everyMin) * 31 + saltOf(bay.id) + everyMin)();
      if (chance(SILENT.min) < SILENT.share) return undefined;
      const isNonsense = chance(NONSENSE.min) < NONSENSE.share;
      const minuteOfDay = at.getHours() * 60 + at.getMinutes() + at.getSeconds() / 60;
      const air = airAt(bayAmbient(bay.climate, Math.floor(minuteOfDay), 1), 0);
      const drift = DRIFT.byK * Math.sin((2 * Math.PI * minutes) / (DRIFT.days * MINUTES_PER_DAY));
      const swing = 0.3 * Math.sin((2 * Math.PI * minutes) / 17) + 0.1 * Math.sin((2 * Math.PI * minutes) / 2.3);
      return {
        at: at.toISOString(),
        airC: isNonsense ? NONSENSE.airC : tenth(air.airC + swing + drift),
        rhPct: isNonsense ? NONSENSE.rhPct : tenth(Math.min(99, Math.max(1, air.rhPct - 1.5 * swing))),
        surfaceC: tenth(air.airC + swing / 2 - SURFACE_BELOW_AIR_K * nightShare(minuteOfDay)),
        airSpeed: air.airSpeed,
        simulated: true,
      };
    },
  };
}

/** Each bay has its own bad moments. */
const saltOf = (id: string) => [...id].reduce((sum, sign) => (sum * 33 + sign.codePointAt(0)!) % 1_000_003, 7);

/** 1 in the cold of the early morning, 0 in the afternoon: panels follow the air with a delay. */
function nightShare(minuteOfDay: number): number {
  return (1 + Math.cos((2 * Math.PI * (minuteOfDay - 6 * 60)) / MINUTES_PER_DAY)) / 2;
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
