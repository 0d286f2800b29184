export { jobAgain } from './again';
export { comingBack } from './coming-back';
export { stackOf, type StackLayer } from './stack-of';
