export { judgeLayers, judgePlanned, productsOf } from './judging';
export { paintFor, unevenPaints } from './paint-for';
