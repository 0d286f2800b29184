export { type Applied, applyOffer, linesOf, type Offer, type OfferPrice, priceOffer } from './offers';
