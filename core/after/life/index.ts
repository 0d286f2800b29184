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
export { conditionLeft, expectedLife, type LifeEstimate, type LifeFactor, stackedMonths, stackLife } from './life';
