export { comingBack } from './coming-back';
