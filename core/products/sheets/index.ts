export {
  type Answer,
  ANSWERS,
  FILM_FINISHES,
  millilitres,
  outsideLimits,
  type Product,
  type ProductProperty,
  PROPERTIES,
  PROPERTY_IDS,
  type Range,
  UNITS,
  USUAL_BREATHING_DAYS,
} from './product';
