export {
  type Answer,
  ANSWERS,
  FILM_FINISHES,
  type FilmSheet,
  millilitres,
  outsideLimits,
  type Product,
  type ProductProperty,
  PROPERTIES,
  PROPERTY_IDS,
  type Range,
  UNITS,
  USUAL_BREATHING_DAYS,
  WORN,
  type Worn,
} from './product';
export { isReactive, MASK_FROM_VOC_G_PER_L, vocOf, wornFor } from './protection';
