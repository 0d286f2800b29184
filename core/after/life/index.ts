export {
  CIRCUMSTANCE_IDS,
  type CircumstanceId,
  CIRCUMSTANCES,
  CLIMATE_IDS,
  DISTANCE_IDS,
  type Exposure,
  GROUNDWORK_IDS,
  PARKING_IDS,
  USUAL_EXPOSURE,
  WASH_IDS,
} from './exposure';
export {
  observedLife,
  type ObservedLife,
  type LifeLikelihood,
  lifeLikelihood,
  productLasts,
  USUAL_WATER,
  type WaterEnds,
} from './observed';
export {
  ageAtCondition,
  conditionLeft,
  expectedLife,
  LABORATORY_FACTOR,
  LIFE_SIGMA,
  type LifeEstimate,
  type LifeFactor,
  MELTED_SHARE,
  stackedMonths,
  stackLife,
} from './life';
