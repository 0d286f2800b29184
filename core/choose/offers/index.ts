export { type Applied, applyOffer, linesOf, type Offer, type OfferPrice, priceOffer, promisedMonths } from './offers';
