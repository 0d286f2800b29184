export { jobAgain } from './again';
export { comingBack } from './coming-back';
