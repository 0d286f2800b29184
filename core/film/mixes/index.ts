export { mixesFor } from './mixes';
