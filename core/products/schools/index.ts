export {
  bySchools,
  FIRST_WASH_DAYS,
  HALF_ARM_M2,
  handedOverMin,
  LAYING_SCHOOLS,
  type LayingSchools,
  TOWELS_OF,
  USUAL_LAYING_SCHOOLS,
} from './schools';
