export { jobAgain } from './again';
export { caughtUp, changedSince } from './catch-up';
export { comingBack } from './coming-back';
export { stackOf, type StackLayer } from './stack-of';
export { isHistory, isPrepared, type ItemVisit, lastVisit } from './visits';
