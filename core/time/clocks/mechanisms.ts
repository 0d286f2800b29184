import { type Air, saturationPressurePa, STILL_AIR, vapourPressurePa } from '#core/time/air';

export const MECHANISMS = ['solvent', 'water', 'moisture', 'thermal'] as const;
/** What drives a clock: solvent leaving, water leaving, moisture of the air curing it, or heat alone. */
export type Mechanism = (typeof MECHANISMS)[number];

/** Gas constant, J/(mol K), CODATA. */
const GAS_CONSTANT = 8.314462618;
const KELVIN_AT_0_C = 273.15;
/** Exponent of air movement on evaporation: turbulent boundary layer over a flat panel. */
export const AIR_SPEED_EXPONENT = 0.6;
/** Added to the air speed so that still air still carries vapour away by its own convection, m/s. */
export const NATURAL_CONVECTION = 0.1;

/** Activation energies, kJ/mol, where the sheet gives none. Engineering defaults. */
export const DEFAULT_E_KJ: Readonly<Record<Mechanism, number>> = {
  solvent: 38,
  water: 0,
  moisture: 45,
  thermal: 55,
};
/** Order of a moisture cure in the vapour pressure, where the sheet gives none. */
export const DEFAULT_MOISTURE_ORDER = 0.5;
/** Conditions a data sheet states its times for, unless it says otherwise. */
export const REFERENCE_AIR = { refC: 20, refRh: 50, refAirSpeed: STILL_AIR } as const;

/** One of a product's two clocks. Missing values take the defaults above. */
export interface Clock {
  readonly mechanism: Mechanism;
  readonly eKj?: number | undefined;
  readonly n?: number | undefined;
  readonly refC?: number | undefined;
  readonly refRh?: number | undefined;
  readonly refAirSpeed?: number | undefined;
}

interface Conditions {
  readonly surfaceK: number;
  readonly surfaceC: number;
  readonly vapourPa: number;
  readonly airSpeed: number;
}

type RateModel = (now: Conditions, ref: Conditions, clock: Clock) => number;

const arrhenius = (eKj: number, now: Conditions, ref: Conditions) =>
  Math.exp((-eKj * 1000 * (1 / now.surfaceK - 1 / ref.surfaceK)) / GAS_CONSTANT);

const airMovement = (now: Conditions, ref: Conditions) =>
  ((now.airSpeed + NATURAL_CONVECTION) / (ref.airSpeed + NATURAL_CONVECTION)) ** AIR_SPEED_EXPONENT;

const activation = (clock: Clock) => clock.eKj ?? DEFAULT_E_KJ[clock.mechanism];

const RATE_MODELS: Readonly<Record<Mechanism, RateModel>> = {
  solvent: (now, ref, clock) => arrhenius(activation(clock), now, ref) * airMovement(now, ref),
  water: (now, ref) => {
    const drive = saturationPressurePa(now.surfaceC) - now.vapourPa;
    const refDrive = saturationPressurePa(ref.surfaceC) - ref.vapourPa;
    return Math.max(0, drive / refDrive) * airMovement(now, ref);
  },
  moisture: (now, ref, clock) =>
    arrhenius(activation(clock), now, ref) * (now.vapourPa / ref.vapourPa) ** (clock.n ?? DEFAULT_MOISTURE_ORDER),
  thermal: (now, ref, clock) => arrhenius(activation(clock), now, ref),
};

/**
 * How fast a clock runs now, relative to its sheet's reference conditions (1 = as on the sheet).
 * Humidity slows a water-borne product and hurries a moisture-curing one.
 * @param surfaceC temperature of the surface; the air's where it is not known
 */
export function clockRate(clock: Clock, air: Air, surfaceC: number = air.airC): number {
  const refC = clock.refC ?? REFERENCE_AIR.refC;
  const now: Conditions = {
    surfaceC,
    surfaceK: surfaceC + KELVIN_AT_0_C,
    vapourPa: vapourPressurePa(air.airC, air.rhPct),
    airSpeed: air.airSpeed,
  };
  const ref: Conditions = {
    surfaceC: refC,
    surfaceK: refC + KELVIN_AT_0_C,
    vapourPa: vapourPressurePa(refC, clock.refRh ?? REFERENCE_AIR.refRh),
    airSpeed: clock.refAirSpeed ?? REFERENCE_AIR.refAirSpeed,
  };
  return RATE_MODELS[clock.mechanism](now, ref, clock);
}
