export { withStock, withUsage } from './live-products';
