export { judgeLayers, judgePlanned, productsOf } from './judging';
