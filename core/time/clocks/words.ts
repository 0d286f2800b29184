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

/** What makes a clock run as it does, beside the sheet's conditions, each with its own factor. */
export interface RateShare {
  readonly cause: 'surface' | 'humidity' | 'air-speed';
  readonly factor: number;
}

/**
 * A clock's rate as the product of what each cause does: the surface's temperature, the water in the air, its movement.
 * Where a clock waits for water to leave, its drive is not a product: the water's share is what the surface leaves of it.
 */
export function rateShares(clock: Clock, air: Air, surfaceC: number = air.airC): RateShare[] {
  const refC = clock.refC ?? REFERENCE_AIR.refC;
  const refRh = clock.refRh ?? REFERENCE_AIR.refRh;
  const still = clock.refAirSpeed ?? REFERENCE_AIR.refAirSpeed;
  const asOnSheet: Air = { airC: refC, rhPct: refRh, airSpeed: still };
  const surface = clockRate(clock, asOnSheet, surfaceC);
  const unmoved = clockRate(clock, { ...air, airSpeed: still }, surfaceC);
  const airSpeed = clockRate(clock, { ...asOnSheet, airSpeed: air.airSpeed }, refC);
  return [
    { cause: 'surface', factor: surface },
    // A surface so cold that nothing leaves it leaves the air nothing to do.
    { cause: 'humidity', factor: surface > 0 ? unmoved / surface : 1 },
    { cause: 'air-speed', factor: airSpeed },
  ];
}

/**
 * A clock's rate as an installer would say it, with each cause's share: "1.9× faster than the sheet: panel 31 °C 1.6×,
 * moving air 1.2×". What hardly matters is left out.
 */
export function rateInWords(clock: Clock, air: Air, surfaceC: number = air.airC): string {
  const rate = clockRate(clock, air, surfaceC);
  const shares = rateShares(clock, air, surfaceC);
  if (rate <= 0) {
    const least = shares.reduce((a, b) => (b.factor < a.factor ? b : a));
    return `stands still: ${shareInWords(least, air, surfaceC)}`;
  }
  const telling = shares.filter(({ factor }) => Math.abs(Math.log(factor)) >= SAME_BAND);
  if (Math.abs(rate - 1) < SAME_BAND && telling.length === 0) return 'as on the sheet';
  const whole =
    Math.abs(rate - 1) < SAME_BAND
      ? 'as on the sheet'
      : `${(rate > 1 ? rate : 1 / rate).toFixed(1)}× ${rate > 1 ? 'faster' : 'slower'} than the sheet`;
  const told = telling
    .toSorted((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    .map((share) => `${shareInWords(share, air, surfaceC)} ${share.factor.toFixed(share.factor < 0.995 ? 2 : 1)}×`);
  return `${whole}: ${told.join(', ')}`;
}

function shareInWords({ cause }: RateShare, { airC, rhPct, airSpeed }: Air, surfaceC: number): string {
  switch (cause) {
    case 'surface':
      return `panel ${Math.round(surfaceC)} °C`;
    case 'humidity':
      return `air ${Math.round(airC)} °C, ${Math.round(rhPct)} %`;
    case 'air-speed':
      return `air at ${airSpeed} m/s`;
  }
}

/** What the clock waits for, in words. */
export function mechanismInWords(mechanism: Mechanism): string {
  return NOUN[mechanism];
}
