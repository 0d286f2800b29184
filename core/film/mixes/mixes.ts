/** What film floats on and what sets it: engineering defaults of the trade, at 20 °C. */
export const SLIP_ML_PER_M2 = 450;
export const TACK_ML_PER_M2 = 150;
export const SOAP_ML_PER_L = 5;
export const ALCOHOL_SHARE = 0.15;
export const USUAL_C = 20;
/** Warm film grabs sooner: more soap by so much a degree, within these, ml/l. */
const SOAP_ML_PER_L_PER_C = 0.25;
const SOAP_RANGE = [2, 9] as const;
/** Cold tack stays wet: more alcohol by so much a degree below, less above, within these. */
const ALCOHOL_PER_C = 0.01;
const ALCOHOL_RANGE = [0.05, 0.3] as const;
/** Thick film needs more to float on: by the root of its thickness against this, µm. */
export const USUAL_UM = 200;

/** What is mixed for a day's film, millilitres. */
export interface Mixes {
  readonly slip: { readonly totalMl: number; readonly soapMl: number; readonly waterMl: number };
  readonly tack: { readonly totalMl: number; readonly alcoholMl: number; readonly waterMl: number };
}

const within = (value: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, value));

/**
 * Slip (water with a little soap: film floats and is moved) and tack (water with alcohol: film sets) for so much film at
 * the day's temperature.
 * @throws RangeError for no area or no thickness
 */
export function mixesFor(areaM2: number, surfaceC: number, thicknessUm: number): Mixes {
  if (!(areaM2 > 0) || !(thicknessUm > 0)) throw new RangeError('film has an area and a thickness');
  const thicker = Math.sqrt(thicknessUm / USUAL_UM);
  const slipMl = areaM2 * SLIP_ML_PER_M2 * thicker;
  const tackMl = areaM2 * TACK_ML_PER_M2;
  const soapMl = (slipMl / 1000) * within(SOAP_ML_PER_L + (surfaceC - USUAL_C) * SOAP_ML_PER_L_PER_C, SOAP_RANGE);
  const alcoholMl = tackMl * within(ALCOHOL_SHARE - (surfaceC - USUAL_C) * ALCOHOL_PER_C, ALCOHOL_RANGE);
  return {
    slip: { totalMl: slipMl, soapMl, waterMl: slipMl - soapMl },
    tack: { totalMl: tackMl, alcoholMl, waterMl: tackMl - alcoholMl },
  };
}
