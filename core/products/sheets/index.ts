export {
  type Answer,
  ANSWERS,
  FILM_FINISHES,
  millilitres,
  outsideLimits,
  type Product,
  type Range,
  UNITS,
} from './product';
