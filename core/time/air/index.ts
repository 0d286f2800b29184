export { airAt, type AmbientSeries, type AmbientStep, correctedBy, withReadings, warmerBy } from './ambient';
export { bayAmbient, type BayClimate } from './bay-climate';
export { type Condensation, condensation, DEW_MARGIN_K } from './condensation';
export { type Air, rhAfterTemperatureChange, saturationPressurePa, STILL_AIR, vapourPressurePa } from './moist-air';
export { COOLING_TAU_MIN, withoutHeating } from './power-loss';
export { clearAfterMin, concentrationMgPerM3, peakMgPerM3, type VapourRelease } from './vapour';
export { minutesToWarm, WARM_UP_TAU_MIN, warmedSurfaceC } from './warm-up';
