export { judgeLayers, judgePlanned, productsOf } from './judging';
export { tooDearToRemove, unevenPaints } from './paint-for';
