export { type FoundInStock, withStock, withUsage } from './live-products';
