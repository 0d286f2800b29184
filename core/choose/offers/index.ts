export {
  type Applied,
  applyOffer,
  linesOf,
  type Offer,
  type OfferPrice,
  priceOffer,
  promisedMonths,
  USUAL_ROUND_TO_MONEY,
  USUAL_VALID_DAYS,
} from './offers';
