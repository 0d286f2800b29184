import type { Air } from '#core/time/air';
import { type Clock, clockRate, type Mechanism, REFERENCE_AIR } from './mechanisms';

const NOUN: Readonly<Record<Mechanism, string>> = {
  solvent: 'solvent leaves',
  water: 'water leaves',
  moisture: 'moisture cures it',
  thermal: 'heat cures it',
};
/** Rates this close to 1 are said as "as on the sheet". */
const SAME_BAND = 0.05;

/**
 * A clock's rate as an installer would say it: "1.6× faster than the sheet: surface 29 °C".
 * Names the influence that alone moves the rate most.
 */
export function rateInWords(clock: Clock, air: Air, surfaceC: number = air.airC): string {
  const rate = clockRate(clock, air, surfaceC);
  if (rate <= 0) return `stands still: ${culprit(clock, air, surfaceC)}`;
  if (Math.abs(rate - 1) < SAME_BAND) return 'as on the sheet';
  const factor = rate > 1 ? rate : 1 / rate;
  return `${factor.toFixed(1)}× ${rate > 1 ? 'faster' : 'slower'} than the sheet: ${culprit(clock, air, surfaceC)}`;
}

/** What the clock waits for, in words. */
export function mechanismInWords(mechanism: Mechanism): string {
  return NOUN[mechanism];
}

function culprit(clock: Clock, air: Air, surfaceC: number): string {
  const refC = clock.refC ?? REFERENCE_AIR.refC;
  const refRh = clock.refRh ?? REFERENCE_AIR.refRh;
  const refAir: Air = { airC: refC, rhPct: refRh, airSpeed: clock.refAirSpeed ?? REFERENCE_AIR.refAirSpeed };
  const alone = [
    { rate: clockRate(clock, refAir, surfaceC), say: `surface ${Math.round(surfaceC)} °C` },
    {
      rate: clockRate(clock, { ...air, airSpeed: refAir.airSpeed }, refC),
      say: `air ${Math.round(air.airC)} °C, ${Math.round(air.rhPct)} % humidity`,
    },
    { rate: clockRate(clock, { ...refAir, airSpeed: air.airSpeed }, refC), say: `air moving at ${air.airSpeed} m/s` },
  ];
  const weight = (rate: number) => (rate <= 0 ? Infinity : Math.abs(Math.log(rate)));
  return alone.reduce((most, next) => (weight(next.rate) > weight(most.rate) ? next : most)).say;
}
